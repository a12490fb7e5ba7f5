import { openBench, showSolved, slipwayBeam, type Screen } from '../../../testing/workbench-bed';
import { RehearseStep } from '../rehearse';

jest.mock('../../common/chart', () => jest.requireActual('../../../testing/chart-stand-in'));

async function trials(design = slipwayBeam()) {
  const bench = await openBench(design);
  const step = await showSolved(RehearseStep);
  await step.press('Many nights…');
  return { ...bench, step };
}

async function enter(step: Screen<unknown>, label: HTMLElement, value: string) {
  const field = step.find<HTMLInputElement>(`#${label.getAttribute('for')}`);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  field.dispatchEvent(new Event('change'));
  await step.settle();
}

it('rehearses as many nights as it is told and tells shares with their bounds', async () => {
  const { step } = await trials();
  await step.type('By', 'browser');
  await step.type('Nights', '5');
  await step.press('Rehearse 5 nights');
  await step.until(() => /5 of 5, 47\.8 % … 100\.0 %/.test(step.text('.came')));
  expect(step.text('.came')).toMatch(/Someone walks up the slipway noticed 100\.0 %/);
  expect(step.text('.came')).toMatch(/0 false triggers|\d+ false triggers in 150/);
});

it('changes what differs, in per cent where it is a share', async () => {
  const { step } = await trials();
  await step.type('Supplies, ±', '12');
  expect(step.field('Supplies, ±').value).toMatch(/^12\s%$/);
  await step.type('Parts', 'no');
  await step.type('Places, ±', '0');
  await step.type('Nights', '2');
  await step.press('Rehearse 2 nights');
  await step.until(() => step.text('.came').includes('2 of 2'));
});

it('is cancelled at once and shows what was done until then', async () => {
  const { step } = await trials();
  await step.press('Rehearse 200 nights');
  await step.until(() => step.text('.what').includes('left'));
  await step.press('Cancel');
  await step.until(() => step.text('.came').includes('Cancelled. What was rehearsed until then'));
  expect(step.text('.came')).toMatch(/of \d+, /);
  expect(step.text('.what')).toContain('Rehearse 200 nights');
});

it('says that the design was changed since', async () => {
  const { step, session } = await trials();
  await step.type('Nights', '1');
  await step.press('Rehearse 1 nights');
  await step.until(() => step.text('.came').includes('1 of 1'));
  session.edit({ type: 'set-param', id: 'R1', param: 'ohms', value: 4700 });
  await step.settle();
  expect(step.text('.came')).toContain('has been changed since');
});

it('tells the worst nights by seed, with what lay farthest out', async () => {
  const { step } = await trials();
  await step.type('Places, ±', '0.4');
  await step.type('Nights', '12');
  await step.press('Rehearse 12 nights');
  await step.until(() => step.text('.came').includes('the worst nights'));
  expect(step.text('.came')).toMatch(
    // Where the beam misses its receiver, the alarm is on before anyone comes: it notices nobody.
    /seed \d+ missed “Someone walks up the slipway”, fired \d × at nothing .* [+−]\d+ %/,
  );
});

it('looks at one of the worst nights as it was drawn, and goes back', async () => {
  const { step, view, session } = await trials();
  await step.type('Places, ±', '0.4');
  await step.type('Nights', '12');
  await step.press('Rehearse 12 nights');
  await step.until(() => step.all('button.night').length > 0);
  await step.click('button.night');
  await step.until(() => !view.rehearsing() && /^Night \d+ of/.test(step.text('.one-night')));
  const seed = Number(/Night (\d+)/.exec(step.text('.one-night'))?.[1]);
  expect(view.rehearsal()?.seed).toBe(seed);
  await step.press('Back to the scene');
  await step.until(() => !view.rehearsing());
  expect(view.rehearsal()?.seed).toBe(session.design()?.scenes[0].seed);
});

it('draws a map of two values, and takes a pair of them', async () => {
  const { step, session } = await trials();
  await step.type('Of', 'map');
  for (const steps of step.all('label').filter((l) => l.textContent === 'Steps'))
    await enter(step, steps, '2');
  await step.type('Nights of each', '2');
  await step.press('Rehearse 8 nights');
  await step.until(() => step.text('.came').includes('2 of 2') && step.all('.cell').length === 8);
  expect(step.text('.came')).toMatch(/noticed of what is wanted, %.*false triggers a night/);
  await step.click('.cell:not(.here)');
  await step.press('Take these two values');
  const channel = session.design()?.channels[0];
  expect([channel?.threshold, channel?.hits]).not.toEqual([380, 5]);
  expect(step.text('.came')).toContain('has been changed since');
});

it('tells the corners apart, those left out that do not vary', async () => {
  const { step } = await trials();
  await step.type('Of', 'corners');
  await step.type('Air, ±', '0');
  await step.type('Nights of each', '1');
  await step.press('Rehearse 4 nights');
  await step.until(() => step.all('tbody tr').length === 4 && !/·/.test(step.text('tbody')));
  expect(step.text('tbody')).toMatch(/weak supply, feeble 1 of 1/);
});

it('sets the design beside an earlier save', async () => {
  const { step, studies } = await trials();
  const deaf = slipwayBeam();
  deaf.channels[0].hits = 10_000;
  studies.earlier.push(deaf);
  await step.type('Of', 'beside');
  await step.until(() => step.choices(step.field('Save')).length === 1);
  await step.type('Nights of each', '8');
  await step.press('Rehearse 16 nights');
  await step.until(() => /noticed 0 of 8.*8 of 8.*better/.test(step.text('.came')));
});

it('opens what the server has kept, removes it, and says when the server is away', async () => {
  const { step, studies } = await trials();
  await step.type('Nights', '2');
  await step.press('Rehearse 2 nights');
  await step.until(() => step.text('yu-kept-studies').includes('2 nights'));
  await step.type('Nights', '3');
  await step.press('Rehearse 3 nights');
  await step.until(() => step.text('.came').includes('3 of 3'));
  await step.click('yu-kept-studies .open');
  await step.until(() => step.text('.came').includes('2 of 2'));
  expect(step.text('.came')).toContain('what matters');
  await step.click('yu-kept-studies p-button button');
  await step.until(() => studies.kept.size === 1);
  studies.failure = new Error('The server cannot be reached.');
  await step.press('Rehearse 3 nights');
  await step.until(() => step.text('.came').includes('The server cannot be reached.'));
});

it('gives readings, volts and outputs as files', async () => {
  const { step } = await trials();
  const given: [string, string][] = [];
  const kept: Blob[] = [];
  Object.assign(URL, {
    createObjectURL: (blob: Blob) => (kept.push(blob), 'blob:x'),
    revokeObjectURL: () => undefined,
  });
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (
    this: HTMLAnchorElement,
  ) {
    if (this.download) given.push([this.download, kept[kept.length - 1].type]);
  });
  for (const format of ['CSV', 'VCD']) {
    await step.press('Export the rehearsal');
    const entry = step.all('.p-menu-item').find((item) => item.textContent?.includes(format));
    entry?.querySelector<HTMLElement>('.p-menu-item-content')?.click();
    await step.settle();
  }
  expect(given).toEqual([
    ['slipway-beam-night.csv', 'text/csv'],
    ['slipway-beam-night.vcd', 'text/plain'],
  ]);
});
