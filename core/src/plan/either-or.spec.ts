import { check, gatherEvidence } from '../check/index.js';
import { applyEdit, type Design } from '../design/index.js';
import { rehearse } from '../rehearsal/index.js';
import { demo } from '../testing/demo.js';
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
    'latch',
    'relay',
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
});
