import type { Element } from '../element/index.js';

/**
 * What bounds the kick of a coil when it is switched off: losses in the iron beside it, and the
 * capacitance of its winding, damped.
 *
 * @param ohms of the winding
 * @param losses resistance beside the coil, in multiples of that
 */
export const kickBounds = (
  plus: string,
  minus: string,
  ohms: number,
  losses: number,
  farads: number,
): Element[] => [
  { type: 'resistor', a: plus, b: minus, ohms: losses * ohms },
  { type: 'resistor', a: plus, b: '#winding', ohms: 5 * ohms },
  { type: 'capacitor', a: '#winding', b: minus, farads },
];

/** A changeover contact COM, NO, NC moved by "#armature". */
export function changeover(bounce: number): Element[] {
  const contact = { type: 'contact', control: '#armature', on: 0.5, off: 0.5, bounce } as const;
  return [
    { ...contact, a: 'com', b: 'no', rests: 'open', ohms: 0.05 },
    { ...contact, a: 'com', b: 'nc', rests: 'closed', ohms: 0.05 },
  ];
}

/** Contacts of small relays bear 50,000 to 100,000 switchings under load (common practice): the fewer. */
export const usualSwitchings = 50_000;
