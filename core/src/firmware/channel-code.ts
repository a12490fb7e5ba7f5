import {
  and,
  bool,
  call,
  choice,
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
  type Section,
  type Statement,
  type Type,
} from '../code/index.js';
import type { AskedAt } from '../catalog/index.js';
import type { Channel } from '../design/index.js';
import { pinOf } from './pin-of.js';
import { ChannelDecision } from './channel-decision.js';
import type { Board } from './board.js';
import { filterCode } from './filter-code.js';
import { partCode } from './part-code.js';
import { constant, variable, type Frame } from './frame.js';

/** What the program has of one channel: its section, the function that reads it, and what puts its next reading off. */
export interface ChannelProgram {
  section: Section;
  /** Settings at the top. */
  settings: Declaration[];
  /** Reads it if it is time. */
  reads: string;
  due: string;
  every: string;
  /** How it takes a number from a part, and the names of its settings. */
  asked?: { by: AskedAt; pins: ReadonlyMap<string, string> };
  /** A flag that stands as long as it keeps the controller from sleeping. */
  keepsAwake?: string;
  /** A flag that an edge sets, and the function that does so. */
  edge?: {
    flag: string;
    notes: string;
    /** Where the level at the edge is kept. */
    level?: string;
    /** It is read at once, not only remembered. */
    atOnce: boolean;
  };
}

/** Writes how one channel is read and what is made of it, step by step as docs/rules.md tells. */
export function channelCode(frame: Frame, board: Board, channel: Channel): ChannelProgram {
  return new ChannelWriter(frame, board, channel).program();
}

const now = name('now');

class ChannelWriter extends ChannelDecision {
  program(): ChannelProgram {
    const { channel, own, board } = this;
    const asked = own.asked && this.takes(own.asked);
    if (!asked)
      this.settings.push({
        declares: 'constant',
        ...{ name: own.pin, type: 'byte', value: name(board.pin(pinOf(channel.pin))) },
        note: channel.name,
      });
    const every = this.made('Every');
    this.settings.push(
      constant(every, 'moment', ms(channel.every), 'ms from one reading to the next'),
    );
    const due = this.made('Due');
    this.holds.push(variable(due, 'moment'));
    const edge = this.edge();
    const reads = this.made('Read');
    const isDue = signs('>=', now, name(due));
    const wanted = edge?.atOnce ? or(isDue, name(edge.flag)) : isDue;
    const body: Statement[] = [
      ...when(not(wanted), [{ do: 'return', value: bool(false) }]),
      {
        do: 'while',
        when: signs('<=', name(due), now),
        body: [set(due, signs('+', name(due), name(every)))],
      },
      ...this.step(edge),
      { do: 'return', value: bool(true) },
    ];
    this.functions.push({
      declares: 'function',
      ...{ name: reads, takes: [], gives: 'bool', body },
      note: 'Takes a reading if it is time; tells whether it did.',
    });
    const { answers, value, isRead, readAt } = own;
    const seen = [
      seenBy(answers, 'bool'),
      ...(this.isNumber
        ? [seenBy(value, own.type), seenBy(isRead, 'bool'), seenBy(readAt, 'moment')]
        : []),
    ];
    const section: Section = {
      title: channel.name,
      about: channel.id,
      says: [],
      holds: [...seen, ...this.holds, ...this.functions],
    };
    return {
      ...{ section, settings: this.settings, reads, due, every },
      ...(edge ? { edge } : {}),
      ...(this.isLow ? { keepsAwake: this.isLow } : {}),
      ...(asked ? { asked } : {}),
    };
  }

  /** The function that takes its number from a part. */
  private takes(asked: AskedAt): ChannelProgram['asked'] {
    const { value, pins } = partCode(this, this.board, asked);
    this.functions.push({
      declares: 'function',
      ...{ name: this.own.reads, takes: [], gives: 'long', body: [{ do: 'return', value }] },
    });
    return { by: asked, pins };
  }

  /** A flag that it was low when it was last read, where that keeps the controller from sleeping. */
  private isLow?: string;

  /** What notes an edge between two readings. */
  private edge(): ChannelProgram['edge'] {
    const { edge, remembers } = this.channel;
    if (!edge) return undefined;
    const flag = this.made('Edge');
    const flagged = variable(flag, 'bool', bool(false), 'set as the pin turns');
    this.holds.push({ ...flagged, interrupted: true } as Declaration);
    if (edge === 'low' && this.frame.design.controller.sleep) {
      this.isLow = this.made('IsLow');
      this.holds.push(variable(this.isLow, 'bool'));
    }
    const level = remembers && edge === 'change' ? this.made('EdgeLevel') : undefined;
    if (level) this.holds.push({ ...variable(level, 'bool'), interrupted: true } as Declaration);
    const notes = this.made('Turned');
    this.functions.push({
      declares: 'function',
      ...{ name: notes, takes: [], interrupts: true },
      body: [
        ...(level ? [set(level, this.board.readHigh(name(this.own.pin)))] : []),
        set(flag, bool(true)),
      ],
      note: 'As the pin turns: notes it, and does nothing else.',
    });
    return { flag, notes, ...(level ? { level } : {}), atOnce: !remembers };
  }

  /** One reading, from the pin to the answer. */
  private step(edge: ChannelProgram['edge']): Statement[] {
    const turned = this.made('HasTurned');
    const level = this.high(edge, name(turned));
    // An edge that comes while the pin is read is noted anew.
    const spoken: Statement[] = edge ? [set(edge.flag, bool(false))] : [];
    if (edge && !edge.atOnce)
      spoken.unshift({ do: 'let', name: turned, type: 'bool', value: name(edge.flag) });
    const high = level && this.keepingAwake(level, spoken);
    const plain = high && this.plainLevel(high);
    if (plain) {
      const speaks = this.made('Speaks');
      const read: Statement = { do: 'let', name: speaks, type: 'bool', value: plain };
      return [...spoken, read, ...this.decide(name(speaks), not(name(speaks)))];
    }
    const counts = this.made('Counts');
    const { asked, reads, counts: type } = this.own;
    const read = high ? choice(high, whole(100), whole(0)) : asked ? call(reads) : this.analogue();
    const { does, value, times } = filterCode(this, name(counts));
    return [
      ...spoken,
      { do: 'let', name: counts, type: asked ? 'long' : type, value: read },
      // A part that does not answer gives no reading.
      ...(asked
        ? when(signs('<', name(counts), whole(0)), [{ do: 'return', value: bool(false) }])
        : []),
      ...does,
      ...this.compared(value, times),
      ...this.kept(value),
    ];
  }

  /** The level, once it is taken down whether it is low where that keeps the controller awake. */
  private keepingAwake(level: Expression, spoken: Statement[]): Expression {
    if (!this.isLow) return level;
    const high = this.made('IsHigh');
    spoken.push(
      { do: 'let', name: high, type: 'bool', value: level },
      set(this.isLow, not(name(high))),
    );
    return name(high);
  }

  private analogue(): Expression {
    const { readAnalogue, label } = this.board;
    if (!readAnalogue) throw new RangeError(`${label}: it has no converter.`);
    return readAnalogue(name(this.own.pin));
  }

  /** Whether a digital pin is high, or was at the edge that is remembered. */
  private high(edge: ChannelProgram['edge'], turned: Expression): Expression | undefined {
    const { own, board, channel } = this;
    if (!own.digital) return undefined;
    const level = board.readHigh(name(own.pin));
    if (!edge || !channel.remembers) return level;
    const then = edge.level ? name(edge.level) : bool(channel.edge === 'rising');
    if (then.is !== 'bool') return choice(turned, then, level);
    return then.value ? or(turned, level) : and(not(turned), level);
  }

  /** A digital pin of which only the level counts: whether it speaks for an answer; undefined where there is more to it. */
  private plainLevel(high: Expression): Expression | undefined {
    const { filter, baseline, trips, threshold, hysteresis } = this.channel;
    if ((filter && filter.n > 1) || baseline || this.isNumber) return undefined;
    const [line, clear] = [threshold, threshold + (trips === 'below' ? hysteresis : -hysteresis)];
    if (trips === 'above' && line >= 0 && line < 100 && clear > 0 && clear <= 100) return high;
    if (trips === 'below' && line > 0 && line <= 100 && clear >= 0 && clear < 100) return not(high);
    return undefined;
  }

  /** What others look at, where they do. */
  private kept(value: Expression): Statement[] {
    const { own, isNumber } = this;
    if (!isNumber) return [];
    return [
      ...(value.is === 'name' && own.value.is === 'name' && value.name === own.value.name
        ? []
        : [set(own.value, value)]),
      set(own.isRead, bool(true)),
      set(own.readAt, now),
    ];
  }
}

/** A variable that rules look at. */
const seenBy = (of: Expression, type: Type): Declaration =>
  variable(of.is === 'name' ? of.name : '', type);
