import type { ConditionKind } from './condition-kind.js';
import type { Field } from './field.js';
import { all, type All } from './kinds/all.js';
import { any, type Any } from './kinds/any.js';
import { atLeast, type AtLeast } from './kinds/at-least.js';
import { begins, type Begins } from './kinds/begins.js';
import { changes, type Changes } from './kinds/changes.js';
import { channelYes, type ChannelYes } from './kinds/channel.js';
import { count, type Count } from './kinds/count.js';
import { ends, type Ends } from './kinds/ends.js';
import { flickers, type Flickers } from './kinds/flickers.js';
import { heldFor, type HeldFor } from './kinds/held-for.js';
import { inMode, type InMode } from './kinds/in-mode.js';
import { not, type Not } from './kinds/not.js';
import { playing, type Playing } from './kinds/playing.js';
import { press, type Press } from './kinds/press.js';
import { reading, type Reading } from './kinds/reading.js';
import { ruleActive, type RuleActive } from './kinds/rule-active.js';
import { then, type Then } from './kinds/then.js';
import { timeOfDay, type TimeOfDay } from './kinds/time-of-day.js';

/** Something that is so or is not; kinds marked `event` are so at one moment only. */
export type Condition =
  | ChannelYes
  | Press
  | InMode
  | Count
  | Reading
  | Changes
  | Flickers
  | TimeOfDay
  | Playing
  | RuleActive
  | All
  | Any
  | Not
  | HeldFor
  | Then
  | Begins
  | Ends
  | AtLeast;

const kinds: { readonly [K in Condition['is']]: ConditionKind<Extract<Condition, { is: K }>> } = {
  channel: channelYes,
  press,
  mode: inMode,
  count,
  reading,
  changes,
  flickers,
  time: timeOfDay,
  playing,
  rule: ruleActive,
  all,
  any,
  not,
  for: heldFor,
  then,
  begins,
  ends,
  'at least': atLeast,
};

/** Every kind, in the order in which they are offered. */
export const conditionKinds: readonly ConditionKind[] = Object.values(kinds);

/** All that is to be known of the kind of a condition. */
export const kindOfCondition = ({ is }: Condition): ConditionKind => kinds[is];

/** The fields of a condition, with what they say. */
export function* fieldsOf(
  condition: Condition,
): Generator<readonly [name: string, field: Field, value: unknown]> {
  for (const [name, field] of Object.entries<Field>(kindOfCondition(condition).fields))
    yield [name, field, (condition as unknown as Record<string, unknown>)[name]];
}

/** What a condition is made of. */
export function partsOf(condition: Condition): readonly Condition[] {
  return [...fieldsOf(condition)].flatMap(([, { type }, value]) => {
    if (type === 'condition') return [value as Condition];
    return type === 'conditions' ? (value as Condition[]) : [];
  });
}

/** A condition and all it is made of. */
export const wholeOf = (condition: Condition): Condition[] => [
  condition,
  ...partsOf(condition).flatMap(wholeOf),
];

/** Whether its parts are several that a word joins: within another it wants brackets. */
export const joinsParts = (condition: Condition): boolean => partsOf(condition).length > 1;

/** Whether a condition can hold at one moment only, in itself or in any part. */
export const isEvent = (condition: Condition): boolean =>
  wholeOf(condition).some((c) => kindOfCondition(c).event);
