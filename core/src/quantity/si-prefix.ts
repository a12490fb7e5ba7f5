/** SI prefixes (BIPM SI brochure, 9th edition, table 7) that occur on a bench, by letter. */
export const prefixExponent: Readonly<Record<string, number>> = {
  p: -12,
  n: -9,
  u: -6,
  µ: -6,
  μ: -6,
  m: -3,
  '': 0,
  k: 3,
  K: 3,
  M: 6,
  Meg: 6,
  meg: 6,
  G: 9,
};

/** The prefix for display of a power of ten that is a multiple of three. */
export const prefixForExponent: Readonly<Record<number, string>> = {
  [-12]: 'p',
  [-9]: 'n',
  [-6]: 'µ',
  [-3]: 'm',
  0: '',
  3: 'k',
  6: 'M',
  9: 'G',
};
