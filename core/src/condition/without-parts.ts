import { fieldsOf, kindOfCondition, type Condition } from './condition.js';

/**
 * A condition without the parts of it that name something that is gone. Of several that are joined the others stay; what was
 * about one part goes with it.
 *
 * @param names tells of one part of a condition whether it does
 * @returns undefined when nothing is left of it
 */
export function withoutParts(
  condition: Condition,
  names: (part: Condition) => boolean,
): Condition | undefined {
  if (names(condition)) return undefined;
  const left: Record<string, unknown> = {};
  for (const [field, { type }, value] of fieldsOf(condition)) {
    if (type === 'condition') {
      const kept = withoutParts(value as Condition, names);
      if (!kept) return undefined;
      left[field] = kept;
    } else if (type === 'conditions') {
      const kept = (value as Condition[]).flatMap((part) => withoutParts(part, names) ?? []);
      if (kept.length === 0) return undefined;
      left[field] = kept;
    }
  }
  const after = { ...condition, ...left } as Condition;
  return kindOfCondition(condition).kept?.(after) ?? after;
}
