import { Solver } from 'odex';
import type { Element } from '../../element/index.js';

/** One way in which a circuit that switches goes on, with its equations written out by hand. */
export interface Regime {
  f: (t: number, y: number[]) => number[];
  /** The watched voltage from time and states. */
  out: (t: number, y: number[]) => number;
  /** What ends it once it is above 0. */
  ends?: (t: number, y: number[]) => number;
  /** How long it lasts where time alone ends it, s. */
  lasts?: number;
  /** The regime after it; the next in order when left out. */
  then?: number;
}

/** A circuit that switches, and its regimes in order. */
export interface HybridCase {
  elements: Element[];
  watch: string;
  until: number;
  y0: number[];
  regimes: Regime[];
}

/** It is looked so often in all whether a regime has ended, and three times as finely again where it has. */
const looks = 2000;
const refinements = 3;

interface Point {
  t: number;
  y: number[];
}

/** From a point on, to be asked at ascending times only. */
const follow = ({ f }: Regime, { t, y }: Point): ((s: number) => number[]) =>
  new Solver(f, y.length, {
    absoluteTolerance: 1e-9,
    relativeTolerance: 1e-9,
    maxSteps: 1e6,
  }).integrate(t, y);

/** Where a regime that lasts at `low` ends before `high`. */
function end(regime: Regime, low: Point, high: number, depth = refinements): Point {
  const states = follow(regime, low);
  let last = low;
  for (let i = 1; i <= 100; i++) {
    const t = low.t + ((high - low.t) * i) / 100;
    const y = states(t);
    if (regime.ends && regime.ends(t, y) > 0)
      return depth > 0 ? end(regime, last, t, depth - 1) : { t, y };
    last = { t, y };
  }
  return last;
}

/**
 * The watched voltage at ascending times by odex, regime by regime.
 *
 * @returns values at those times, and the moments at which one regime followed another
 */
export function integrate({ until, y0, regimes }: HybridCase, times: readonly number[]) {
  const moments = [...times, ...Array.from({ length: looks }, (_, i) => (until * (i + 1)) / looks)];
  const at = new Map<number, number>();
  const switches: number[] = [];
  let [k, point, begin] = [0, { t: 0, y: y0 }, 0];
  let states = follow(regimes[0], point);
  for (const t of [...new Set(moments)].sort((a, b) => a - b)) {
    for (;;) {
      const regime = regimes[k];
      const due = begin + (regime.lasts ?? Infinity);
      const reached = t > point.t ? states(t) : point.y;
      if (t >= due) point = { t: due, y: follow(regime, point)(due) };
      else if (regime.ends && regime.ends(t, reached) > 0)
        point = t > point.t ? end(regime, point, t) : point;
      else {
        point = { t, y: reached };
        break;
      }
      begin = point.t;
      switches.push(begin);
      k = regime.then ?? k + 1;
      states = follow(regimes[k], point);
    }
    at.set(t, regimes[k].out(t, point.y));
  }
  return { values: times.map((t) => at.get(t) ?? NaN), switches };
}
