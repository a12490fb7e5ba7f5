import { formatDuration, formatExactDuration } from './format-duration.js';
import { asWanted, withDecimal } from './manner.js';
import { prefixForExponent } from './si-prefix.js';
import { prefixlessUnits, type Unit } from './unit.js';

/** Times from here on are told in minutes, hours and days, s. */
const longTime = 120;

/**
 * Writes a value in engineering notation with its unit: 4700 Ω → "4.70 kΩ"; long times as people say them: "1 h 30 min".
 *
 * @param value in SI units; not finite values give "–"
 * @param unit label, also decides whether a prefix may be used
 * @param digits significant digits, 3 unless said otherwise
 * @returns text with a no-break space before the unit
 * @example formatQuantity(0.0118, 'A') // "11.8 mA"
 */
export function formatQuantity(value: number, unit: Unit, digits = 3): string {
  if (unit === 's' && Math.abs(value) >= longTime && Number.isFinite(value))
    return formatDuration(value);
  const seen = Math.abs(value) < (smallest[unit] ?? beyondPrefixes) ? 0 : value;
  const write = unit === 'counts' ? whole : (scaled: number) => scaled.toPrecision(digits);
  return format(seen, unit, write);
}

/**
 * Writes a value a maker chose, without padding: 10000 Ω → "10 kΩ", 4700 Ω → "4.7 kΩ".
 * Six significant digits are kept, so typed values come back as typed; long times are told to the second.
 *
 * @example formatNominal(10000, 'Ω') // '10 kΩ'
 */
export function formatNominal(value: number, unit: Unit): string {
  if (unit === 's' && value >= longTime && Number.isSafeInteger(value))
    return formatExactDuration(value);
  return format(value, unit, (scaled) => String(Number(scaled.toPrecision(6))));
}

/** A reading has no fraction of a count. */
const whole = (counts: number): string => String(Math.round(counts));

/** A thousandth of the smallest prefix: nothing has a name there. */
const beyondPrefixes = 1e-15;

/** What no meter on a bench resolves shows as 0, so that rounding dust does not pass for a reading. */
const smallest: Partial<Record<Unit, number>> = { V: 1e-5, A: 1e-12, W: 1e-9 };

function format(value: number, unit: Unit, write: (scaled: number) => string): string {
  if (!Number.isFinite(value)) return '–';
  const wanted = asWanted(value, unit);
  if (wanted) return `${withDecimal(tidy(write(wanted.value)))}\u00a0${wanted.label}`;
  const exponent = prefixlessUnits.has(unit) ? 0 : engineeringExponent(value, write);
  const scaled = value / 10 ** exponent;
  const text = withDecimal(tidy(write(scaled)));
  const label = `${prefixForExponent[exponent]}${unit}`;
  return label === '' ? text : unit === '°' ? `${text}°` : `${text}\u00a0${label}`;
}

/** The multiple of three whose prefix leaves 1…999 before the point, also after rounding (999.9 → 1.00 k). */
function engineeringExponent(value: number, write: (scaled: number) => string): number {
  const size = Math.abs(value);
  if (size === 0) return 0;
  const clamp = (e: number): number => Math.min(9, Math.max(-12, e));
  const exponent = clamp(Math.floor(Math.log10(size) / 3) * 3);
  const rounded = Math.abs(Number(write(size / 10 ** exponent)));
  return rounded >= 1000 ? clamp(exponent + 3) : exponent;
}

/** toPrecision may answer "1.20e+3" or "-0.00": write those plainly. */
function tidy(text: string): string {
  const plain = text.includes('e') ? String(Number(text)) : text;
  return Number(plain) === 0 ? '0' : plain.replace('-', '−');
}
