import type { Condition } from './program.js';
import type { Design } from './types.js';

/** What a condition is made of. */
export function partsOf(condition: Condition): readonly Condition[] {
  switch (condition.is) {
    case 'all':
    case 'any':
    case 'at least':
      return condition.of;
    case 'not':
    case 'for':
    case 'begins':
    case 'ends':
      return [condition.of];
    case 'then':
      return [condition.first, condition.second];
    default:
      return [];
  }
}

/** A condition and all it is made of. */
export const wholeOf = (condition: Condition): Condition[] => [
  condition,
  ...partsOf(condition).flatMap(wholeOf),
];

/** Every condition of what runs on the controller, and all they are made of, with where they stand. */
export function everyCondition(
  design: Pick<Design, 'rules' | 'machines' | 'notices' | 'controller'>,
): [place: string, condition: Condition][] {
  const found: [string, Condition][] = [];
  const add = (place: string, condition: Condition | undefined): void => {
    if (condition) found.push(...wholeOf(condition).map((c): [string, Condition] => [place, c]));
  };
  design.rules.forEach((rule, i) => {
    for (const field of ['when', 'while', 'until'] as const)
      add(`rules[${i}] (${rule.id}).${field}`, rule[field]);
  });
  design.machines.forEach((machine, i) =>
    machine.transitions.forEach((transition, n) =>
      add(`machines[${i}] (${machine.id}).transitions[${n}].when`, transition.when),
    ),
  );
  design.notices.forEach(({ id, tells }, i) => {
    if (tells.tell === 'condition') add(`notices[${i}] (${id}).tells`, tells.condition);
  });
  add('controller.sleep.unless', design.controller.sleep?.unless);
  return found;
}
