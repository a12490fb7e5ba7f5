import {
  and,
  bool,
  call,
  lasted,
  ms,
  name,
  not,
  or,
  set,
  signs,
  when,
  whole,
  type Declaration,
  type Expression,
  type FunctionDeclaration,
  type Section,
  type Statement,
} from '../code/index.js';
import { mostRounds } from '../logic/index.js';
import type { ChannelProgram } from './channel-code.js';
import type { Stepped } from './chart-code.js';
import { variable, type Frame } from './frame.js';
import { Looks } from './look-code.js';
import type { NoticeProgram } from './notice-code.js';

/** All that a pass goes through, in its order. */
export interface PassParts {
  channels: readonly ChannelProgram[];
  steps: readonly Stepped[];
  outputs: readonly { drives: string }[];
  notices: readonly NoticeProgram[];
  /** Whether anything outlasts a power cut. */
  keeps: boolean;
  /** The function that feeds sensors, where any are fed for their readings only. */
  feeds?: string;
  /** The function that tells what has begun and ended, where it tells. */
  tells?: string;
  /** What is done last. */
  last: readonly Statement[];
}

/** One pass: read, rounds until nothing changes, outputs, notices, sleep. */
export function passCode(frame: Frame, parts: PassParts): Section {
  const { outputs, notices, channels, keeps } = parts;
  const sleep = sleepCode(frame, channels);
  const round = roundFunction(frame, parts);
  const rounds: Statement[] = round
    ? [
        { do: 'let', name: 'rounds', type: 'int', value: whole(0), changes: true },
        {
          do: 'while',
          when: and(signs('<', name('rounds'), whole(mostRounds)), call(round.name)),
          body: [set('rounds', signs('+', name('rounds'), whole(1)))],
        },
      ]
    : [];
  const read = sleep ? 'anyRead' : undefined;
  const decides: Statement[] = [
    ...rounds,
    ...outputs.map(({ drives }): Statement => ({ do: 'call', call: call(drives) })),
    ...notices.map(({ sends }): Statement => ({ do: 'call', call: call(sends) })),
    ...(sleep?.falls ?? []),
  ];
  const feeds: Statement[] = parts.feeds ? [{ do: 'call', call: call(parts.feeds) }] : [];
  const body: Statement[] = [
    ...feeds,
    ...(sleep?.before ?? []),
    ...(read
      ? [{ do: 'let', name: read, type: 'bool', value: bool(false), changes: true } as const]
      : []),
    ...channels.map((c): Statement =>
      read ? set(read, or(call(c.reads), name(read))) : { do: 'call', call: call(c.reads) },
    ),
    ...(sleep?.wakes ?? []),
    ...(frame.passing ? repeated(decides, name(frame.passing), sleep !== undefined) : decides),
    ...feeds,
    ...(keeps ? [{ do: 'call', call: call('saveKept') } as const] : []),
    ...(parts.tells ? [{ do: 'call', call: call(parts.tells) } as const] : []),
    ...parts.last,
  ];
  const holds: Declaration[] = [
    ...(sleep?.declares ?? []),
    ...(round ? [round] : []),
    {
      declares: 'function',
      name: 'makePass',
      takes: [],
      body,
      note: 'Reads, decides, drives and tells.',
    },
  ];
  return { title: 'A pass', says: [], holds };
}

/** Once more, where something held for one round only: then it holds no more. */
function repeated(
  decides: readonly Statement[],
  passing: Expression,
  sleeps: boolean,
): Statement[] {
  const more = name('more');
  return [
    { do: 'let', name: 'more', type: 'bool', value: bool(true), changes: true },
    { do: 'let', name: 'turns', type: 'int', value: whole(0), changes: true },
    {
      do: 'while',
      when: and(more, signs('<', name('turns'), whole(mostRounds))),
      body: [
        set('turns', signs('+', name('turns'), whole(1))),
        { do: 'let', name: 'rounds', type: 'int', value: whole(0), changes: true },
        ...decides.filter((s) => s.do !== 'let'),
        set(more, sleeps ? and(passing, not(name('asleep'))) : passing),
      ],
    },
  ];
}

/** Looks at everything first, then changes it. */
function roundFunction(
  frame: Frame,
  { steps, notices }: PassParts,
): FunctionDeclaration | undefined {
  const looks = [...steps, ...notices].flatMap((s) => s.looks ?? []);
  const over = frame.design.sequences.filter((s) => s.times > 0);
  const unless = frame.sleepLook;
  const looked = [...looks, ...(unless ? [unless] : [])];
  if (steps.length === 0 && looked.length === 0) return undefined;
  const changed = 'changed';
  const overNames = over.map(({ id }) => frame.names.extend(frame.sequence(id).base, 'Over'));
  const body: Statement[] = [
    ...(frame.passing ? [set(frame.passing, bool(false))] : []),
    ...looked.map((look): Statement => ({ do: 'call', call: call(look) })),
    ...over.map(({ id, length, times }, i): Statement => {
      const { played, since: from } = frame.sequence(id);
      const value = and(name(played), lasted(name(from), length * times));
      return { do: 'let', name: overNames[i] ?? '', type: 'bool', value };
    }),
    { do: 'let', name: changed, type: 'bool', value: bool(false), changes: true },
    ...steps.map((s) => set(changed, or(call(s.steps), name(changed)))),
    ...over.flatMap(({ id }, i) =>
      when(name(overNames[i] ?? ''), [
        set(changed, or(call(frame.does('stop', id)), name(changed))),
      ]),
    ),
    { do: 'return', value: name(changed) },
  ];
  return {
    declares: 'function',
    ...{ name: 'makeRound', gives: 'bool', takes: [], body },
    note: 'Looks at everything, then changes it; tells whether anything has changed.',
  };
}

interface SleepCode {
  declares: Declaration[];
  before: Statement[];
  wakes: Statement[];
  falls: Statement[];
}

/** Between passes it sleeps: what wakes it, and when it goes to sleep again. */
function sleepCode(frame: Frame, channels: readonly ChannelProgram[]): SleepCode | undefined {
  const { sleep } = frame.design.controller;
  if (!sleep) return undefined;
  const [asleep, wakesAt] = [name('asleep'), name('wakesAt')];
  const [awakeSince, now] = [name('awakeSince'), name('now')];
  const looks = new Looks(frame);
  const kept = [
    ...(sleep.unless ? [looks.at(sleep.unless, 'stay', 'Awake')] : []),
    ...channels.flatMap((c) => (c.keepsAwake ? [name(c.keepsAwake)] : [])),
  ];
  const look: Declaration[] =
    looks.does.length > 0
      ? [{ declares: 'function', name: 'lookWhetherToStay', takes: [], body: looks.does }]
      : [];
  if (look.length > 0) frame.sleepLook = 'lookWhetherToStay';
  const edges = channels.flatMap((c) => (c.edge?.atOnce ? [name(c.edge.flag)] : []));
  const isWoken = or(signs('>=', now, wakesAt), ...edges);
  const turns: Statement[] = [
    set(wakesAt, signs('+', awakeSince, ms(sleep.every))),
    {
      do: 'while',
      when: signs('<=', wakesAt, now),
      body: [set(wakesAt, signs('+', wakesAt, ms(sleep.every)))],
    },
  ];
  return {
    declares: [variable('awakeSince', 'moment'), ...looks.declares, ...look],
    before: when(asleep, [
      ...when(not(isWoken), [{ do: 'return' }]),
      // When its time has come all channels are read; an edge wakes for its own alone.
      ...channels
        .map((c) =>
          when(
            signs('>=', now, wakesAt),
            [set(c.due, now)],
            [set(c.due, signs('+', now, name(c.every)))],
          ),
        )
        .flat(),
    ]),
    wakes: when(and(asleep, or(name('anyRead'), signs('>=', now, wakesAt))), [
      set(asleep, bool(false)),
      set(awakeSince, now),
    ]),
    falls: when(and(not(asleep), not(or(...kept)), lasted(awakeSince, sleep.awake)), [
      set(asleep, bool(true)),
      ...turns,
    ]),
  };
}
