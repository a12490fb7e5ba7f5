export type { ChannelCode, CodeAt } from './code-at.js';
export {
  conditionKinds,
  fieldsOf,
  isEvent,
  joinsParts,
  kindOfCondition,
  partsOf,
  wholeOf,
  type Condition,
} from './condition.js';
export type {
  Asked,
  ConditionKind,
  ModeOf,
  Offer,
  Things,
  Told,
  Token,
  Words,
} from './condition-kind.js';
export type { Field, Named, NumberField } from './field.js';
export type { ChannelSeen, Look, Memory, Seen, View } from './seen.js';
export { sayCondition, sayDuration, sayMode, type Names } from './say-condition.js';
export { orChannels } from './or-channels.js';
export { withoutParts } from './without-parts.js';
