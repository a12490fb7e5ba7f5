import type { Scene } from '../design/index.js';
import { exactBounds, shareDifference, type Share } from '../judge/index.js';
import { triedIn, type Trial } from './trial.js';

/** What many trials of one case come to. */
export interface Score {
  /** Trials that could be rehearsed. */
  nights: number;
  /** Of all wanted happenings in all trials: noticed. */
  noticed: Share;
  /** False triggers of any kind. */
  falses: number;
  /** The same for each trial. */
  falsesPerNight: number;
}

export const falsesIn = ({ outcomes, strays }: Trial): number =>
  strays + Object.values(outcomes).filter((o) => o.outcome === 'fired falsely').length;

/** Sums up trials of one scene in two numbers: how much of what is wanted is noticed, and how often it fires falsely. */
export function scoreOf(trials: readonly Trial[], { happenings }: Scene): Score {
  const done = trials.filter((n) => n.trouble === undefined);
  const wanted = happenings.filter((h) => h.intent === 'wanted').map((h) => h.id);
  const told = done.flatMap((n) => wanted.flatMap((id) => n.outcomes[id] ?? []));
  const falses = done.reduce((sum, trial) => sum + falsesIn(trial), 0);
  return {
    nights: done.length,
    noticed: exactBounds(told.filter((o) => o.outcome === 'noticed').length, told.length),
    falses,
    falsesPerNight: done.length > 0 ? falses / done.length : 0,
  };
}

/** One happening in two states of a design. */
export interface Compared {
  id: string;
  name: string;
  intent: 'wanted' | 'nuisance';
  before: Share;
  after: Share;
  /** After less before, with bounds of about 95 %: more than chance where they leave 0 out. */
  difference: { by: number; low: number; high: number };
  /** Whether it became better or worse by more than chance. */
  became: 'better' | 'worse' | 'no other';
}

/** Holds the trials of two states of a design against each other, happening by happening. */
export function compared(
  before: readonly Trial[],
  after: readonly Trial[],
  { happenings }: Scene,
): Compared[] {
  return happenings.map(({ id, name, intent }) => {
    const outcome = intent === 'wanted' ? 'noticed' : 'fired falsely';
    const share = (trials: readonly Trial[]): Share => {
      const own = triedIn(trials, id);
      return exactBounds(own.filter((o) => o.outcome === outcome).length, own.length);
    };
    const [was, is] = [share(before), share(after)];
    const difference = shareDifference(is, was);
    const good = intent === 'wanted' ? 1 : -1;
    const became = difference.low > 0 ? good : difference.high < 0 ? -good : 0;
    return {
      id,
      name,
      intent,
      before: was,
      after: is,
      difference,
      became: became > 0 ? 'better' : became < 0 ? 'worse' : 'no other',
    };
  });
}
