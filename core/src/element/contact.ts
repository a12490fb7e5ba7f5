import { defineElement, type DeviceFactory } from './define-element.js';
import { moved } from './moved-contact.js';
import { across } from './two-terminal.js';

/** Closes when its control rises past `on` and opens when it falls below `off`; reversed with `rests: 'closed'`. */
export interface ContactElement {
  type: 'contact';
  a: string;
  b: string;
  control: string;
  rests: 'open' | 'closed';
  on: number;
  off: number;
  ohms: number;
  /** How long it bounces on closing, s. */
  bounce: number;
}

/** A contact moved by another device through its control node. */
const device: DeviceFactory<ContactElement> = (element, node, system) => {
  const control = node(element.control);
  const drive = (_: unknown, x: Float64Array): number => across(x, control, -1);
  return moved(element, node(element.a), node(element.b), [control], system, drive);
};

export const contact = defineElement<ContactElement>({
  type: 'contact',
  nodes: ['a', 'b', 'control'],
  conducts: (e) => [[e.a, e.b]],
  apart: (e) => [[e.control]],
  positive: ['ohms'],
  notNegative: ['bounce'],
  device,
});
