import type { Consequence, Finding } from './finding.js';

const will: Readonly<Record<Consequence, string>> = {
  danger: 'dangerous',
  burns: 'will burn',
  unnoticed: 'will not notice',
  'cries wolf': 'will cry wolf',
  'wears out': 'will not last',
  untidy: 'untidy',
};

/** What comes of a finding, in two words: "will burn" where that is sure, "may burn" where it may be. */
export const sayConsequence = ({ severity, consequence }: Finding): string =>
  severity === 'error' ? will[consequence] : will[consequence].replace('will', 'may');
