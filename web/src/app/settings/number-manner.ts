import { plainManner, writeIn, type Manner } from '@yurei/core/quantity';

const key = 'yurei.numbers';

const allowed: { readonly [K in keyof Manner]: readonly Manner[K][] } = {
  decimal: ['.', ','],
  temperature: ['°C', '°F'],
  length: ['m', 'inch'],
};

/** As numbers are written where the browser stands. */
function usual(): Manner {
  const parts = new Intl.NumberFormat(navigator.language).formatToParts(1.5);
  const decimal = parts.find((p) => p.type === 'decimal')?.value === ',' ? ',' : '.';
  return { ...plainManner, decimal };
}

/** How this browser's maker wants numbers: what was chosen, else what is usual; what is kept and makes no sense is not heeded. */
export function keptManner(): Manner {
  let kept: Partial<Record<keyof Manner, unknown>> = {};
  try {
    kept = (JSON.parse(localStorage.getItem(key) ?? '{}') ?? {}) as typeof kept;
  } catch {
    // As usual, then.
  }
  const take = <K extends keyof Manner>(name: K, otherwise: Manner[K]): Manner[K] =>
    allowed[name].find((choice) => choice === kept[name]) ?? otherwise;
  const { decimal, temperature, length } = usual();
  return {
    decimal: take('decimal', decimal),
    temperature: take('temperature', temperature),
    length: take('length', length),
  };
}

/** Keeps how numbers are wanted; they are written so from the next start on. */
export function keepManner(change: Partial<Manner>): void {
  localStorage.setItem(key, JSON.stringify({ ...keptManner(), ...change }));
}

/** Writes numbers as they are wanted, from now on. */
export const useKeptManner = (): void => writeIn(keptManner());
