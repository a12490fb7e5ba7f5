import type { Transient } from './transient.js';

/** Change of a cycle's drift that is let pass in one extrapolation, against the size of a state. */
const relative = 1e-4;
/** Cycles run one after another before the first extrapolation, and the longest one. */
const settling = 3;
const longestExtrapolation = 5000;

export interface Cycles {
  /** Length of one, s. */
  period: number;
  count: number;
  /** Runs one from `start` to `start + period`: advances, changes values, restarts. The same every time. */
  cycle: (start: number) => void;
}

export interface CyclesDone {
  /** Cycles run step by step, also those run twice because an extrapolation was too long. */
  run: number;
  /** Cycles extrapolated over. */
  extrapolated: number;
}

/**
 * Runs a cycle many times where nothing but slow drift tells one from the next (a controller that
 * sleeps and wakes, a battery that runs down): runs one, takes what it added to every state as the
 * slope, extrapolates over many, and runs one again to see that the slope still holds.
 *
 * Envelope following: Petzold, "An efficient numerical method for highly oscillatory ordinary
 * differential equations", SIAM Journal on Numerical Analysis 18 (1981); second order by Heun's rule.
 */
export function runCycles(transient: Transient, { period, count, cycle }: Cycles): CyclesDone {
  const { system } = transient.network;
  const begin = transient.t;
  let done = 0;
  let run = 0;
  let extrapolated = 0;
  let span = 1;
  /** Runs one cycle and returns what it added to each state. */
  const once = (): Float64Array => {
    const start = system.q.slice();
    cycle(begin + done * period);
    done += 1;
    run += 1;
    return system.q.map((q, s) => q - start[s]);
  };
  while (done < count && !transient.halt) {
    const added = once();
    const left = count - done;
    if (run < settling || left < 2 || transient.halt) {
      transient.cycled(1);
      continue;
    }
    const size = Math.min(span, left - 1, longestExtrapolation);
    const from = system.q.slice();
    const modes = transient.network.remember().modes.join();
    transient.extrapolateTo(
      begin + (done + size) * period,
      from.map((q, s) => q + size * added[s]),
    );
    const before = done;
    done += size;
    const probed = once();
    const steady = transient.network.remember().modes.join() === modes;
    const error = steady ? drift(system.tolerance, from, added, probed, size) : Infinity;
    if (error > 1 && size > 1) {
      // Back to before the extrapolation; what the probe saw does not count.
      transient.cycled(0);
      transient.extrapolateTo(begin + before * period, from);
      done = before;
      span = Math.max(1, Math.floor(size / 4));
      continue;
    }
    // Heun: the mean of both slopes over the extrapolation.
    const states = system.q.map((q, s) => q + (size * (probed[s] - added[s])) / 2);
    transient.extrapolateTo(begin + done * period, states);
    transient.cycled(size + 2);
    extrapolated += size;
    span = Math.max(1, Math.floor(size * Math.min(4, error > 0 ? 0.9 / Math.sqrt(error) : 4)));
  }
  return { run, extrapolated };
}

/** How far the slope has changed over an extrapolation, in units of what is allowed. */
function drift(
  tolerance: Float64Array,
  states: Float64Array,
  before: Float64Array,
  after: Float64Array,
  size: number,
): number {
  let worst = 0;
  for (let s = 0; s < states.length; s++) {
    const error = (size * Math.abs(after[s] - before[s])) / 2;
    worst = Math.max(worst, error / (tolerance[s] + relative * Math.abs(states[s])));
  }
  return worst;
}
