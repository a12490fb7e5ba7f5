import { formatQuantity } from '../quantity/index.js';
import type { Compared } from './compare.js';
import type { Performance } from './performance.js';

/** By what sensors are ranked, and how much each counts to the maker: 0 for not at all. */
export const criteria = [
  { id: 'quiet', label: 'stays quiet' },
  { id: 'clear', label: 'a clear signal' },
  { id: 'fast', label: 'fast' },
  { id: 'current', label: 'little current' },
  { id: 'simple', label: 'few parts' },
  { id: 'cheap', label: 'low price' },
] as const;
export type Criterion = (typeof criteria)[number]['id'];
export type Weights = Readonly<Record<Criterion, number>>;

/** All count alike. */
export const evenWeights: Weights = {
  quiet: 1,
  clear: 1,
  fast: 1,
  current: 1,
  simple: 1,
  cheap: 1,
};

/** A signal so many standard deviations over the noise could not be clearer. */
const clearEnough = 10;
/** What makes no difference to a maker: delay, s, and current, A. */
const instant = 0.1;
const trickle = 1e-3;
const priceMarks: Readonly<Record<Compared['price'], number>> = {
  'under 1': 1,
  '1 to 5': 2 / 3,
  '5 to 20': 1 / 3,
  'over 20': 0,
};

/** A sensor with its place: of those that notice all that must be, then of the others. */
export interface Ranked extends Compared {
  /** Whether it notices all that must be noticed. */
  serves: boolean;
  /** 0 to 1, by the weights. */
  mark: number;
  marks: Partial<Record<Criterion, number>>;
}

const noticed = ({ dealt }: Performance): number =>
  dealt.filter((d) => d.intent === 'wanted' && d.outcome === 'noticed').length;

const slowest = ({ dealt }: Performance): number | undefined => {
  const delays = dealt.flatMap((d) => (d.outcome === 'noticed' ? (d.delay ?? 0) : []));
  return delays.length > 0 ? Math.max(...delays) : undefined;
};

/** Nuisances of the brief that make it fire. */
export const fooledBy = ({ dealt }: Performance): string[] =>
  dealt.filter((d) => d.outcome === 'fired falsely').map((d) => d.name);

/**
 * Ranks sensors by the maker's weights: those that notice all first, of these those with nothing wrong, then those that
 * notice more of it, then by mark. Each criterion is marked from 0 to 1; delay and current by their ratio to the best that
 * serves.
 */
export function rank(all: readonly Compared[], weights: Weights): Ranked[] {
  const built = all.flatMap((c) => c.does ?? []);
  const wanted = Math.max(0, ...built.map(({ dealt }) => musts(dealt)));
  const serving = built.filter((does) => wanted > 0 && noticed(does) === wanted);
  const best = {
    delay: Math.min(...serving.map((does) => slowest(does) ?? Infinity)),
    amps: Math.min(...serving.map(({ amps }) => amps)),
  };
  const share = Object.values(weights).reduce((sum, w) => sum + w, 0);
  return all
    .map((compared): Ranked => {
      const { does } = compared;
      if (!does) return { ...compared, serves: false, mark: 0, marks: {} };
      const marks = marksOf(compared, does, best);
      const weighed = criteria.reduce((sum, { id }) => sum + weights[id] * marks[id], 0);
      return { ...compared, serves: serving.includes(does), marks, mark: weighed / (share || 1) };
    })
    .sort(
      (a, b) =>
        Number(b.serves) - Number(a.serves) ||
        Number(isSound(b)) - Number(isSound(a)) ||
        (b.does ? noticed(b.does) : -1) - (a.does ? noticed(a.does) : -1) ||
        b.mark - a.mark,
    );
}

/** Nothing is wrong with it; of those that do not serve it does not matter. */
const isSound = ({ serves, does }: Ranked): boolean => !serves || does?.wrong.length === 0;

const musts = (dealt: Performance['dealt']): number =>
  dealt.filter((d) => d.intent === 'wanted').length;

function marksOf(
  { price }: Compared,
  does: Performance,
  best: { delay: number; amps: number },
): Record<Criterion, number> {
  const { dealt, spurious, signal, amps, around } = does;
  const nuisances = dealt.filter((d) => d.intent === 'nuisance').length;
  const fooled = fooledBy(does).length / Math.max(1, nuisances);
  const delay = slowest(does);
  const ratio = (least: number, own: number, floor: number): number =>
    Number.isFinite(least) ? Math.min(1, (least + floor) / (own + floor)) : 0;
  return {
    quiet: spurious > 0 ? 0 : 1 - fooled,
    clear: Math.min(1, Math.max(0, (signal?.overNoise ?? 0) / clearEnough)),
    fast: delay === undefined ? 0 : ratio(best.delay, delay, instant),
    current: ratio(best.amps, amps, trickle),
    simple: 1 / (1 + around.length / 2),
    cheap: priceMarks[price],
  };
}

/** In words, with its numbers, why a sensor stands where it does. */
export function reasonOf({ refused, does }: Compared): string {
  if (!does) return refused ?? '';
  const { dealt, spurious, wrong, onContact } = does;
  const missed = dealt.filter((d) => d.intent === 'wanted' && d.outcome !== 'noticed');
  const [first] = missed;
  if (first) return `${first.name}: ${first.because}`;
  const delay = slowest(does);
  const fooled = fooledBy(does);
  const nuisances = dealt.filter((d) => d.intent === 'nuisance');
  const quiet = nuisances.filter((d) => d.outcome === 'quiet').length;
  const unfelt = nuisances.filter((d) => (d.outcome ?? 'not tried') === 'not tried').length;
  return [
    `Notices ${musts(dealt)} of ${musts(dealt)}${delay === undefined ? '' : `, within ${formatQuantity(delay, 's')}`}.`,
    ...(onContact ? ['Only what is at its very place.'] : []),
    ...(spurious > 0 ? ['Fires with nothing there.'] : []),
    ...(fooled.length > 0 ? [`Fooled by: ${fooled.join(', ')}.`] : []),
    ...(quiet > 0 ? [`Stays quiet with ${quiet} of ${nuisances.length}.`] : []),
    ...(wrong.length > 0 ? [`Mind: ${wrong.join('; ')}.`] : []),
    ...(unfelt > 0 ? [`Does not feel ${unfelt} of them.`] : []),
  ].join(' ');
}
