import {
  bool,
  name,
  Names,
  signs,
  snake,
  whole,
  type Declaration,
  type Expression,
  type Type,
} from '../code/index.js';
import type { ChannelCode } from '../condition/index.js';
import { askedAt, channelReader, type AskedAt } from '../catalog/index.js';
import type { Channel, Design, Rule } from '../design/index.js';

const dayMs = 86_400_000;

/** Variables of a channel that others look at. */
export interface ChannelNames extends ChannelCode {
  base: string;
  pin: string;
  digital: boolean;
  /** How it takes its number from a part, and the function that does; left out where it is read at a pin. */
  asked?: AskedAt;
  reads: string;
  /** A type for one of its counts. */
  counts: Type;
}

/** Variables of a mode chart. */
interface ChartNames {
  base: string;
  mode: string;
  since: string;
  /** Whether a mode was entered in this pass, where that is told. */
  entered: string;
  modes: ReadonlyMap<string, string>;
}

/** Variables of a rule. */
interface RuleNames {
  base: string;
  active: string;
  /** How often it began or ended in this pass, where that is told. */
  turns: string;
}

/** The names of everything in a program, and what its parts tell each other. */
export class Frame {
  readonly names = new Names();
  private readonly channels = new Map<string, ChannelNames>();
  private readonly charts = new Map<string, ChartNames>();
  private readonly counters = new Map<string, string>();
  private readonly rules = new Map<string, RuleNames>();
  private readonly sequences = new Map<string, { base: string; played: string; since: string }>();
  readonly outputs = new Map<string, { base: string; pin: string }>();
  /** Moment at which midnight would have been on the board's clock, counted so that it is never below 0. */
  private readonly clockStart = 'clockStart';
  /** Whether anything asks for the time of day. */
  wantsClock = false;

  /** @param quiet whether it is to say nothing over its serial line */
  constructor(
    readonly design: Design,
    readonly quiet = false,
  ) {
    const { names } = this;
    names.make('clockStart', 'clockStart');
    for (const channel of design.channels) this.channels.set(channel.id, this.nameChannel(channel));
    for (const { id, name: called } of design.outputs) {
      const base = names.make(called, id);
      this.outputs.set(id, { base, pin: names.extend(base, 'Pin') });
    }
    for (const { id, name: called } of design.counters)
      this.counters.set(id, names.make(called, id));
    for (const machine of design.machines) {
      const mode = names.make(machine.name, machine.id);
      const modes = machine.modes.map(
        (m) => [m.id, names.make(`${words(mode)} ${m.name}`, `${words(mode)} ${m.id}`)] as const,
      );
      const since = names.extend(mode, 'Since');
      const entered = names.extend(mode, 'Entered');
      this.charts.set(machine.id, { base: mode, mode, since, entered, modes: new Map(modes) });
    }
    for (const rule of design.rules) {
      const base = names.make(`${this.ruleName(rule)} rule`, `rule ${rule.id}`);
      this.rules.set(rule.id, {
        base,
        active: names.extend(base, 'Active'),
        turns: names.extend(base, 'Turns'),
      });
    }
    for (const { id, name: called } of design.sequences) {
      const base = names.make(called, id);
      const played = names.extend(base, 'Played');
      this.sequences.set(id, { base, played, since: names.extend(base, 'Since') });
    }
  }

  private nameChannel(channel: Channel): ChannelNames {
    const { names, design } = this;
    const { id, filter } = channel;
    // Waking, all channels are read.
    const every = Math.min(channel.every, design.controller.sleep?.every ?? Infinity);
    const base = names.make(channel.name, id);
    const reader = channelReader(design, channel.pin);
    const counts: Type = (reader?.full ?? 0) > 32_767 ? 'long' : 'int';
    const type: Type = filter && filter.n > 1 ? 'real' : counts;
    const made = (end: string): Expression => name(names.extend(base, end));
    const asked = askedAt(design, channel.pin);
    return {
      ...{ base, type, every, counts, ...(asked ? { asked } : {}) },
      pin: names.extend(base, 'Pin'),
      reads: names.extend(base, 'Taken'),
      digital: reader?.by === 'level',
      answers: made('Answers'),
      value: made('Value'),
      isRead: made('IsRead'),
      readAt: made('ReadAt'),
    };
  }

  /** What a rule drives first gives it its name. */
  private ruleName({ then, id }: Rule): string {
    const { outputs, counters, sequences } = this.design;
    const [first] = then;
    if (!first) return id;
    const found =
      first.do === 'drive'
        ? outputs.find((o) => o.id === first.output)
        : 'counter' in first
          ? counters.find((c) => c.id === first.counter)
          : sequences.find((s) => s.id === first.sequence);
    return found?.name ?? id;
  }

  /** Whether what begins and ends is told: over the serial line, or to the maker's own code. */
  get tells(): boolean {
    return !this.quiet || this.design.controller.code?.event !== undefined;
  }

  channel = (id: string): ChannelNames => known(this.channels, id, 'channel');
  chart = (id: string): ChartNames => known(this.charts, id, 'mode chart');
  counter = (id: string): string => known(this.counters, id, 'counter');
  rule = (id: string): RuleNames => known(this.rules, id, 'rule');
  sequence = (id: string): { base: string; played: string; since: string } =>
    known(this.sequences, id, 'sequence');
  output = (id: string): { base: string; pin: string } => known(this.outputs, id, 'output');

  inMode(machine: string, mode: string): Expression {
    const chart = this.chart(machine);
    return signs('==', name(chart.mode), name(known(chart.modes, mode, 'mode')));
  }

  /** The function that looks whether to stay awake, where there is one. */
  sleepLook?: string;
  /** A flag that something holds in this round only, where anything can. */
  passing?: string;
  /** Rules that conditions ask for: whether they are active is told before everything that asks. */
  readonly asked = new Set<string>();
  /** Since when rules that tell it are active, by rule. */
  readonly began = new Map<string, Expression>();
  private readonly done = new Map<string, string>();

  /** The function that sets a counter, or begins or stops a sequence. */
  does(what: 'count' | 'play' | 'stop', id: string): string {
    const key = `${what} ${id}`;
    const known = this.done.get(key);
    if (known) return known;
    const base = what === 'count' ? this.counter(id) : this.sequence(id).base;
    const made = this.names.make(`${what === 'count' ? 'set' : what} ${words(base)}`, id);
    this.done.set(key, made);
    return made;
  }

  private shareName?: string;
  /** The function that keeps a share between 0 and 1, once it is wanted. */
  get share(): string {
    return (this.shareName ??= this.names.make('share', 'share'));
  }

  get wantsShare(): boolean {
    return this.shareName !== undefined;
  }

  /** Time of day, ms after midnight. */
  get clock(): Expression {
    this.wantsClock = true;
    return signs('%', signs('+', name(this.clockStart), name('now')), whole(dayMs, 'moment'));
  }
}

/** Something names what a design does not have. */
export class UnknownName extends RangeError {}

/** The words of a name: lowerBeam → lower beam. */
const words = (called: string): string => snake(called).replaceAll('_', ' ');

function known<T>(of: ReadonlyMap<string, T>, id: string, what: string): T {
  const found = of.get(id);
  if (found === undefined)
    throw new UnknownName(`It names a ${what} "${id}" that the design does not have`);
  return found;
}

export const variable = (
  called: string,
  type: Type,
  value: Expression = type === 'bool' ? bool(false) : whole(0, type),
  note?: string,
): Declaration => ({ declares: 'variable', name: called, type, value, ...(note ? { note } : {}) });

export const constant = (
  called: string,
  type: Type,
  value: Expression,
  note?: string,
): Declaration => ({ declares: 'constant', name: called, type, value, ...(note ? { note } : {}) });
