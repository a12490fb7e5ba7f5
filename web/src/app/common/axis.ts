import type { Inks } from './inks';

/** Letters of a chart. */
export const chartFont = (inks: Inks): { family: string; size: number } => ({
  family: inks.mono.replace(/'/g, ''),
  size: 11,
});

/** A chart that stands still and takes the room it is given. */
export const still = { animation: false, responsive: true, maintainAspectRatio: false } as const;

interface Ticks {
  /** What stands beside it, with its unit. */
  title?: string;
  maxTicksLimit?: number;
  stepSize?: number;
  includeBounds?: boolean;
  callback?: (value: string | number) => string;
}

/** How an axis looks: `across` without lines, `up` with one at each tick. */
function axis(inks: Inks, { title, ...ticks }: Ticks, lines: boolean) {
  const text = { color: inks.soft, font: chartFont(inks) };
  return {
    grid: lines ? { color: inks.rule } : { display: false },
    ticks: { ...text, ...ticks },
    title: { display: title !== undefined, text: title ?? '', ...text },
  };
}
export const across = (inks: Inks, ticks: Ticks = {}) => axis(inks, ticks, false);
export const up = (inks: Inks, ticks: Ticks = {}) => axis(inks, ticks, true);

/** Ticks in words. */
export const seconds = (value: string | number): string => `${value} s`;
export const percent = (value: string | number): string => `${Number(value) * 100} %`;

/** Counts, short from five digits on, as there is room for four beside a title: 600k. */
export function shortCounts(value: string | number): string {
  const size = Math.abs(Number(value));
  const step = size < 1e4 ? 0 : Math.floor(Math.log10(size) / 3);
  return `${Number((Number(value) / 1000 ** step).toPrecision(6))}${['', 'k', 'M', 'G'][step] ?? ''}`;
}
