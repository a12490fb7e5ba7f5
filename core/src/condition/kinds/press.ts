import { reached } from '../../quantity/index.js';
import {
  and,
  bool,
  lasted,
  ms,
  not,
  set,
  signs,
  since,
  when,
  whole,
  type Expression,
  type Statement,
} from '../../code/index.js';
import type { CodeAt } from '../code-at.js';
import { defineCondition } from '../condition-kind.js';
import { choice, name, seconds } from '../field.js';
import type { Memory } from '../seen.js';

/** Event: a channel answers yes for less than `long`, just now for as long as that, or twice within `gap`, s. */
export interface Press {
  is: 'press';
  channel: string;
  press: 'short' | 'long' | 'double';
  long: number;
  gap: number;
}

/** What a channel that is pressed has done so far. */
interface Presses {
  down: boolean;
  /** When it went down, s. */
  at: number;
  /** It has been told as long already, or belongs to a double press. */
  told: boolean;
  /** When a short press ended that may still become a double one, s. */
  short?: number;
}

interface Pressed extends Memory {
  presses?: Presses;
}

/**
 * Short: up again before `long`, and for double presses no second one within `gap`. Long: told while it is
 * still down. Double: the second of two short presses goes down within `gap` after the first went up.
 */
function step(
  before: Presses,
  down: boolean,
  { long, gap }: Press,
  t: number,
): { next: Presses; event?: Press['press'] } {
  const waiting = before.short !== undefined && !reached(t, before.short + gap);
  if (down && !before.down) {
    if (waiting) return { next: { down, at: t, told: true }, event: 'double' };
    const late = before.short === undefined ? {} : { event: 'short' as const };
    return { next: { down, at: t, told: false }, ...late };
  }
  if (down) {
    const isLong = !before.told && reached(t, before.at + long);
    return isLong ? { next: { ...before, told: true }, event: 'long' } : { next: before };
  }
  if (before.down) {
    const next = { down, at: before.at, told: true };
    if (before.told) return { next };
    return gap > 0 ? { next: { ...next, short: t } } : { next, event: 'short' };
  }
  if (before.short === undefined || waiting) return { next: { ...before, down } };
  return { next: { down, at: before.at, told: true }, event: 'short' };
}

/** What `step` does, with only those events that are asked for. */
function codeOfPress({ channel, press: wanted, long, gap }: Press, at: CodeAt): Expression {
  const { remember, once, first, now } = at;
  const down = once('Down', at.channel(channel).answers);
  const was = remember('WasDown', 'bool', bool(true));
  const told = remember('Told', 'bool', bool(true));
  const from = remember('DownAt', 'moment', whole(0, 'moment'));
  const event = remember(capital(wanted), 'bool', bool(false));
  const tell = (kind: Press['press']): Statement[] =>
    kind === wanted ? [set(event, bool(true))] : [];
  const short = gap > 0 ? remember('Short', 'bool', bool(false)) : bool(false);
  const shortAt = gap > 0 ? remember('ShortAt', 'moment', whole(0, 'moment')) : now;
  const waits = gap > 0 ? once('Waits', and(short, signs('<', since(shortAt), ms(gap)))) : short;
  const forget = gap > 0 ? [set(short, bool(false))] : [];
  const goesDown = [
    ...when(
      waits,
      [...tell('double'), set(told, bool(true))],
      [...when(short, tell('short')), set(told, bool(false))],
    ),
    ...forget,
    set(from, now),
  ];
  const isLong = and(not(told), lasted(from, long));
  const stays = when(isLong, [set(told, bool(true)), ...tell('long')]);
  const goesUp = [
    ...when(not(told), gap > 0 ? [set(short, bool(true)), set(shortAt, now)] : tell('short')),
    set(told, bool(true)),
  ];
  const isUp = when(and(short, not(waits)), [...forget, ...tell('short')]);
  first(
    set(event, bool(false)),
    ...when(down, when(not(was), goesDown, stays), when(was, goesUp, isUp)),
    set(was, down),
  );
  return event;
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

export const press = defineCondition<Press, Pressed>({
  is: 'press',
  fields: {
    channel: name('channel', 'Channel'),
    press: choice('Kind of press', 'short', 'long', 'double'),
    long: seconds('Long is', { above: true }),
    gap: seconds('Second press within'),
  },
  event: true,
  look: (c, { view, memory, t }) => {
    const down = view.channels[c.channel]?.tripped ?? false;
    const { next, event } = step(memory.presses ?? { down, at: t, told: true }, down, c, t);
    const due = next.down && !next.told ? next.at + c.long : (next.short ?? Infinity) + c.gap;
    return {
      holds: event === c.press,
      memory: { presses: next, ...(due < Infinity ? { due } : {}) },
    };
  },
  waits: ({ long, gap }) => long + gap,
  code: (c, at) => codeOfPress(c, at),
  say: (c, words) =>
    c.press === 'long'
      ? `${words.channel(c.channel)} pressed for ${words.time(c.long)}`
      : `${c.press} press of ${words.channel(c.channel)}`,
  phrase: () => [
    { field: 'press' },
    'press of',
    { field: 'channel' },
    ', long is',
    { field: 'long' },
    ', second within',
    { field: 'gap' },
  ],
  written: { call: 'press' },
  offer: {
    label: 'a press',
    alone: ({ channels: [first] }) =>
      first && { is: 'press', channel: first.id, press: 'short', long: 2, gap: 0 },
  },
});
