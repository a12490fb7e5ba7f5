import type { Happening, Scene } from '../design/index.js';
import { exactBounds, upperCount, type Share } from '../judge/index.js';
import { triedIn, type Trial } from './trial.js';
import { ranking, type Influence } from './ranking.js';
import { falsesIn } from './score.js';

/** How one happening was dealt with over many trials. */
export interface HappeningRecord {
  id: string;
  name: string;
  intent: Happening['intent'];
  /** Of a wanted one: trials in which it was noticed; of a nuisance: in which it fired falsely. With exact bounds. */
  share: Share;
  /** From being felt to something acting, s: of the trials in which it was noticed. */
  delays?: { median: number; most: number; largest: number };
}

/** What many trials tell. */
export interface TrialsSummary {
  nights: number;
  /** Trials that could not be rehearsed. */
  troubled: number;
  happenings: HappeningRecord[];
  /** False triggers of any kind, counted over all trials. */
  falses: { count: number; seconds: number; perDay: number; atMostPerDay: number };
  /** What matters, the most telling first; only what is more than chance. */
  influences: Influence[];
  /** Seeds of the worst trials, with what went wrong in them. */
  worst: { seed: number; missed: string[]; fired: string[]; strays: number }[];
}

const perDay = 86_400;
const mostWorst = 8;

/** Sums up trials of one scene. */
export function summarise(trials: readonly Trial[], scene: Scene): TrialsSummary {
  const done = trials.filter((n) => n.trouble === undefined);
  const count = done.reduce((sum, trial) => sum + falsesIn(trial), 0);
  const seconds = done.length * scene.duration;
  return {
    nights: done.length,
    troubled: trials.length - done.length,
    happenings: scene.happenings.map((h) => recordOf(h, done)),
    falses: {
      count,
      seconds,
      perDay: seconds > 0 ? (perDay * count) / seconds : 0,
      atMostPerDay: seconds > 0 ? (perDay * upperCount(count)) / seconds : Infinity,
    },
    influences: ranking(done, scene),
    worst: worstOf(done, scene),
  };
}

function recordOf({ id, name, intent }: Happening, trials: readonly Trial[]): HappeningRecord {
  const own = triedIn(trials, id);
  const told = own.filter((o) => o.outcome === (intent === 'wanted' ? 'noticed' : 'fired falsely'));
  const share = exactBounds(told.length, own.length);
  const delays = told.flatMap((o) => o.delay ?? []).sort((a, b) => a - b);
  if (intent !== 'wanted' || delays.length === 0) return { id, name, intent, share };
  const at = (part: number): number => delays[Math.floor(part * (delays.length - 1))] ?? NaN;
  return { id, name, intent, share, delays: { median: at(0.5), most: at(0.95), largest: at(1) } };
}

function worstOf(trials: readonly Trial[], { happenings }: Scene): TrialsSummary['worst'] {
  const named = (trial: Trial, outcome: string): string[] =>
    happenings.filter((h) => trial.outcomes[h.id]?.outcome === outcome).map((h) => h.name);
  return trials
    .map((trial) => ({
      seed: trial.seed,
      missed: named(trial, 'missed'),
      fired: named(trial, 'fired falsely'),
      strays: trial.strays,
    }))
    .filter((w) => w.missed.length + w.fired.length + w.strays > 0)
    .sort(
      (a, b) =>
        b.missed.length - a.missed.length ||
        b.fired.length + b.strays - a.fired.length - a.strays ||
        a.seed - b.seed,
    )
    .slice(0, mostWorst);
}
