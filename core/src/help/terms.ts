/** One word of ours: what it means, how it is written, and in what it is measured. */
export interface Term {
  term: string;
  /** In plain words. */
  means: string;
  symbol?: string;
  unit?: string;
}

/** What a word means, where it is one of ours; large and small letters are alike. */
export const meaningOf = (word: string): string | undefined =>
  terms.find((t) => t.term === word.toLowerCase())?.means;

/** Every word with a meaning of its own here, each once, by the alphabet. */
export const terms: readonly Term[] = [
  {
    term: 'acting part',
    means: 'A part that does something in the world: sounds, lights up, pulls, pumps.',
  },
  {
    term: 'baseline',
    means:
      'What a channel reads when nothing happens. Learnt once or followed slowly; the threshold then counts from it.',
    unit: 'counts',
  },
  {
    term: 'channel',
    means: 'A pin that is read again and again, with the line beyond which it answers yes.',
  },
  {
    term: 'count',
    means:
      'One step of a converter. A 10-bit converter tells 0 to its reference voltage in 1024 counts.',
    unit: 'counts',
  },
  {
    term: 'delay',
    means: 'From the moment a happening is first felt until a part acts because of it.',
    symbol: 't',
    unit: 's',
  },
  {
    term: 'error of the first kind',
    means: 'It fires although nothing wanted is there: a false alarm.',
    symbol: 'α',
    unit: '%',
  },
  {
    term: 'error of the second kind',
    means: 'It stays quiet although what is wanted is there: a miss.',
    symbol: 'β',
    unit: '%',
  },
  {
    term: 'exposure',
    means: 'From when to when a happening changes what any sensor feels by more than a hundredth.',
    unit: 's',
  },
  {
    term: 'finding',
    means: 'Something a check has to say about the circuit, with its cause, number and cure.',
  },
  {
    term: 'happening',
    means:
      'Something that goes on at the place for a while: a step, a flame, a lorry, a power cut.',
  },
  {
    term: 'hits and misses in a row',
    means:
      'How many readings beyond the line, one after the other, make a channel answer yes, and how many on this side make it answer no.',
  },
  {
    term: 'hysteresis',
    means:
      'The gap between the line at which a channel trips and the one at which it clears, so that noise does not make it flutter.',
    symbol: 'H',
    unit: 'counts or V',
  },
  {
    term: 'latch',
    means: 'Once on, it stays on until it is reset.',
  },
  {
    term: 'lock-out',
    means: 'After a rule has ended it does not begin again for so long.',
    unit: 's',
  },
  {
    term: 'margin',
    means: 'How far the nearest reading of either side stands from the line.',
    unit: 'counts or V',
  },
  {
    term: 'mode',
    means:
      'A state of the whole alarm, such as off, armed, alarm; rules can hold in some modes only.',
  },
  {
    term: 'net',
    means: 'All terminals that wires join: they have one voltage.',
    symbol: 'V',
    unit: 'V',
  },
  {
    term: 'nuisance',
    means: 'A happening that must not set it off, though the sensors feel it.',
  },
  {
    term: 'output',
    means: 'A pin that the controller switches or dims.',
  },
  {
    term: 'quiescent',
    means: 'At rest: power is on, nothing happens, all transients are over.',
  },
  {
    term: 'rating',
    means: 'What a part stands for good. Beyond it, it is damaged or wears out early.',
    unit: 'V, A, W, °C',
  },
  {
    term: 'rehearsal',
    means: 'A scene played against the very circuit and program, in time, with noise.',
  },
  {
    term: 'root',
    means: 'The mistake from which other findings follow; they are folded under it.',
  },
  {
    term: 'rule',
    means: 'When something holds, something is done; the first active rule decides on an output.',
  },
  {
    term: 'scene',
    means: 'A stretch of time at the place: its light and weather, and what happens in it.',
  },
  {
    term: 'seed',
    means: 'The number from which the noise is drawn: the same seed draws the same noise.',
  },
  {
    term: 'spurious alarm',
    means: 'Something fired that nothing that happens has brought about.',
  },
  {
    term: 'stimulus',
    means: 'What a sensor feels, in the unit of its quantity, at the place where it stands.',
    unit: 'lx, W/m², T, °C …',
  },
  {
    term: 'threshold',
    means: 'The line beyond which a channel answers yes.',
    symbol: 'Θ',
    unit: 'counts or V',
  },
  {
    term: 'time constant',
    means: 'After so long, what charges or lags has come 63 % of its way.',
    symbol: 'τ = R·C',
    unit: 's',
  },
  {
    term: 'tolerance',
    means: 'By how much a bought part may differ from what is printed on it.',
    unit: '%',
  },
  {
    term: 'verdict',
    means: 'What came of a happening: noticed, missed, quiet, or fired falsely, with the reason.',
  },
  {
    term: 'wanted',
    means: 'A happening that must be noticed.',
  },
];
