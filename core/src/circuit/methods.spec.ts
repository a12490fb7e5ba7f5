import type { Element } from '../element/index.js';
import { demo, slipwayBeam } from '../testing/demo.js';
import { c, l, r, record, step, wire } from '../testing/lab.js';
import { sketch } from '../testing/small.js';
import { Circuit, runTransient } from './index.js';
import { exact } from './newton.js';
import { operatingPoint, type Method } from './operating-point.js';

const ways: Method[] = ['newton', 'gmin stepping', 'source stepping', 'pseudo-transient'];
const designs = { 'slipway beam': slipwayBeam, sump: () => demo('bilge-sump') };

describe.each(Object.entries(designs))(
  'every way to a steady state leads to the same one: %s',
  (_, design) => {
    it.each(ways)('%s', (way) => {
      const alone = new Circuit(design());
      const reference = new Circuit(design());
      reference.solve();
      alone.network.recall({
        ...reference.network.remember(),
        x: new Float64Array(alone.network.system.x.length),
      });
      const { system, sorted } = alone.network;
      const outcome = operatingPoint(system, sorted, exact, [way]);
      expect(outcome).toMatchObject({ settled: true, method: way });
      const other = reference.network.system.x;
      system.x.forEach((v, i) =>
        expect(Math.abs(v - other[i])).toBeLessThan(1e-6 + 1e-6 * Math.abs(v)),
      );
    });
  },
);

it('a fall-back takes over where the one before fails', () => {
  // Two transistors that hold each other on: plain Newton from nothing may wander, a way must remain.
  const { method, problems } = new Circuit(
    sketch(
      [
        'adapter G',
        'npn-transistor Q',
        'pnp-transistor P',
        'resistor A ohms=100',
        'resistor B ohms=1e6',
      ],
      ['G.plus A.a', 'A.b P.e', 'P.b Q.c', 'P.c Q.b', 'Q.e G.minus', 'B.a Q.b', 'B.b G.plus'],
    ),
  ).solve();
  expect(problems).toEqual([]);
  expect(ways).toContain(method);
});

it('an event is found to a millionth of its step', () => {
  const at = Math.SQRT1_2;
  const contact: Element = {
    type: 'contact',
    a: 'in',
    b: 'out',
    control: 'ramp',
    rests: 'open',
    on: at,
    off: 0.1,
    ohms: 1,
    bounce: 0,
  };
  const ramp: Element = {
    type: 'voltage-source',
    plus: 'ramp',
    minus: '0',
    volts: 0,
    wave: { shape: 'points', times: [0, 1], values: [0, 1] },
  };
  const { times, volts } = record(wire(ramp, step('in', 5), contact, r('out', '0', 1e3)), 1, [
    'out',
  ]);
  const first = volts['out'].findIndex((v) => v > 2);
  expect(Math.abs(times[first] - at)).toBeLessThan(1e-6);
});

it('a decay far faster than the step does not ring', () => {
  const elements = [
    step('in', 5),
    r('in', 'out', 1),
    c('out', '0', 1e-9),
    r('out', 'slow', 1e6),
    c('slow', '0', 1e-6),
  ];
  const { times, volts } = record(wire(...elements), 5, ['out'], { from: 'dead' });
  const late = volts['out'].filter((_, i) => times[i] > 1e-6);
  expect(late.length).toBeGreaterThan(5);
  for (const v of late) expect(Math.abs(v - 5)).toBeLessThan(5e-3);
  // And it took steps of milliseconds to do so.
  expect(times.length).toBeLessThan(300);
});

it('an undamped tank keeps its swing: nothing is damped away that should stay', () => {
  const { times, volts } = record(
    wire(step('in', 1), r('in', 'a', 1e-3), l('a', 'out', 1e-3), c('out', '0', 1e-6)),
    20 * 2 * Math.PI * Math.sqrt(1e-9),
    ['out'],
    { from: 'dead' },
  );
  const last = volts['out'].filter((_, i) => times[i] > 0.95 * times[times.length - 1]);
  // 1 mΩ takes e^(−R·t/2L) = 0.2 % in twenty turns.
  expect(Math.max(...last)).toBeGreaterThan(2 * 0.985);
});

it('a microsecond spike of a coil and a day of a battery fit one run', () => {
  const result = runTransient(
    sketch(
      [
        'lead-battery G ampHours=2',
        'relay-12v K',
        'loop-contact S bounce=0',
        'resistor R ohms=1000',
      ],
      ['G.plus S.a', 'S.b K.plus', 'K.minus G.minus', 'G.plus R.a', 'R.b G.minus'],
    ),
    {
      until: 86400,
      drives: [{ part: 'S', of: { stimulus: 'gap' }, times: [0, 43200, 43200], values: [0, 0, 1] }],
    },
  );
  expect(result.halt).toBeUndefined();
  expect(result.end).toBe(86400);
  const kick = result.peaks.find((p) => p.part === 'K');
  // 30 mA against 20 kΩ of losses, less what the winding swallows: hundreds of volts, at once.
  expect(kick?.volts).toBeGreaterThan(100);
  const when = kick?.ratings.find((x) => x.rating === 'volts-minus-plus')?.at ?? 0;
  expect(when - 43200).toBeGreaterThanOrEqual(0);
  expect(when - 43200).toBeLessThan(1e-3);
  // 30 mA for half a day and 12.5 mA for a whole one.
  const volts = result.nets['12 V'];
  expect(volts[0] - volts[volts.length - 1]).toBeGreaterThan(0.1);
  expect(result.steps).toBeLessThan(5000);
});
