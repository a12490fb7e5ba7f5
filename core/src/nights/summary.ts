import type { Happening, Scene } from '../design/index.js';
import { exactBounds, upperCount, type Share } from '../judge/index.js';
import { triedIn, type Night } from './night.js';
import { ranking, type Influence } from './ranking.js';
import { falsesIn } from './score.js';

/** How one happening was dealt with over many nights. */
export interface HappeningRecord {
  id: string;
  name: string;
  intent: Happening['intent'];
  /** Of a wanted one: nights in which it was noticed; of a nuisance: in which it fired falsely. With exact bounds. */
  share: Share;
  /** From being felt to something acting, s: of the nights in which it was noticed. */
  delays?: { median: number; most: number; largest: number };
}

/** What many nights tell. */
export interface NightsSummary {
  nights: number;
  /** Nights that could not be rehearsed. */
  troubled: number;
  happenings: HappeningRecord[];
  /** False triggers of any kind, counted over all nights. */
  falses: { count: number; seconds: number; perDay: number; atMostPerDay: number };
  /** What matters, the most telling first; only what is more than chance. */
  influences: Influence[];
  /** Seeds of the worst nights, with what went wrong in them. */
  worst: { seed: number; missed: string[]; fired: string[]; strays: number }[];
}

const perDay = 86_400;
const mostWorst = 8;

/** Sums up nights of one scene. */
export function summarise(nights: readonly Night[], scene: Scene): NightsSummary {
  const done = nights.filter((n) => n.trouble === undefined);
  const count = done.reduce((sum, night) => sum + falsesIn(night), 0);
  const seconds = done.length * scene.duration;
  return {
    nights: done.length,
    troubled: nights.length - done.length,
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

function recordOf({ id, name, intent }: Happening, nights: readonly Night[]): HappeningRecord {
  const own = triedIn(nights, id);
  const told = own.filter((o) => o.outcome === (intent === 'wanted' ? 'noticed' : 'fired falsely'));
  const share = exactBounds(told.length, own.length);
  const delays = told.flatMap((o) => o.delay ?? []).sort((a, b) => a - b);
  if (intent !== 'wanted' || delays.length === 0) return { id, name, intent, share };
  const at = (part: number): number => delays[Math.floor(part * (delays.length - 1))] ?? NaN;
  return { id, name, intent, share, delays: { median: at(0.5), most: at(0.95), largest: at(1) } };
}

function worstOf(nights: readonly Night[], { happenings }: Scene): NightsSummary['worst'] {
  const named = (night: Night, outcome: string): string[] =>
    happenings.filter((h) => night.outcomes[h.id]?.outcome === outcome).map((h) => h.name);
  return nights
    .map((night) => ({
      seed: night.seed,
      missed: named(night, 'missed'),
      fired: named(night, 'fired falsely'),
      strays: night.strays,
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
