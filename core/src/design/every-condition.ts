import { wholeOf } from '../condition/index.js';
import type { Condition } from './program.js';
import type { Design } from './types.js';

type Conditioned = Pick<Design, 'rules' | 'machines' | 'notices' | 'controller'>;

/** The conditions of what runs on the controller, with where they stand. */
export function outerConditions(design: Conditioned): [place: string, condition: Condition][] {
  const found: [string, Condition][] = [];
  const add = (place: string, condition: Condition | undefined): void => {
    if (condition) found.push([place, condition]);
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

/** The same with all that they are made of. */
export const everyCondition = (design: Conditioned): [place: string, condition: Condition][] =>
  outerConditions(design).flatMap(([place, condition]) =>
    wholeOf(condition).map((c): [string, Condition] => [place, c]),
  );
