import { demo, openBench, show, showSolved } from '../../../testing/workbench-bed';
import { TestBed } from '@angular/core/testing';
import { BenchBoard } from '../../data/bench-board';
import { JudgeView } from '../../data/judge-view';
import { Capturing } from '../capturing';
import { ComparatorHelper } from './comparator-helper';
import { ConvertHelper } from './convert-helper';
import { LampHelper } from './lamp-helper';
import { TimerHelper } from './timer-helper';
import { TimingHelper } from './timing-helper';
import { TrimmerHelper } from './trimmer-helper';
import { WhatIfHelper } from './what-if-helper';

jest.mock('../../common/chart', () => jest.requireActual('../../../testing/chart-stand-in'));

const fire = () => demo('varnish-bench-fire');

/** A bench with a channel chosen and what the helpers share. */
async function bench(design = fire(), channel = 'east') {
  TestBed.configureTestingModule({ providers: [Capturing] });
  const bench = await openBench(design);
  TestBed.inject(JudgeView).chosen.set(channel);
  const found = () => {
    const own = bench.session.design()?.channels.find((c) => c.id === channel);
    if (!own) throw new Error(channel);
    return own;
  };
  return { ...bench, channel: found };
}

it('converts counts, volts, per cent and what is felt one into the other', async () => {
  const { channel } = await bench();
  const one = 5 / 1023;
  const helper = await showSolved(ConvertHelper, { channel: channel(), oneCount: one });
  await helper.until(() => helper.text().includes('Infrared'));
  await helper.type('Volts', '2.5');
  expect(helper.field('Counts').value).toMatch(/^511\.5/);
  expect(helper.field('Of full scale').value).toMatch(/^50/);
  const stimulus = helper.field('Infrared, 800 to 1000 nm').value;
  await helper.type('Counts', '100');
  await helper.type('Infrared, 800 to 1000 nm', stimulus);
  // To four digits and back, between two points of the curve.
  expect(Math.abs(parseFloat(helper.field('Counts').value) - 511.5)).toBeLessThan(1);
});

it('takes the converted count as the threshold', async () => {
  const { channel } = await bench();
  const helper = await show(ConvertHelper, { channel: channel(), oneCount: 5 / 1023 });
  await helper.type('Of full scale', '20');
  await helper.press('Threshold → 205');
  expect(channel().threshold).toBe(205);
});

it('a trimmer out of reach says so, and end resistors make it finer', async () => {
  await bench();
  const helper = await show(TrimmerHelper, { volts: { trip: 2.1, clear: 1.9, one: 5 / 1023 } });
  expect(helper.text()).toMatch(/10 kΩ alone 0 V … 5\.00 V 40\.0 %/);
  expect(helper.text()).toMatch(/times finer/);
  await helper.type('Wiper at', '4.5');
  expect(helper.text()).toContain('out of reach');
  await helper.type('Must reach from', '0');
  await helper.type('Must reach to', '5');
  expect(helper.text()).toContain('No end resistors');
});

it('searches a comparator network anew when something is changed, and says why there is none', async () => {
  const { channel, workers } = await bench();
  const helper = await show(ComparatorHelper, {
    channel: channel(),
    volts: { trip: 2.6, clear: 2.2, one: 5 / 1023 },
  });
  await helper.until(() => helper.all('tbody tr').length === 5);
  expect(helper.text('tr.best')).toMatch(/2\.60 V 2\.20 V/);
  await helper.type('The signal goes to', 'minus');
  await helper.until(() => helper.text('thead').includes('+ to ground'));
  await helper.type('Changes back at', '3');
  await helper.until(() => helper.text().includes('It must trip higher on the way up'));
  expect(workers.patient.comparator.mock.calls.length).toBeGreaterThan(2);
});

it('asks the circuit what another load would read, and takes it', async () => {
  const { channel, session } = await bench();
  const helper = await showSolved(WhatIfHelper, { channel: channel() });
  await helper.until(() => helper.all('tbody tr').length > 5);
  expect(helper.text('tr.here')).toMatch(/^47 kΩ/);
  const row = helper.all('tbody tr').find((r) => /100\s+kΩ/.test(r.textContent ?? ''));
  row?.querySelector('button')?.click();
  await helper.settle();
  expect(session.design()?.parts.find((p) => p.id === 'R1')?.params['ohms']).toBe(100e3);
});

it('puts a happening at other distances', async () => {
  const { channel } = await bench();
  const helper = await showSolved(WhatIfHelper, { channel: channel() });
  await helper.type('Change', 'distance');
  await helper.until(() => helper.text('thead').includes('distance'));
  const counts = helper.all('tbody tr').map((r) => Number(r.children[2].textContent));
  expect(counts[0]).toBeGreaterThan(counts[counts.length - 1]);
});

it('a timer: the resistor between both, and what its fixed band cannot do', async () => {
  const { channel } = await bench(fire(), 'northwest');
  const helper = await showSolved(TimerHelper, { channel: channel() });
  await helper.type('Sensor where it should come on', '20k');
  await helper.type('Sensor where it should go off', '5k');
  expect(helper.text()).toMatch(/Take 10 kΩ.*at 5\.00 kΩ.*at 20\.0 kΩ/);
  expect(helper.text()).toContain('the timer fits');
  await helper.type('Sensor where it should go off', '2k');
  expect(helper.text()).toContain('lies as 10 to 1: only the middle');
  // Dark reads 11.4 of 1023 over 47 kΩ: R·(1 − s)/s.
  await helper.type('Measured over a resistor of', '47k');
  expect(helper.text()).toMatch(/Dark: 4\.1\d MΩ/);
});

it('asks what another surface would give of something that reflects', async () => {
  const design = demo('chart-room-touch');
  const { channel } = await bench(design, design.channels[0].id);
  const helper = await showSolved(WhatIfHelper, { channel: channel() });
  await helper.type('Change', 'surface');
  await helper.until(() => helper.text('thead').includes('share thrown back'));
  expect(helper.all('tbody tr').map((r) => r.children[0].textContent)).toEqual([
    '0.05',
    '0.1',
    '0.2',
    '0.35',
    '0.5',
    '0.7',
    '0.9',
  ]);
});

describe('timing', () => {
  it('tells what averaging of the taken readings costs and gains, and takes it', async () => {
    const { channel } = await bench(fire(), 'northwest');
    const helper = await showSolved(TimingHelper, { channel: channel() });
    await helper.until(() => helper.all('tbody tr').length === 6);
    await helper.press('Take 4');
    expect(channel().filter).toEqual({ by: 'mean', n: 4 });
  });

  it('tells what a following baseline lets pass', async () => {
    const { channel, session } = await bench();
    const baseline = {
      kind: 'learnt',
      learn: 15,
      follow: 5,
      freeze: true,
      unit: 'counts',
    } as const;
    session.edit({ type: 'put-channel', channel: { ...channel(), baseline, threshold: 60 } });
    const helper = await showSolved(TimingHelper, { channel: channel() });
    await helper.type('and changes the reading by', '100');
    await helper.type('An intruder comes within', '1');
    expect(helper.text()).toMatch(/This change is noticed after/);
    await helper.type('An intruder comes within', '60');
    expect(helper.text()).toMatch(/This change is not noticed/);
    // threshold/τ = 60/5
    expect(helper.text()).toMatch(/Steady drift of up to 12 counts a second/);
  });
});

describe('by the lamp', () => {
  const turned = async (...steps: [number, string][]) => {
    const { channel } = await bench();
    const helper = await show(LampHelper, { channel: channel() });
    const [note] = [helper.all('button')];
    for (const [at, step] of steps) {
      const slider = helper.find('[role=slider]');
      await helper.key(slider, 'Home', { code: 'Home' });
      for (let i = 0; i < at / 10; i++) await helper.key(slider, 'PageUp', { code: 'PageUp' });
      note[step === 'lights' ? 0 : 1].click();
      await helper.settle();
    }
    return { helper, channel };
  };

  it('sets halfway between both ends', async () => {
    const { helper, channel } = await turned([420, 'lights'], [200, 'out']);
    await helper.press('Threshold → 310');
    expect(channel().threshold).toBe(310);
  });

  it('says when the two cannot be told apart', async () => {
    const { helper } = await turned([200, 'lights'], [420, 'out']);
    expect(helper.text()).toContain('cannot be told apart by one line');
  });

  it('has no lamp without a board', async () => {
    const { channel } = await bench();
    const helper = await show(LampHelper, { channel: channel() });
    expect(TestBed.inject(BenchBoard).connected()).toBe(false);
    expect(helper.text()).toContain('No board connected');
  });
});
