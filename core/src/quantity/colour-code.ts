/** Colour bands of IEC 60062:2016, table 1. */
export const bandColours = [
  'black',
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'violet',
  'grey',
  'white',
] as const;

export type BandColour = (typeof bandColours)[number] | 'gold' | 'silver' | 'pink';

const multiplierColours: Partial<Record<BandColour, number>> = { gold: -1, silver: -2, pink: -3 };

const toleranceColour: ReadonlyArray<readonly [number, BandColour]> = [
  [0.0002, 'grey'],
  [0.0005, 'orange'],
  [0.001, 'violet'],
  [0.0025, 'blue'],
  [0.005, 'green'],
  [0.01, 'brown'],
  [0.02, 'red'],
  [0.05, 'gold'],
  [0.1, 'silver'],
];

/**
 * The bands of a resistor.
 *
 * @param ohms resistance, 0.01 Ω up to 999 GΩ
 * @param tolerance as a fraction, 0.05 for 5 %
 * @returns two figures, multiplier and tolerance from 5 % up; three figures at 2 % and closer
 * @throws RangeError when value or tolerance has no code
 * @example colourBands(4700, 0.05) // ['yellow', 'violet', 'red', 'gold']
 */
export function colourBands(ohms: number, tolerance: number): BandColour[] {
  const last = toleranceColour.find(([t]) => Math.abs(t - tolerance) < 1e-9);
  if (!last) throw new RangeError(`A tolerance of ${tolerance * 100} % has no colour.`);
  const figures = tolerance <= 0.02 ? 3 : 2;
  let exponent = Math.floor(Math.log10(ohms)) - figures + 1;
  let digits = Math.round(ohms / 10 ** exponent);
  if (digits >= 10 ** figures) {
    digits /= 10;
    exponent += 1;
  }
  const multiplier = multiplierBand(exponent);
  if (!(ohms > 0) || !multiplier) throw new RangeError(`${ohms} Ω has no colour code.`);
  const figureBands = [...String(digits)].flatMap((d) => bandColours[Number(d)] ?? []);
  return [...figureBands, multiplier, last[1]];
}

function multiplierBand(exponent: number): BandColour | undefined {
  if (exponent >= 0) return bandColours[exponent];
  return (['gold', 'silver', 'pink'] as const)[-exponent - 1];
}

/**
 * Reads bands back to a value.
 *
 * @returns ohms and tolerance as a fraction
 * @throws RangeError when a colour stands where it has no meaning
 * @example readBands(['yellow', 'violet', 'red', 'gold']).ohms // 4700
 */
export function readBands(bands: readonly BandColour[]): { ohms: number; tolerance: number } {
  const figures = bands.slice(0, -2).map((b) => bandColours.indexOf(b as never));
  const [multiplier, last] = bands.slice(-2);
  const small = multiplier && multiplierColours[multiplier];
  const exponent = small ?? bandColours.indexOf(multiplier as never);
  const tolerance = toleranceColour.find(([, colour]) => colour === last);
  if (figures.length < 2 || figures.includes(-1) || exponent < -3 || !tolerance) {
    throw new RangeError(`The bands ${bands.join(', ')} are no resistor value.`);
  }
  if (small === undefined && exponent < 0) {
    throw new RangeError(`${multiplier} is no multiplier.`);
  }
  return { ohms: Number(`${figures.join('')}e${exponent}`), tolerance: tolerance[0] };
}
