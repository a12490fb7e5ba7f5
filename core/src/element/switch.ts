import { defineElement, type DeviceFactory } from './define-element.js';
import { moved } from './moved-contact.js';

/** A contact that something outside the circuit moves: a finger, a float, a magnet. */
export interface SwitchElement {
  type: 'switch';
  a: string;
  b: string;
  /** What moves it, in the unit of `on` and `off`. */
  drive: number;
  rests: 'open' | 'closed';
  on: number;
  off: number;
  ohms: number;
  bounce: number;
}

/** A contact moved from outside the circuit. */
const device: DeviceFactory<SwitchElement> = (element, node, system) =>
  moved(element, node(element.a), node(element.b), [], system, (present) => present.drive);

export const switchContact = defineElement<SwitchElement>({
  type: 'switch',
  nodes: ['a', 'b'],
  conducts: (e) => [[e.a, e.b]],
  positive: ['ohms'],
  notNegative: ['bounce'],
  device,
});
