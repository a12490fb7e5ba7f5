import type { ReadingSet } from '../design/index.js';
import { formatNominal, type Unit } from '../quantity/index.js';

/** A situation in which no reading was taken, and what to do about it. */
export interface Unmeasured {
  title: string;
  reason: string;
}

type Set = Pick<ReadingSet, 'intent' | 'conditions' | 'name'>;

/** Where conditions count as tried (common practice): lx, °C, share of the highest supply noted. */
const dark = 10;
const sunny = 20_000;
const cold = 5;
const hot = 30;
const low = 0.85;

/**
 * What no set has tried. A condition that was never noted counts as not tried: it may have been, but nobody can
 * tell.
 *
 * @param battery whether the design runs on one
 */
export function unmeasured(sets: readonly Set[], battery: boolean): Unmeasured[] {
  const noted = (key: 'light' | 'temperature' | 'supply' | 'distance'): number[] =>
    sets.flatMap(({ conditions }) => conditions[key] ?? []);
  const [light, temperature, supply] = [noted('light'), noted('temperature'), noted('supply')];
  const distances = sets
    .filter((s) => s.intent === 'wanted')
    .flatMap((s) => s.conditions.distance ?? []);
  const has = (intent: Set['intent']): boolean => sets.some((s) => s.intent === intent);
  const span = (values: number[], unit: Unit): string => {
    if (values.length === 0) return 'None of the sets says.';
    const [low, high] = [Math.min(...values), Math.max(...values)].map((v) =>
      formatNominal(v, unit),
    );
    return `All were taken at ${low === high ? low : `${low} to ${high}`}.`;
  };
  const gaps: (Unmeasured | false)[] = [
    !has('quiet') && {
      title: 'No quiet readings',
      reason: 'Nothing tells how it reads when there is nothing. Capture some with nothing there.',
    },
    !has('wanted') && {
      title: 'No wanted readings',
      reason: 'Nothing tells how far the reading goes. Capture some with the real thing.',
    },
    !has('nuisance') && {
      title: 'Nothing that must not fire',
      reason: 'Capture what could fool it: sun, lamps, animals, slamming doors.',
    },
    has('wanted') &&
      new Set(distances).size < 2 && {
        title: 'One distance only',
        reason: `${span(distances, 'm')} Capture the wanted at the farthest it must be noticed.`,
      },
    !light.some((l) => l <= dark) && {
      title: 'No reading in the dark',
      reason: `${span(light, 'lx')} Capture a set after dark.`,
    },
    !light.some((l) => l >= sunny) && {
      title: 'No reading in the sun',
      reason: `${span(light, 'lx')} Capture a set in full sun, and one with the sun low.`,
    },
    !temperature.some((t) => t <= cold) && {
      title: 'No reading in the cold',
      reason: `${span(temperature, '°C')} Capture a set at ${formatNominal(cold, '°C')} or below.`,
    },
    !temperature.some((t) => t >= hot) && {
      title: 'No reading in the heat',
      reason: `${span(temperature, '°C')} Capture a set at ${formatNominal(hot, '°C')} or above.`,
    },
    battery &&
      !supply.some((v) => v <= low * Math.max(...supply)) && {
        title: 'No reading on a low battery',
        reason: `${span(supply, 'V')} Capture a set with an old battery.`,
      },
  ];
  return gaps.filter((gap): gap is Unmeasured => gap !== false);
}
