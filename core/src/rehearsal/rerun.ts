import type { Channel, Design } from '../design/index.js';
import {
  isDue,
  nextPass,
  nextReading,
  stepLogic,
  type LogicEvent,
  type LogicState,
} from '../logic/index.js';
import type { ReadingNoise } from './reading-noise.js';
import { nextFadeLook } from './recorder.js';
import type { LogicChange } from './traces.js';

/** What a channel read in a pass of the program, before noise, counts; undefined where it read nothing. */
export interface Glance {
  channel: string;
  counts: number | undefined;
  noise: ReadingNoise | undefined;
}

/** A pass of the program in a stretch that comes again. */
export interface Pass {
  /** When, from the beginning of the stretch on, s. */
  after: number;
  read: readonly Glance[];
  /** What came about, see `inWords`. */
  events: string;
  /** The modes of all that switched in the circuit, and whether nothing in it changed any more. */
  modes: readonly number[];
  settled: boolean;
}

/** What the program does in a stretch that comes again. */
export interface Rerun {
  logic: LogicState;
  changes: readonly LogicChange[];
  readings: readonly (readonly [channel: string, t: number, value: number])[];
  /** Of each pass. */
  passes: readonly { t: number; logic: LogicState }[];
}

/** Passes no farther apart than this are at one moment, s. */
const slack = 1e-6;

/** What came about in words that are the same for two passes in which the same did. */
export const inWords = (events: readonly LogicEvent[]): string =>
  events.length === 0 ? '' : JSON.stringify(events);

/** Falling asleep and waking up is no change of the program that is taken down. */
export const told = (events: readonly LogicEvent[]): LogicEvent[] =>
  events.filter(({ kind }) => kind !== 'sleep');

/** When a program reads next after a moment. */
export const soonestReading = ({ channels }: Design, logic: LogicState, t: number): number =>
  Math.min(...channels.map((c) => nextReading(logic, c, t)));

/** When a program does something next after a moment: it reads, is due by the clock, or fades. */
export const nextMoment = (design: Design, logic: LogicState, t: number): number =>
  Math.min(nextPass(logic, t), nextFadeLook(design, logic, t), soonestReading(design, logic, t));

/**
 * Goes through a stretch once more with the program alone: circuit and surroundings do what they did, but for noise.
 *
 * @param t when it begins
 * @param take the next reading of a channel
 * @param stride of so many readings after a wake one is kept
 * @returns nothing where the program would do otherwise than it did: then the circuit does as well
 */
export function rerun(
  design: Design,
  begin: LogicState,
  passes: readonly Pass[],
  t: number,
  take: (glance: Glance) => number | undefined,
  stride = 1,
): Rerun | undefined {
  let logic = begin;
  let now = t;
  const changes: LogicChange[] = [];
  const readings: (readonly [string, number, number])[] = [];
  const done: { t: number; logic: LogicState }[] = [];
  for (const { after, read, events: before } of passes) {
    const at = t + after;
    if (nextMoment(design, logic, now) < at - slack || !readsOnly(design, logic, read, at))
      return undefined;
    const values = new Map<string, number>();
    for (const glance of read) {
      const value = take(glance);
      if (value === undefined) continue;
      values.set(glance.channel, value);
      if (turnOf(design, logic, glance, at) % stride === 0)
        readings.push([glance.channel, at, value]);
    }
    const [next, events] = stepLogic(design, logic, values, at);
    if (inWords(events) !== before) return undefined;
    logic = next;
    now = at;
    const changed = told(events);
    if (changed.length > 0) changes.push({ t: at, logic, events: changed });
    done.push({ t: at, logic });
  }
  return { logic, changes, readings, passes: done };
}

/** Which of its readings since the last wake a channel takes at a moment; one as it wakes is none of them. */
const turnOf = (
  { channels }: Design,
  { awake }: LogicState,
  { channel }: Glance,
  t: number,
): number => {
  const { every = Infinity } = channels.find((c) => c.id === channel) ?? {};
  return awake.asleep ? 0 : Math.round((t - awake.since) / every);
};

/** Whether at a moment those channels are due that were read then. */
function readsOnly(design: Design, logic: LogicState, read: readonly Glance[], t: number): boolean {
  const due = design.channels.filter((c: Channel) => isDue(logic, c, t));
  return due.length === read.length && due.every((c, i) => c.id === read[i]?.channel);
}
