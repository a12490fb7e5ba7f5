import { fieldsOf, type Condition } from './condition.js';
import type { ChannelYes } from './kinds/channel.js';

/**
 * A condition in which some channels do just as well as one: where it asks for that one, any of them is enough, and where it asks
 * that one for its contrary, any contrary is.
 */
export function orChannels(
  condition: Condition,
  channel: string,
  others: readonly string[],
  joined: 'any' | 'all' = 'any',
): Condition {
  const also = others.map((other): ChannelYes => ({ is: 'channel', channel: other }));
  const isIt = (part: Condition): boolean => part.is === 'channel' && part.channel === channel;
  if (isIt(condition)) return { is: joined, of: [condition, ...also] };
  if (condition.is === joined && condition.of.some(isIt))
    return { ...condition, of: [...condition.of, ...also] };
  const contrary = joined === 'any' ? 'all' : 'any';
  const inside = (part: Condition): Condition =>
    orChannels(part, channel, others, condition.is === 'not' ? contrary : joined);
  const changed: Record<string, unknown> = {};
  for (const [field, { type }, value] of fieldsOf(condition)) {
    if (type === 'condition') changed[field] = inside(value as Condition);
    if (type === 'conditions') changed[field] = (value as Condition[]).map(inside);
  }
  return { ...condition, ...changed } as Condition;
}
