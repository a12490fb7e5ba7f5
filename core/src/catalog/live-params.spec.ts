/** Every parameter changes something that the rest of the program reckons with; being shown is not enough. */
import { catalog, quantities, restStimulus, surroundings, valuesOf } from './index.js';
import type { Stimulus, Param, Params, PartKind, PartState, SolvedPart } from './index.js';

/** A number for a name, the same each time, between 0 and 1. */
const chance = (name: string): number =>
  [...name].reduce((sum, char) => (sum * 31 + char.charCodeAt(0)) % 997, 7) / 997;

/** A part of which every terminal and inner node has some value of a size. */
const solvedAt = (size: number): SolvedPart => {
  const all = new Proxy<Record<string, number>>(
    {},
    { get: (_, name) => size * (0.5 + chance(String(name))) },
  );
  return { volts: all, amps: all, watts: size };
};
const solved = [0.01, 1, 6, 100, -100].map(solvedAt);

/** Everything at rest, everything felt at once, weakly and strongly, and something right before the sensor. */
const stimuli: Stimulus[] = [
  ...[0, 0.001, 0.03, 0.5].map(
    (share) =>
      Object.fromEntries(
        quantities.map((q) => {
          const { rest, max } = surroundings[q];
          return [q, rest + share * (max - rest)];
        }),
      ) as Stimulus,
  ),
  { ...restStimulus, distance: 0.001 },
];
const states: PartState[] = [restStimulus, ...stimuli].flatMap((stimulus) =>
  [25, 60].map((celsius) => ({ stimulus, celsius, pins: pinsIn('output'), wired: () => true })),
);
states.push({ stimulus: restStimulus, celsius: 25, pins: pinsIn('pull-up'), wired: () => true });

function pinsIn(mode: 'output' | 'pull-up'): PartState['pins'] {
  return new Proxy({}, { get: (_, name) => ({ mode, high: chance(String(name)) > 0.5 }) });
}

/** Words for people: a parameter that shows in nothing else is dead. */
const shown = new Set(['headline', 'because']);

/** What every function of a kind gives with these parameters, as text. */
function observed(kind: PartKind, params: Params): string {
  const found: unknown[] = states.map((state) => kind.elements(params, state));
  const visit = (value: unknown, name: string, facet = ''): void => {
    if (shown.has(name) || name === 'elements' || name === 'inside') return;
    if (typeof value === 'function') return void found.push(called(value, name, facet));
    if (typeof value === 'object' && value !== null)
      for (const [key, inner] of Object.entries(value)) visit(inner, key, name);
  };
  const called = (of: unknown, name: string, facet: string): unknown => {
    const work = of as (...args: unknown[]) => unknown;
    if (name === 'counts')
      return stimuli.flatMap((stimulus) => solved.map((part) => work(stimulus, params, part)));
    // Functions of one argument take parameters, or the solved part where there is nothing to set.
    if (['supply', 'relays', 'melted'].includes(name))
      return solved.map((part) => work(part, params));
    const first = [
      ...['stress', 'intensity', 'works', 'active', 'reference'],
      ...['water', 'air', 'heat', 'electrodes.amps', 'arm.degrees'],
    ].some((one) => one === name || one === `${facet}.${name}`);
    return first || (name === 'inrush' && work.length === 2)
      ? solved.map((part) => work(part, params))
      : work(params);
  };
  visit(kind, '');
  return JSON.stringify(found);
}

/** Other values that a parameter may take. */
function others(param: Param): (number | string)[] {
  if (param.choices) return [...param.choices];
  const { default: usual, min, max } = param;
  return [0.5 * usual, 2 * usual, usual + 1, usual - 1, min, max, (min + max) / 2].filter(
    (v) => v >= min && v <= max && v !== usual,
  );
}

const isLive = (kind: PartKind, param: Param): boolean => {
  const usual = valuesOf(kind.params, {});
  const now = observed(kind, usual);
  return others(param).some((value) => observed(kind, { ...usual, [param.id]: value }) !== now);
};

it.each(catalog.map((kind) => [kind.kind, kind] as const))(
  'the parameters of %s are live',
  (_, kind) => {
    const dead = kind.params.filter((param) => !isLive(kind, param)).map((p) => p.id);
    expect(dead).toEqual([]);
  },
);

it('notices one that is dead, and one that is only shown', () => {
  const dead: Param = { id: 'dead', label: 'Dead', unit: '', default: 1, min: 0, max: 2 };
  const resistor = catalog.find((kind) => kind.resistance);
  if (!resistor) throw new Error('there is no resistor');
  expect(isLive({ ...resistor, params: [...resistor.params, dead] }, dead)).toBe(false);
  const told = { ...resistor, headline: (p: Params) => String(p['dead']) };
  expect(isLive({ ...told, params: [...resistor.params, dead] }, dead)).toBe(false);
});
