import type { Element } from '../element/index.js';

/** Gain of a receiving transistor; only its product with the photocurrent of its base shows. */
export const photoGain = 400;

/**
 * A transistor between c and e whose base the light feeds: the collector current is `amps`, as long as there
 * are volts enough.
 */
export const photocurrent = (amps: number): Element[] => [
  { type: 'current-source', from: 'c', to: '#base', amps: amps / (photoGain + 1) },
  {
    type: 'bipolar',
    polarity: 'npn',
    collector: 'c',
    base: '#base',
    emitter: 'e',
    saturation: 1e-14,
    forwardGain: photoGain,
    reverseGain: 2,
  },
];
