import { parseDuration } from './format-duration.js';
import { manner, saidIn } from './manner.js';
import { prefixExponent } from './si-prefix.js';
import { prefixlessUnits, unitSpellings, type Unit } from './unit.js';

/** Outcome of reading what a maker typed: an SI value, or the reason it cannot be one and the cure. */
export type Parsed = { ok: true; value: number } | { ok: false; reason: string };

const plainNumber = /^([+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?)\s*(.*)$/i;
const infix = /^([+-]?\d+)(meg|[pnuµμmkKMGR])(\d+)\s*(.*)$/;

const refuse = (reason: string): Parsed => ({ ok: false, reason });

/**
 * Reads a quantity the way makers write it: "4k7", "4.7k", "4700", "4,7 k", "220 µF", "0R22", "1.5 nF".
 *
 * @param text what was typed
 * @param unit the unit the value must have; it may be left out of the text
 * @returns the SI value, or a reason with a cure. Never throws.
 * @example parseQuantity('4k7', 'Ω') // { ok: true, value: 4700 }
 */
export function parseQuantity(text: string, unit: Unit): Parsed {
  const trimmed = text
    .trim()
    .replace(/−/g, '-')
    .replace(/\u00a0/g, ' ');
  if (trimmed === '') return refuse(`Type a value${unit ? ` in ${unit}` : ''}.`);
  const { decimal } = manner();
  const pointed = decimal === ',' ? swapped(trimmed) : trimmed;
  const ambiguous = /^[+-]?\d{1,3},\d{3}(\D|$)/.exec(pointed);
  if (ambiguous && !pointed.startsWith('0')) {
    const digits = trimmed.replace(/[^\d.,].*$/, '');
    const [one, other] = [digits.replace(/[.,]/, decimal), digits.replace(/[.,]/, '')];
    return refuse(`"${digits}" may mean ${one} or ${other}; write one of those.`);
  }
  const dotted = pointed.replace(/(\d),(\d)/, '$1.$2');
  const duration = unit === 's' ? parseDuration(dotted) : undefined;
  if (duration !== undefined && Number.isFinite(duration)) return { ok: true, value: duration };
  return parseInfix(dotted, unit) ?? parsePlain(dotted, text, unit);
}

/** Points for commas and commas for points. */
const swapped = (text: string): string =>
  text.replace(/[.,]/g, (mark) => (mark === ',' ? '.' : ','));

/** "4k7", "0R22", "2n2F": the prefix letter stands where the decimal point would. */
function parseInfix(text: string, unit: Unit): Parsed | undefined {
  const match = infix.exec(text);
  if (!match) return undefined;
  const [, whole, letter = '', fraction, rest = ''] = match;
  if (letter === 'R' && unit !== 'Ω') return undefined;
  if (prefixlessUnits.has(unit) || (rest !== '' && !isUnit(rest, unit))) return undefined;
  const exponent = letter === 'R' ? 0 : prefixExponent[letter];
  return { ok: true, value: Number(`${whole}.${fraction}e${exponent}`) };
}

function parsePlain(text: string, typed: string, unit: Unit): Parsed {
  const match = plainNumber.exec(text);
  if (!match) {
    return refuse(`"${typed.trim()}" is not a number. Write for example ${exampleFor(unit)}.`);
  }
  const [, digits = '', tail = ''] = match;
  const other = inOtherUnit(Number(digits), tail, unit);
  if (other) return other;
  const exponent = tailExponent(tail, unit);
  if (exponent === undefined) {
    return refuse(
      `"${tail}" is not ${unit ? `a way to write ${unit}` : 'expected here'}. Write for example ${exampleFor(unit)}.`,
    );
  }
  const value = scaled(digits, exponent);
  return Number.isFinite(value) ? { ok: true, value } : refuse(`"${typed.trim()}" is too large.`);
}

/** What is said in Fahrenheit, inches, feet or centimetres, or without a unit by whoever thinks in those. */
function inOtherUnit(said: number, tail: string, unit: Unit): Parsed | undefined {
  const { temperature, length } = manner();
  const value = saidIn(said, tail === '' && unit === '°C' ? temperature : tail, unit);
  if (value !== undefined) return { ok: true, value };
  if (tail === '' && unit === 'm' && length === 'inch' && said !== 0)
    return refuse(`${said} of what? Write ${said} in, ${said} ft or ${said} m.`);
  return undefined;
}

/** Appends the exponent as text, so that 4.7 k is exactly the same number as 4700. */
function scaled(digits: string, exponent: number): number {
  return /e/i.test(digits) ? Number(digits) * 10 ** exponent : Number(`${digits}e${exponent}`);
}

function tailExponent(tail: string, unit: Unit): number | undefined {
  if (tail === '' || isUnit(tail, unit)) return 0;
  if (unit === 'Ω' && tail === 'R') return 0;
  if (prefixlessUnits.has(unit)) return undefined;
  const match = /^(Meg|meg|[pnuµμmkKMG])\s*(.*)$/.exec(tail);
  if (!match) return undefined;
  const [, prefix = '', rest = ''] = match;
  return rest === '' || isUnit(rest, unit) ? prefixExponent[prefix] : undefined;
}

function isUnit(text: string, unit: Unit): boolean {
  const word = text.trim();
  if (word === unit || unitSpellings[word.toLowerCase()] === unit) return true;
  return unit === 'Ω' && (word === 'Ω' || word === '\u2126');
}

function exampleFor(unit: Unit): string {
  if (unit === 'Ω') return '4k7, 4.7k or 4700';
  if (unit === 'counts') return '412';
  if (unit === 's') return '4.7, 250 ms or 1 h 30 min';
  return prefixlessUnits.has(unit) ? `4.7${unit ? ` ${unit}` : ''}` : `4.7 or 4.7 m${unit}`;
}
