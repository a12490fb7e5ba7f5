/** How numbers are written for a maker, and read from one. Files, and all that is computed, stay SI with a point. */
export interface Manner {
  decimal: '.' | ',';
  temperature: '°C' | '°F';
  length: 'm' | 'inch';
}

export const plainManner: Manner = { decimal: '.', temperature: '°C', length: 'm' };

let present = plainManner;

/**
 * Chooses how numbers are written from now on. It is told once, where a program or a worker begins: what has been
 * written before stays as it is.
 */
export function writeIn(manner: Manner): void {
  present = manner;
}

/** How numbers are written now. */
export const manner = (): Manner => present;

const inch = 0.0254;
const foot = 0.3048;

/** A value with the unit that the maker wants to see it in, where that is another one. */
export function asWanted(
  value: number,
  unit: string,
): { value: number; label: string } | undefined {
  const { temperature, length } = present;
  if (unit === '°C' && temperature === '°F') return { value: 32 + 1.8 * value, label: '°F' };
  if (unit === 'm' && length === 'inch')
    return Math.abs(value) < foot
      ? { value: value / inch, label: 'in' }
      : { value: value / foot, label: 'ft' };
  return undefined;
}

/**
 * In what an axis of a quantity is drawn: one unit from end to end, with round ticks in it.
 *
 * @returns the unit as it stands beside the axis, and where on it an SI value lies
 */
export function axisIn(unit: string): { unit: string; at: (value: number) => number } {
  const { temperature, length } = present;
  if (unit === '°C' && temperature === '°F') return { unit: '°F', at: (c) => 32 + 1.8 * c };
  if (unit === 'm' && length === 'inch') return { unit: 'ft', at: (m) => m / foot };
  return { unit, at: (value) => value };
}

/** Units in which makers think too, by how they are written: what is measured in them in its SI unit. */
const others: Readonly<Record<string, { unit: string; value: (said: number) => number }>> = {
  '°F': { unit: '°C', value: (said) => (said - 32) / 1.8 },
  '°C': { unit: '°C', value: (said) => said },
  in: { unit: 'm', value: (said) => said * inch },
  ft: { unit: 'm', value: (said) => said * foot },
  cm: { unit: 'm', value: (said) => said / 100 },
};

const spellings: Readonly<Record<string, string>> = {
  '°f': '°F',
  f: '°F',
  fahrenheit: '°F',
  '°c': '°C',
  c: '°C',
  celsius: '°C',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  cm: 'cm',
};

/** What a number means that is said in another unit of its quantity; undefined where it is none, or would be no number. */
export function saidIn(said: number, word: string, unit: string): number | undefined {
  const other = others[spellings[word.trim().toLowerCase()] ?? ''];
  return other?.unit === unit ? other.value(said) : undefined;
}

/** A number with so many digits behind the point, as the maker writes numbers. */
export const decimals = (value: number, digits: number): string =>
  withDecimal(value.toFixed(digits));

/** A number with so many significant digits, as the maker writes numbers. */
export const significant = (value: number, digits: number): string =>
  withDecimal(value.toPrecision(digits));

/** A number rounded to so many significant digits, without padding. */
export const toDigits = (value: number, digits: number): string =>
  withDecimal(String(Number(value.toPrecision(digits))));

/** A number as text with a point, as the maker writes it, with a minus sign and not a hyphen. */
export const withDecimal = (text: string): string => {
  const signed = text.replace(/^-/, '−');
  return present.decimal === '.' ? signed : signed.replace('.', present.decimal);
};
