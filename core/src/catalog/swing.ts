import type { Element } from '../element/index.js';
import { formatQuantity } from '../quantity/index.js';
import { across } from './solved-values.js';
import type { Acting, SolvedPart } from './part-kind.js';

/** How long what was heard lasts when the swing ends, s: longer than a period of any tone, shorter than a beep. */
const lasts = 0.02;
/** It hands on so little of what it keeps that it stays near nothing: each swing adds as much as the one before. */
const shareOfOne = 1e-4;

/** The inner node that tells how much it swings. */
export const swingNode = '#swing';

/**
 * Tells a tone from a click: a charge pump between two terminals. Each swing hands on the same charge, which bleeds away:
 * what stands at `#swing` grows with hertz × volts, and a steady voltage leaves nothing.
 *
 * @param farads that it puts between the terminals, F: little beside what is there
 */
export function swingElements(a: string, b: string, farads: number): Element[] {
  const kept = farads / shareOfOne;
  return [
    { type: 'capacitor', a, b: '#swung', farads },
    { type: 'diode', anode: b, cathode: '#swung', saturation: 1e-9, emission: 1 },
    { type: 'diode', anode: '#swung', cathode: swingNode, saturation: 1e-9, emission: 1 },
    { type: 'capacitor', a: swingNode, b, farads: kept },
    { type: 'resistor', a: swingNode, b, ohms: lasts / kept },
  ];
}

/**
 * Hertz times peak-to-peak volts, as far as the pump keeps up with them.
 *
 * @returns V·Hz
 */
export const swing = <K extends string>(
  part: Pick<SolvedPart<K | typeof swingNode>, 'volts'>,
  b: K,
): number => across<K | typeof swingNode>(part, swingNode, b) / (lasts * shareOfOne);

const saySwing = (swings: number, heard: number): string =>
  swings > heard / 100
    ? `it is swung by ${formatQuantity(Math.max(0, swings), 'V/s')}; it is heard from ${formatQuantity(heard, 'V/s')}`
    : 'what drives it stands still: a steady voltage only clicks';

/**
 * How a part acts that sounds while it is swung between its terminals a and b.
 *
 * @param heard from where it is heard, V·Hz
 */
export const soundsFrom = (heard: number): Acting<unknown, typeof swingNode | 'b'> => ({
  word: 'sounding',
  does: 'sounds',
  inTime: true,
  active: (part) => swing(part, 'b') > heard,
  because: (part) => saySwing(swing(part, 'b'), heard),
});
