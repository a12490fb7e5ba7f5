import { check, gatherEvidence } from '../check/index.js';
import { Circuit } from '../circuit/index.js';
import { applyEdit, type Channel, type Design } from '../design/index.js';
import { rehearse } from '../rehearsal/index.js';
import { demo } from '../testing/demo.js';
import { channel, onBoard, pins } from '../testing/small.js';
import { effectOf, eitherOrs, type EitherOr } from './index.js';

const slipway = demo('slipway-beam');
const loft = demo('sail-loft-motion');
const named = (design: Design, id: string): EitherOr => {
  const found = eitherOrs(design).find((e) => e.id.startsWith(id));
  if (!found) throw new RangeError(`There is no choice ${id}.`);
  return found;
};

it('offers what the design could have the other way, and nothing that it has not', () => {
  expect(eitherOrs(slipway).map(({ id }) => id.split(' ')[0])).toEqual([
    'hits',
    'baseline',
    'line',
    'latch',
    'relay',
    'controller',
  ]);
  expect(eitherOrs(loft).map(({ id }) => id.split(' ')[0])).toEqual([
    ...['hits', 'edge', 'latch', 'latch', 'hold', 'relay', 'relay'],
  ]);
  expect(eitherOrs({ ...slipway, channels: [], rules: [], outputs: [] })).toEqual([]);
});

it.each<[string, Design, string]>([
  ['one reading and several', slipway, 'hits'],
  ['a fixed line and a learnt one', slipway, 'baseline'],
  ['an alarm that latches and one that does not', slipway, 'latch'],
  ['a look now and then and an interrupt', loft, 'edge'],
])('%s: the other way of the other way is as it was', (_, design, id) => {
  const there = named(design, id);
  const changed = applyEdit(design, there.edit);
  const back = named(changed, id);
  const [first, other] = [there.now, there.other].map((way) => way.split(' ')[0]);
  expect([back.now, back.other].map((way) => way.split(' ')[0])).toEqual([other, first]);
  expect(named(applyEdit(changed, back.edit), id).now.split(' ')[0]).toBe(first);
});

it('lets only the rules hold that ask for the module, and leaves others alone', () => {
  const [rule] = loft.rules;
  if (!rule) throw new RangeError('There is no rule.');
  const own = { ...rule, id: 'r9', hold: 0, when: { is: 'all' as const, of: [] } };
  const { edit } = named({ ...loft, rules: [...loft.rules, own] }, 'hold');
  const done = applyEdit({ ...loft, rules: [...loft.rules, own] }, edit);
  expect(done.rules.find((r) => r.id === 'r9')).toEqual(own);
  expect(done.rules.find((r) => r.id === rule.id)?.hold).toBeGreaterThanOrEqual(2);
});

describe('what comes of it', () => {
  const now = effectOf(slipway);

  it('is what the rehearsals of all scenes tell', () => {
    const told = slipway.scenes.map((s) => rehearse(slipway, s, undefined, 'time'));
    const verdicts = told.flatMap((r) => r.verdicts);
    const wanted = verdicts.filter((v) => v.intent === 'wanted');
    expect([now.wanted, now.noticed]).toEqual([
      wanted.length,
      wanted.filter((v) => v.outcome === 'noticed').length,
    ]);
    expect(now.slowest).toBe(Math.max(...wanted.map((v) => v.delay ?? 0)));
    // A gauge of how long it acts, by eye: from each change to the next.
    const acted = told.flatMap(({ acting, duration }) =>
      acting.flatMap((a, i) =>
        a.active
          ? [(acting.slice(i).find((b) => !b.active && b.part === a.part)?.t ?? duration) - a.t]
          : [],
      ),
    );
    expect(now.acted).toBeCloseTo(
      acted.reduce((x, y) => x + y, 0),
      9,
    );
  });

  it('by one reading it is faster by four readings, and gulls set it off', () => {
    const then = effectOf(slipway, named(slipway, 'hits').edit);
    const [channel] = slipway.channels;
    const readings = ((channel?.hits ?? 0) - 1) * (channel?.every ?? 0);
    expect((now.slowest ?? 0) - (then.slowest ?? 0)).toBeCloseTo(readings, 3);
    expect(then.fooled).toBeGreaterThan(now.fooled);
  });

  it('latched it acts on and on, takes more, and does not notice who comes next', () => {
    const then = effectOf(slipway, named(slipway, 'latch').edit);
    expect(then.acted).toBeGreaterThan(2 * now.acted);
    expect(then.watts).toBeGreaterThan(now.watts);
    expect(then.noticed).toBeLessThan(now.noticed);
  });

  it('by a relay it acts as often, later by the time the relay takes to pull in, and draws the coil more', () => {
    const { edit } = named(slipway, 'relay');
    const then = effectOf(slipway, edit);
    expect([then.noticed, then.fooled]).toEqual([now.noticed, now.fooled]);
    // A relay board pulls in after 8 ms (its own parameter), and is looked at once a step.
    expect((then.slowest ?? 0) - (now.slowest ?? 0)).toBeGreaterThan(0.006);
    expect((then.slowest ?? 0) - (now.slowest ?? 0)).toBeLessThan(0.012);
    expect(then.watts).toBeGreaterThan(now.watts);
    expect(then.acted).toBeCloseTo(now.acted, 0);
    const done = applyEdit(slipway, edit);
    expect(done.parts.some((p) => p.kind === 'npn-transistor')).toBe(false);
    const found = check(gatherEvidence(done, done.scenes[0]));
    expect(found.filter((f) => f.severity === 'error')).toEqual([]);
  });

  it('a light that is dimmed is not lit through a relay', () => {
    const pontoon = demo('pontoon-walkway-light');
    const lit = effectOf(pontoon);
    const then = effectOf(pontoon, named(pontoon, 'relay').edit);
    expect([lit.noticed, then.noticed]).toEqual([lit.wanted, 0]);
  });

  it('without its controller nothing holds and nothing is counted: gulls set it off, and it takes less', () => {
    const { edit } = named(slipway, 'controller');
    const done = applyEdit(slipway, edit);
    expect(done).toMatchObject({ channels: [], outputs: [], rules: [] });
    expect(done.parts.some((p) => p.kind === 'controller-5v-8bit')).toBe(false);
    const then = effectOf(slipway, edit);
    expect([then.noticed, then.wanted]).toEqual([now.noticed, now.wanted]);
    expect(then.fooled).toBeGreaterThan(now.fooled);
    expect(then.slowest).toBeLessThan(now.slowest ?? 0);
    // Its rule held for 3 s.
    expect(then.acted).toBeLessThan(now.acted - 3);
    expect(then.watts).toBeLessThan(now.watts);
    const found = check(gatherEvidence(done, done.scenes[0]));
    expect(found.filter((f) => f.severity === 'error')).toEqual([]);
  });
});

describe('a line in the program, or at a trimmer', () => {
  const measured = (more: Partial<Channel>): Design =>
    onBoard('signal-generator V', 'V.out U.A0, V.gnd U.GND', {
      ...channel('U.A0', { threshold: 400, hysteresis: 20, ...more }),
      ...pins('U.A0 analogue'),
    });

  it.each(['above', 'below'] as const)('of what trips %s it lies at the same voltage', (trips) => {
    const design = measured({ trips });
    const done = applyEdit(design, named(design, 'line').edit);
    expect(done.channels[0]).toMatchObject({ trips: 'above', threshold: 50 });
    expect(done.controller.pins).toContainEqual({ pin: 'U.A0', mode: 'input' });
    const circuit = new Circuit(done);
    const isHigh = (counts: number): boolean => {
      // The rail is the 5 V that 1,024 counts make up.
      circuit.setParams('V', { mean: (5 * counts) / 1024 });
      return (circuit.solve().parts['U']?.volts['A0'] ?? NaN) > 2.5;
    };
    const steps = [300, 395, 405, 500];
    const there = (trips === 'above' ? steps : [...steps].reverse()).map(isHigh);
    expect(there).toEqual([false, false, true, true]);
  });

  it('of a module is its own, and the way back leads to the same counts', () => {
    const design = onBoard('rain-module B', 'B.VCC U.5V, B.GND U.GND, B.AO U.A0', {
      ...channel('U.A0', { trips: 'below', threshold: 600 }),
      ...pins('U.A0 analogue'),
    });
    const done = applyEdit(design, named(design, 'line').edit);
    expect(done.parts.length).toBe(design.parts.length);
    expect(done.parts.find((p) => p.id === 'B')?.params['turn']).toBeCloseTo(600 / 1023, 2);
    expect(done.wires.map((w) => w.from)).toContain('B.DO');
    const back = applyEdit(done, named(done, 'line').edit);
    expect(Math.abs((back.channels[0]?.threshold ?? 0) - 600)).toBeLessThanOrEqual(1);
    expect(back.channels[0]?.trips).toBe('below');
    // What says yes as long as the pad is dry goes on to do so.
    const dry = { ...done, channels: done.channels.map((c) => ({ ...c, invert: true })) };
    const { channels } = applyEdit(dry, named(dry, 'line').edit);
    expect([channels[0]?.trips, channels[0]?.invert]).toEqual(['above', undefined]);
  });

  it('is no choice where how much is read matters, where a baseline is learnt, or beyond what a comparator tells', () => {
    const lines = (design: Design): string[] =>
      eitherOrs(design).flatMap(({ id }) => (id.startsWith('line') ? [id] : []));
    expect(lines(measured({}))).toHaveLength(1);
    expect(lines(measured({ threshold: 1000 }))).toEqual([]);
    expect(lines(measured({ trips: 'away', threshold: 20 }))).toEqual([]);
    const lamp = demo('workbench-lamp');
    expect(lamp.channels.map((c) => c.id)).toContain('knob');
    expect(lines(lamp)).not.toContain('line knob');
  });
});

describe('a controller, or none', () => {
  const offered = (design: Design): boolean =>
    eitherOrs(design).some(({ id }) => id.startsWith('controller'));
  const [rule] = slipway.rules;

  it.each<[string, Partial<Design>]>([
    ['latches', { rules: [{ ...rule, latch: true }] }],
    ['follows two rules', { rules: [rule, { ...rule, id: 'r9' }] }],
    [
      'dims',
      { rules: [{ ...rule, then: [{ do: 'drive', output: 'horn', drive: { as: 'off' } }] }] },
    ],
  ])('is no choice where the program %s', (_, more) => {
    expect(offered(slipway)).toBe(true);
    expect(offered({ ...slipway, ...more })).toBe(false);
  });
});
