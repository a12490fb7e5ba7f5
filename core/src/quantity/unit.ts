/** Units of the quantities a maker types or reads. Values are SI throughout; the unit only labels them. */
export type Unit =
  | 'Ω'
  | 'V'
  | 'A'
  | 'W'
  | 'F'
  | 'H'
  | 'J'
  | 'S/m'
  | 'A·h'
  | 'A²·s'
  | 'K'
  | 'T'
  | 'V/s'
  | 'm²'
  | 's'
  | 'Hz'
  | 'm'
  | 'm/s'
  | 'lx'
  | 'W/m²'
  | 'W/sr/A'
  | 'A·m²/W'
  | '°'
  | '°C'
  | 'dB'
  | 'dB/m'
  | 'N'
  | 'kg'
  | 'Pa'
  | '%'
  | 'ppm'
  | '1/m'
  | '1/m²'
  | '1/s'
  | 'm³'
  | 'm³/s'
  | 'm/s²'
  | 'L/min'
  | 'V/N'
  | 'V/T'
  | 'V/Pa'
  | 'V·s²/m'
  | 'cd'
  | 'counts'
  | 'bit'
  | '×'
  | '';

/** Other ways a maker writes a unit, folded to lower case; each stands for the unit on the right. */
export const unitSpellings: Readonly<Record<string, Unit>> = {
  ohm: 'Ω',
  ohms: 'Ω',
  ω: 'Ω',
  volt: 'V',
  volts: 'V',
  amp: 'A',
  amps: 'A',
  watt: 'W',
  watts: 'W',
  farad: 'F',
  henry: 'H',
  sec: 's',
  second: 's',
  seconds: 's',
  hertz: 'Hz',
  lux: 'lx',
  metre: 'm',
  metres: 'm',
  deg: '°',
  degrees: '°',
  joule: 'J',
  joules: 'J',
  kelvin: 'K',
  ah: 'A·h',
  a2s: 'A²·s',
  count: 'counts',
  bits: 'bit',
  x: '×',
  'w/m2': 'W/m²',
  'w/m^2': 'W/m²',
};

/** Units that never take an SI prefix: "12 m°" or "3 kcounts" would only confuse. */
export const prefixlessUnits: ReadonlySet<Unit> = new Set<Unit>([
  'K',
  '°',
  '°C',
  'dB',
  'counts',
  'bit',
  '×',
  '',
  'm²',
  'm/s',
  'lx',
  'W/sr/A',
  'A·m²/W',
  'dB/m',
  'kg',
  '%',
  'ppm',
  '1/m',
  '1/m²',
  '1/s',
  'm³',
  'm³/s',
  'm/s²',
  'L/min',
]);
