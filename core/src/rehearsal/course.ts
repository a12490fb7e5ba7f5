import type { SolvedPart, Stimulus } from '../catalog/index.js';
import type { Halt, Solution } from '../circuit/index.js';
import type { LogicState } from '../logic/index.js';

/** A circuit that is taken through a scene: in time, or settled at each moment. */
export interface Course {
  /** Why it is not followed any further; undefined while it is. */
  readonly halt: Halt | undefined;
  /** The modes of all that switches in the circuit. */
  readonly modes: number[];
  /** Whether nothing in the circuit changes any more unless something outside of it does; charges of batteries may. */
  readonly settled: boolean;
  /** Until when it is all the same that they do, s. */
  readonly settledUntil: number;
  /** When something ends after `t` that the program has set going, as a message that is sent, s. */
  ends(logic: LogicState, t: number): number;
  /**
   * Goes on to a moment, or to an earlier one that the controller is to know of: a pin that is watched for an edge has
   * turned, or its supply has come or gone.
   *
   * @returns the moment that is reached
   */
  go(t: number, logic: LogicState, driven: boolean): number;
  /**
   * Takes the circuit to a moment, not before the last, with the outputs as the controller has them from then on.
   *
   * @param driven whether the controller drives its pins at all
   */
  at(t: number, logic: LogicState, driven: boolean): void;
  /** Everything as it stands; while outputs are dimmed volts, and parts that act, as their mean over a period. */
  present(): Solution;
  /** A part as it stands, or as its mean over a period while outputs are dimmed: undefined until there is one. */
  solvedNow(part: string): SolvedPart | undefined;
  /**
   * What each channel reads now, before rounding; channels on a pin without voltage read nothing.
   *
   * @param wanted the channels that matter; all when left out
   */
  exact(wanted?: (channel: string) => boolean): ReadonlyMap<string, number>;
  /** What a part senses now of a quantity. */
  stimulusOf(part: string): Stimulus;
  /** What a part senses now, by quantity; undefined for one that senses nothing. */
  perceivedBy(part: string): Partial<Stimulus> | undefined;
  /** Whether every sensor meets the same at other moments as it does now. */
  hasSameStimuliAt(times: readonly number[]): boolean;
}
