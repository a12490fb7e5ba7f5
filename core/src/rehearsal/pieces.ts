import { isNear } from './settling.js';
import type { Trace } from './traces.js';

/** What a trace takes down in a stretch, times from its beginning on. */
export interface Piece {
  times: readonly number[];
  values: readonly number[];
}

/** How long traces are. */
export type Lengths = ReadonlyMap<Trace, number>;
/** What traces have taken down last. */
export type Ends = ReadonlyMap<Trace, number | undefined>;

/** Drawn again is what stands so many times as far from where it stood as counts as the same. */
const drawnAlike = 10;

export const lengthsOf = (traces: readonly Trace[]): Lengths =>
  new Map(traces.map((trace) => [trace, trace.times.length]));

/** What traces have taken down since they were so long, which was at `t`. */
export const piecesSince = (lengths: Lengths, t: number): ReadonlyMap<Trace, Piece> =>
  new Map(
    [...lengths].map(([trace, from]): [Trace, Piece] => [
      trace,
      { times: trace.times.slice(from).map((at) => at - t), values: trace.values.slice(from) },
    ]),
  );

export const endsOf = (traces: readonly Trace[]): Ends =>
  new Map(traces.map((trace) => [trace, trace.values.at(-1)]));

/** Whether what is drawn stands where it stood: only then may it be drawn again, as batteries run down. */
export const standsAt = (drawn: Ends, traces: readonly Trace[]): boolean =>
  traces.every((trace) => {
    const [then = NaN, now = NaN] = [drawn.get(trace), trace.values.at(-1)];
    return Object.is(now, then) || isNear(then, now, drawnAlike);
  });

/** A trace takes down once more what it did, from `t` on. */
export function drawAgain(trace: Trace, piece: Piece | undefined, t: number): void {
  piece?.times.forEach((after) => trace.times.push(t + after));
  trace.values.push(...(piece?.values ?? []));
}
