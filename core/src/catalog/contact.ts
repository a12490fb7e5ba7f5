import type { Element, ElementOf } from './element.js';
import type { Param, Params, Terminal } from './part-kind.js';

/** The two ends of a contact that something outside the circuit moves. */
export const contactTerminals: readonly Terminal[] = [
  { id: 'a', label: 'a', role: 'contact' },
  { id: 'b', label: 'b', role: 'contact' },
];

/** Resistance, bounce and rating, with what is usual for the kind: Ω, s, A. */
export const contactParams = (ohms: number, bounce: number, maxAmps: number): Param[] => [
  { id: 'ohms', label: 'Contact resistance', unit: 'Ω', default: ohms, min: 1e-3, max: 1e3 },
  { id: 'bounce', label: 'Bounce', unit: 's', default: bounce, min: 0, max: 0.5 },
  { id: 'maxAmps', label: 'Current rating', unit: 'A', default: maxAmps, min: 1e-4, max: 30 },
];

/** A contact between a and b, moved by `drive` past `on` and back under `off`. */
export const movedContact = (
  p: Params,
  moved: Pick<ElementOf<'switch'>, 'drive' | 'rests' | 'on' | 'off'>,
): Element => ({
  type: 'switch',
  a: 'a',
  b: 'b',
  ohms: p['ohms'],
  bounce: p['bounce'],
  ...moved,
});
