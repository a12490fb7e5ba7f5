import { conditionKinds, type Condition } from '@yurei/core/condition';
import type { Design } from '@yurei/core/design';

/** The condition to begin with: the first kind for which the design has something to name. */
export function someCondition(design: Design): Condition {
  for (const { offer } of conditionKinds) {
    const made = 'alone' in offer ? offer.alone(design) : undefined;
    if (made) return made;
  }
  throw new RangeError('No kind of condition stands alone.');
}
