import { kindOfCondition } from '../condition/index.js';
import { everyCondition, type Channel, type Design } from '../design/index.js';
import {
  arrival,
  baselineCounts,
  type ChannelState,
  type LogicState,
  type RuleState,
} from '../logic/index.js';
import type { Stretch } from './log-query.js';
import { tail } from './quiescent.js';

/** A baseline that follows counts as back where it began within so many counts: noise moves it that far. */
const sameBaseline = 1;
/** An exponential filter has forgotten a reading after so many times its length: e⁻⁸ of it is left. */
const forgotten = 8;

/**
 * Stretches of a run in which the controller and the circuit were as at its beginning. What happened before such a
 * stretch has no part in what comes after it, provided it lasts as long as anything remembers.
 */
export class Rests {
  private readonly spans: Stretch[] = [];
  private open = false;
  private readonly memory: number;

  constructor(
    private readonly design: Design,
    private readonly begin: LogicState,
    private readonly modes: readonly number[],
  ) {
    this.memory = memoryOf(design);
  }

  /**
   * Takes down how things stand.
   *
   * @param modes of all that switches in the circuit
   * @param still whether the controller runs its program, and nothing in the circuit goes on changing by itself
   */
  look(t: number, logic: LogicState, modes: readonly number[], still: boolean): void {
    const rests =
      still &&
      modes.every((mode, i) => mode === this.modes[i]) &&
      isAtRest(this.design, logic, this.begin, t);
    const last = this.spans.at(-1);
    if (rests && !this.open) this.spans.push({ from: t, to: t });
    else if (last && this.open) last.to = t;
    this.open = rests;
  }

  /** Whether all was forgotten, at some moment, of what had happened until `from`, before `to`. */
  separate(from: number, to: number): boolean {
    return this.spans.some((s) => Math.min(s.to, to) - Math.max(s.from, from) > this.memory);
  }
}

function isAtRest(design: Design, now: LogicState, begin: LogicState, t: number): boolean {
  return (
    design.channels.every((channel) => {
      const [is, was] = [now.channels[channel.id], begin.channels[channel.id]];
      return is && was && rested(channel, is, was, t);
    }) &&
    alike(now.modes, begin.modes, (a, b) => a.mode === b.mode) &&
    alike(now.counters, begin.counters, Object.is) &&
    alike(now.rules, begin.rules, (a, b) => sameRule(a, b, t)) &&
    Object.keys(now.playing).join() === Object.keys(begin.playing).join() &&
    design.outputs.every((output) => {
      const [is, was] = [now.outputs[output.id], begin.outputs[output.id]];
      return is && is.by === was?.by && is.target === was.target && arrival(output, is) <= t;
    })
  );
}

function alike<A>(
  now: Readonly<Record<string, A>>,
  begin: Readonly<Record<string, A>>,
  same: (a: A, b: A) => boolean,
): boolean {
  return Object.entries(begin).every(([id, b]) => {
    const a = now[id];
    return a !== undefined && same(a, b);
  });
}

const sameRule = (now: RuleState, begin: RuleState, t: number): boolean =>
  now.active === begin.active && now.spent === begin.spent && now.locked <= t;

function rested({ baseline }: Channel, now: ChannelState, begin: ChannelState, t: number): boolean {
  const [a, b] = [now, begin].map((s) => baselineCounts(baseline, s.baseline));
  return (
    now.tripped === begin.tripped &&
    now.on === begin.on &&
    now.run === 0 &&
    now.locked <= t &&
    (a === b || Math.abs((a ?? Infinity) - (b ?? Infinity)) <= sameBaseline)
  );
}

/** How long the program remembers what is over, s: what conditions wait for, and readings that filters hold. */
function memoryOf(design: Design): number {
  const conditions = everyCondition(design).map(([, c]) => kindOfCondition(c).waits?.(c) ?? 0);
  const channels = design.channels.map(
    (c) => c.every * (c.filter?.by === 'exponential' ? forgotten * c.filter.n : tail(c)),
  );
  return Math.max(0, ...conditions, ...channels);
}
