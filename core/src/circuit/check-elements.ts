import { kindOfElement, type Element } from '../element/index.js';
import type { PlacedElement } from './structure.js';

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
  const { positive = [], notNegative = [] } = kindOfElement(element);
  const above: readonly string[] = positive;
  const least: readonly string[] = notNegative;
  const values = element as unknown as Readonly<Record<string, unknown>>;
  for (const field in values) {
    const value = values[field];
    if (typeof value !== 'number') continue;
    const usable = above.includes(field) ? value > 0 : !least.includes(field) || value >= 0;
    if (Number.isFinite(value) && usable) continue;
    throw new RangeError(
      `${part}: ${field} of its ${element.type} cannot be ${value}. Give it a usable value.`,
    );
  }
}
