import type { Element, ElementOf } from '../element/index.js';
import type { Param, Terminal } from './part-kind.js';

/** The two ends of a contact that something outside the circuit moves. */
export const contactTerminals = [
  { id: 'a', label: 'a', role: 'contact' },
  { id: 'b', label: 'b', role: 'contact' },
] as const satisfies readonly Terminal[];

/** Resistance, bounce and rating, with what is usual for the kind: Ω, s, A. */
export const contactParams = (ohms: number, bounce: number, maxAmps: number) =>
  [
    { id: 'ohms', label: 'Contact resistance', unit: 'Ω', default: ohms, min: 1e-3, max: 1e3 },
    { id: 'bounce', label: 'Bounce', unit: 's', default: bounce, min: 0, max: 0.5 },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: maxAmps, min: 1e-4, max: 30 },
  ] as const satisfies readonly Param[];

/** A contact between a and b, moved by `drive` past `on` and back under `off`. */
export const movedContact = (
  p: { ohms: number; bounce: number },
  moved: Pick<ElementOf<'switch'>, 'drive' | 'rests' | 'on' | 'off'>,
): Element => ({
  type: 'switch',
  a: 'a',
  b: 'b',
  ohms: p.ohms,
  bounce: p.bounce,
  ...moved,
});
