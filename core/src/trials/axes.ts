import { sameParameter, type SweptFacts } from './swept-parameter.js';
import type { Axis } from './study.js';

/** An axis around where a value stands, from half of it to half more, within what is possible. */
export function axisAround({ dial: swept, param, value }: SweptFacts, steps: number): Axis {
  const { min, max, whole } = param;
  const within = (v: number): number => Math.min(max, Math.max(min, v));
  const round = (v: number): number => (whole ? Math.round(v) : Number(v.toPrecision(3)));
  const [from, to] =
    value > 0 ? [value / 2, value * 1.5] : [min, Math.min(max, param.default || 1)];
  const low = within(round(from));
  return { dial: swept, from: low, to: within(Math.max(round(to), whole ? low + 1 : low)), steps };
}

/** The axes that a map begins with: the threshold of the first channel, and how many hits in a row it takes. */
export function firstAxes(sweepable: readonly SweptFacts[], steps: number): Axis[] {
  const hits = sweepable.find((d) => d.dial.of === 'channel' && d.dial.field === 'hits');
  const chosen = hits ? [...sweepable.slice(0, 1), hits] : sweepable.slice(0, 2);
  return chosen.length < 2 ? [] : chosen.map((facts) => axisAround(facts, steps));
}

/** Why two axes make no map; undefined where they do. */
export function axesProblem([across, up]: readonly Axis[]): string | undefined {
  if (!across || !up) return 'The design has no two values to turn yet.';
  if (sameParameter(across.dial, up.dial)) return 'Both sides of the map turn the same value.';
  return [across, up].some((a) => a.from === a.to)
    ? 'Both ends of a side are the same: give two different ones.'
    : undefined;
}
