import type { Element } from '../catalog/index.js';
import type { PlacedElement } from './structure.js';

/** Values that must be above zero, and those that must not be below it, wherever they occur. */
const positive = new Set([
  'ohms',
  'farads',
  'henries',
  'saturation',
  'emission',
  'forwardGain',
  'reverseGain',
  'beta',
  'trigger',
  'latching',
  'holding',
  'dropOhms',
  'sinkAmps',
  'sinkOhms',
  'gain',
  'bandwidth',
  'slew',
  'outputOhms',
  'limit',
  'dischargeOhms',
  'efficiency',
  'capacity',
  'carries',
  'melting',
  'hotOhms',
  'hotKelvin',
  'warming',
  'constant',
  'inertia',
  'pullIn',
  'breakdown',
  'hotVolts',
  'baseSiemens',
]);
const notNegative = new Set([
  'delay',
  'bounce',
  'operate',
  'release',
  'dropOut',
  'friction',
  'bias',
  'up',
  'down',
]);

/**
 * Refuses values that no equation can be made of.
 *
 * @throws RangeError naming the part, the element's field and the value
 */
export function checkElements(placed: readonly PlacedElement[]): void {
  for (const { part, element } of placed) checkElement(part, element);
}

/** @throws RangeError */
export function checkElement(part: string, element: Element): void {
  for (const [field, value] of Object.entries(element)) {
    if (typeof value !== 'number') continue;
    // An inductor may be ideal.
    const needs =
      positive.has(field) && !(element.type === 'inductor' && field === 'ohms')
        ? value > 0
        : !notNegative.has(field) || value >= 0;
    if (Number.isFinite(value) && needs) continue;
    throw new RangeError(
      `${part}: ${field} of its ${element.type} cannot be ${value}. Give it a usable value.`,
    );
  }
}
