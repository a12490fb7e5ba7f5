import type { Span } from '../scene/index.js';
import type { PeakStress } from '../circuit/index.js';
import type { Outage } from './supervisor.js';
import type { ActingChange, LogicChange, Trace } from './traces.js';
import type { Trouble } from './trouble.js';
import type { Verdict } from './verdict.js';

/** Everything that came of rehearsing one scene. */
export interface Rehearsal {
  scene: string;
  seed: number;
  duration: number;
  /** Whether the circuit was followed in time, or taken as settled at each moment. */
  circuit: 'in time' | 'settled';
  /** Counts by channel id, one value per reading. */
  readings: Record<string, Trace>;
  /** What sensors met, in the unit of the quantity, by part id and quantity: `"B1 light"`. */
  felt: Record<string, Trace>;
  /** Volts by net id. */
  nets: Record<string, Trace>;
  /** Share of the time on, 0 … 1, by output id. */
  outputs: Record<string, Trace>;
  /** Power that all sources together give, W; a dimmed output counts by its share of the time. */
  watts: Trace;
  /** Every so many readings one is kept where nothing happens: 1 but in very long scenes. */
  keptEvery: number;
  /** Which relays are pulled in, 0 or 1, by part id and the relay's name: `"K1 relay 2"`. */
  relays: Record<string, Trace>;
  /** How often each relay has pulled in, by part id and the relay's name. */
  relayOperations: Record<string, Record<string, number>>;
  /** Charge that went through electrodes one way less the other, A·s by part, as far as it was followed in time. */
  electrolysed: Record<string, number>;
  /** When the controller did not run its program. */
  outages: Outage[];
  /** From when to when the controller slept, s. */
  asleep: { from: number; to: number }[];
  /** When nobody hears a radio. */
  jams: Span[];
  acting: ActingChange[];
  logic: LogicChange[];
  verdicts: Verdict[];
  /** What went wrong electrically, as far as it was followed in time. */
  troubles: Trouble[];
  /** The hardest moment of each part that came near a rating, as far as it was followed in time. */
  stresses: PeakStress[];
  /** Times at which something fired that nothing that happens has brought about. */
  spurious: number[];
  solves: number;
  /** Where and why a run in time ended before the scene did: what comes after has no verdicts. */
  halted?: { t: number; because: string };
}

/** How a scene came out, without a record of how. */
export type Outcomes = Pick<Rehearsal, 'verdicts' | 'spurious' | 'halted'>;

/** What a scene used up. */
export interface Used extends Pick<Rehearsal, 'relayOperations' | 'outages'> {
  /** The share of what it holds at most that each battery has given; below 0 where it was charged. */
  charges: { part: string; share: number }[];
}
