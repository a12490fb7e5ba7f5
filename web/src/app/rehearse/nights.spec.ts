import { openBench, showSolved, slipwayBeam } from '../../testing/workbench-bed';
import { RehearseStep } from './rehearse';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

async function nights(design = slipwayBeam()) {
  const bench = await openBench(design);
  const step = await showSolved(RehearseStep);
  await step.press('Many nights…');
  return { ...bench, step };
}

it('rehearses as many nights as it is told and tells shares with their bounds', async () => {
  const { step } = await nights();
  await step.type('Nights', '5');
  await step.press('Rehearse 5 nights');
  await step.until(() => /5 of 5, 47\.8 % … 100\.0 %/.test(step.text('.came')));
  expect(step.text('.came')).toMatch(/Someone walks up the slipway noticed 100\.0 %/);
  expect(step.text('.came')).toMatch(/0 false triggers|\d+ false triggers in 150/);
});

it('changes what differs, in per cent where it is a share', async () => {
  const { step } = await nights();
  await step.type('Supplies, ±', '12');
  expect(step.field('Supplies, ±').value).toMatch(/^12\s%$/);
  await step.type('Parts', 'no');
  await step.type('Places, ±', '0');
  await step.type('Nights', '2');
  await step.press('Rehearse 2 nights');
  await step.until(() => step.text('.came').includes('2 of 2'));
});

it('is cancelled at once and shows what was done until then', async () => {
  const { step } = await nights();
  await step.press('Rehearse 200 nights');
  await step.until(() => step.text('.what').includes('left'));
  await step.press('Cancel');
  await step.until(() => step.text('.came').includes('Cancelled. What was rehearsed until then'));
  expect(step.text('.came')).toMatch(/of \d+, /);
  expect(step.text('.what')).toContain('Rehearse 200 nights');
});

it('says that the design was changed since', async () => {
  const { step, session } = await nights();
  await step.type('Nights', '1');
  await step.press('Rehearse 1 nights');
  await step.until(() => step.text('.came').includes('1 of 1'));
  session.edit({ type: 'set-param', id: 'R1', param: 'ohms', value: 4700 });
  await step.settle();
  expect(step.text('.came')).toContain('has been changed since');
});

it('tells the worst nights by seed, with what lay farthest out', async () => {
  const { step } = await nights();
  await step.type('Places, ±', '0.4');
  await step.type('Nights', '12');
  await step.press('Rehearse 12 nights');
  await step.until(() => step.text('.came').includes('the worst nights'));
  expect(step.text('.came')).toMatch(/seed \d+ fired \d × at nothing .* [+−]\d+ %/);
});

it('gives readings, volts and outputs as files', async () => {
  const { step } = await nights();
  const given: [string, string][] = [];
  const kept: Blob[] = [];
  Object.assign(URL, {
    createObjectURL: (blob: Blob) => (kept.push(blob), 'blob:x'),
    revokeObjectURL: () => undefined,
  });
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (
    this: HTMLAnchorElement,
  ) {
    given.push([this.download, kept[kept.length - 1].type]);
  });
  await step.press('CSV');
  await step.press('VCD');
  expect(given).toEqual([
    ['Slipway-beam-night.csv', 'text/csv'],
    ['Slipway-beam-night.vcd', 'text/plain'],
  ]);
});
