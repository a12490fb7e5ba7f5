import {
  and,
  bool,
  choice,
  lasted,
  name,
  not,
  or,
  set,
  signs,
  when,
  real,
  type Declaration,
  type Expression,
  type Section,
  type Statement,
} from '../code/index.js';
import type { Notice } from '../design/index.js';
import type { Board, Told } from './board.js';
import { tellCode } from './tell-code.js';
import { variable, type Frame } from './frame.js';
import { Looks } from './look-code.js';

/** A notice: what it tells, when it is sent. */
export interface NoticeProgram {
  section: Section;
  looks?: string;
  sends: string;
}

/** What a notice would tell now: by a value that can be compared with what was told. */
interface Telling {
  value: Expression;
  type: 'bool' | 'byte' | 'long' | 'real';
  told: Told;
  /** Whether there is anything to tell; left out where there always is. */
  isThere?: Expression;
  /** Whether it is another than what was told. */
  differs(from: Expression): Expression;
}

export function noticeCode(frame: Frame, board: Board, notice: Notice): NoticeProgram {
  const { id, heartbeat, gap } = notice;
  const base = frame.names.make(notice.name, id);
  const made = (end: string): string => frame.names.extend(base, end);
  const looks = new Looks(frame);
  const telling = tellingOf(frame, notice, base, looks);
  const [sent, sentAt, told] = [made('Sent'), made('SentAt'), made('Told')];
  const timed = heartbeat !== undefined || gap !== undefined;
  const changed = made('Changed');
  const isChanged = or(not(name(sent)), telling.differs(name(told)));
  const due =
    heartbeat === undefined ? name(changed) : or(name(changed), lasted(name(sentAt), heartbeat));
  const free = gap ? or(not(name(sent)), lasted(name(sentAt), gap)) : bool(true);
  const sends = made('Send');
  const body: Statement[] = [
    { do: 'let', name: changed, type: 'bool', value: isChanged },
    ...when(and(telling.isThere ?? bool(true), free, due), [
      ...when(name(changed), [set(told, telling.value)]),
      ...tellCode(frame, board, 'notice', notice.name, asKept(telling.told, name(told))),
      set(sent, bool(true)),
      ...(timed ? [set(sentAt, name('now'))] : []),
    ]),
  ];
  const look = looks.function(base);
  const holds: Declaration[] = [
    variable(sent, 'bool'),
    variable(told, telling.type),
    ...(timed ? [variable(sentAt, 'moment')] : []),
    ...look.declares,
    {
      declares: 'function',
      name: sends,
      takes: [],
      body,
      note: 'Tells it where it is another, or time for a sign of life.',
    },
  ];
  return {
    ...(look.called ? { looks: look.called } : {}),
    sends,
    section: { title: notice.name, about: id, says: [], holds },
  };
}

/** A number is told as it is kept, a text as it stands. */
const asKept = (told: Told, kept: Expression): Told =>
  'text' in told ? told : 'count' in told ? { count: kept } : { reading: kept };

function tellingOf(frame: Frame, { tells }: Notice, base: string, looks: Looks): Telling {
  const another = (value: Expression) => (from: Expression) => signs('!=', value, from);
  switch (tells.tell) {
    case 'condition': {
      // As it was looked at in the last round.
      const value = looks.at(tells.condition, base, 'Holds');
      const text = choice(value, { is: 'text', value: 'yes' }, { is: 'text', value: 'no' });
      return { value, type: 'bool', told: { text }, differs: another(value) };
    }
    case 'counter': {
      const value = name(frame.counter(tells.counter));
      return { value, type: 'long', told: { count: value }, differs: another(value) };
    }
    case 'mode': {
      const chart = frame.chart(tells.machine);
      const value = name(chart.mode);
      const modes = frame.design.machines.find((m) => m.id === tells.machine)?.modes ?? [];
      const text = modes.reduceRight<Expression>(
        (otherwise, m) =>
          choice(frame.inMode(tells.machine, m.id), { is: 'text', value: m.name }, otherwise),
        { is: 'text', value: '' },
      );
      return { value, type: 'byte', told: { text }, differs: another(value) };
    }
    case 'reading': {
      const { value, isRead } = frame.channel(tells.channel);
      const by = real(tells.by);
      return {
        ...{ value, type: 'real', told: { reading: value }, isThere: isRead },
        differs: (from) =>
          or(signs('>=', signs('-', value, from), by), signs('>=', signs('-', from, value), by)),
      };
    }
  }
}
