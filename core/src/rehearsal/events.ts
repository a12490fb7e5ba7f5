import type { Span } from '../scene/index.js';
import { isJammed } from './jammed.js';
import { kindOf } from '../catalog/index.js';
import { sayMode } from '../condition/index.js';
import type { Design } from '../design/index.js';
import {
  baselineCounts,
  levelsOf,
  sayRule,
  sayTrigger,
  type Cause,
  type LogicEvent,
  type LogicState,
} from '../logic/index.js';
import { branchOf } from '../wiring/index.js';
import type { Outage } from './supervisor.js';
import { countUpTo, type ActingChange, type LogicChange } from './traces.js';

/** Something that came about in a rehearsal, and which others brought it about. */
export interface Event {
  t: number;
  kind: 'channel' | 'mode' | 'rule' | 'counter' | 'sequence' | 'notice' | 'acting' | 'controller';
  /** Of what it is about; a mode's is its chart's. */
  id: string;
  text: string;
  /** Whether it began or ended; a count or notice begins. */
  begins: boolean;
  /** Places of earlier events in the list that brought it about. */
  because: number[];
}

/** A list of events being made, with what was last heard of each thing. */
class Chronicle {
  readonly events: Event[] = [];
  private readonly last = new Map<string, number>();

  /** @param because causes of which nothing was heard are left out */
  add(event: Omit<Event, 'because'>, because: readonly Cause[]): void {
    const places = because.flatMap((cause) => this.last.get(keyOf(cause)) ?? []);
    for (const { begins } of [event, { begins: undefined }])
      this.last.set(keyOf({ ...event, begins }), this.events.length);
    this.events.push({ ...event, because: [...new Set(places)] });
  }
}

const keyOf = ({ kind, id, begins }: Pick<Event, 'kind' | 'id'> & { begins?: boolean }): string =>
  `${kind} ${id} ${begins ?? 'whatever'}`;

/**
 * Everything that came about, in its order: answers, modes, rules, counts, sequences, notices, and what parts
 * did, each with what brought it about.
 */
export function eventsOf(
  design: Design,
  record: {
    logic: readonly LogicChange[];
    acting: readonly ActingChange[];
    outages?: readonly Outage[];
    jams?: readonly Span[];
  },
): Event[] {
  const chronicle = new Chronicle();
  const driven = new Driven(design, record.logic);
  const changed = new Map<string, number>();
  const others = [
    ...record.acting.map((a) => {
      const since = changed.get(a.part) ?? 0;
      changed.set(a.part, a.t);
      return {
        t: a.t,
        add: () => chronicle.add(actingEvent(design, a), driven.causesOf(a, since)),
      };
    }),
    ...(record.outages ?? []).flatMap((o) => outageEvents(chronicle, o)),
  ].sort((a, b) => a.t - b.t);
  let next = 0;
  const othersUntil = (t: number): void => {
    for (let other = others[next]; other && other.t < t; other = others[++next]) other.add();
  };
  for (const change of record.logic) {
    othersUntil(change.t);
    for (const event of change.events) {
      const said = sayEvent(design, event, change.logic);
      if (!said) continue;
      const told =
        event.kind === 'notice'
          ? lostIn(record.jams ?? [], change.t) + shownOn(design, record.acting, change.t)
          : '';
      chronicle.add({ t: change.t, ...said, text: said.text + told }, event.because);
    }
  }
  othersUntil(Infinity);
  return chronicle.events;
}

/** That nobody hears what is sent, in words. */
const lostIn = (jams: readonly Span[], t: number): string =>
  isJammed(jams, t) ? '; the radio is jammed, and nobody hears it' : '';

/** What shows what is told at a moment, in words. */
function shownOn({ parts }: Design, acting: readonly ActingChange[], t: number): string {
  const showing = parts.filter((part) => {
    const last = acting.filter((a) => a.part === part.id && a.t <= t).at(-1);
    return kindOf(part).shows && last?.active;
  });
  return showing.map(({ name }) => `; ${name} shows it`).join('');
}

/** That the controller stops, and that it runs again. */
const outageEvents = (chronicle: Chronicle, { from, to, because }: Outage) =>
  [
    { t: from, begins: false, text: `The controller stops: ${because}` },
    { t: to, begins: true, text: 'The controller runs again' },
  ].map((event) => ({
    t: event.t,
    add: () => chronicle.add({ kind: 'controller', id: 'controller', ...event }, []),
  }));

/** An event of the controller in words; undefined for one that shows in what parts do. */
function sayEvent(
  design: Design,
  event: LogicEvent,
  state: LogicState,
): Pick<Event, 'kind' | 'id' | 'begins' | 'text'> | undefined {
  const named = (list: readonly { id: string; name: string }[], id: string): string =>
    list.find((item) => item.id === id)?.name ?? id;
  switch (event.kind) {
    case 'channel':
      return { ...event, text: answerText(design, event.id, state) };
    case 'mode':
      return { kind: 'mode', id: event.id, begins: true, text: sayWay(design, event) };
    case 'rule': {
      const rule = design.rules.find((r) => r.id === event.id);
      const began = event.begins && rule ? `: ${sayRule(design, rule)}` : ' is over';
      return { ...event, text: `${event.id}${began}` };
    }
    case 'counter': {
      const { kind, id, from, to } = event;
      const text = `${named(design.counters, id)}: ${from} → ${to}`;
      return { kind, id, begins: to > from, text };
    }
    case 'sequence': {
      const does = event.begins ? 'plays' : 'has ended';
      return { ...event, text: `${named(design.sequences, event.id)} ${does}` };
    }
    case 'notice': {
      const { kind, id, told, why } = event;
      const because = why === 'change' ? 'it has changed' : 'as a sign of life';
      const text = `${named(design.notices, id)}: “${told}” sent, ${because}`;
      return { kind, id, begins: why === 'change', text };
    }
    default:
      return undefined;
  }
}

function sayWay(design: Design, { id, to, way }: Extract<LogicEvent, { kind: 'mode' }>): string {
  const machine = design.machines.find((m) => m.id === id);
  if (!machine) return id;
  const taken = way === undefined ? undefined : machine.transitions[way];
  const trigger = taken ? `, ${sayTrigger(design, taken)}` : '';
  return `${machine.name}: ${sayMode({ ...design, machines: [machine] }, id, to)}${trigger}`;
}

/** "North yes: 431 above 412, 3 times in a row". */
function answerText(design: Design, id: string, { channels }: LogicState): string {
  const channel = design.channels.find((c) => c.id === id);
  const state = channels[id];
  if (!channel || !state) return id;
  const value = Math.round((state.value ?? 0) * 10) / 10;
  const answer = `${channel.name} ${state.tripped ? 'yes' : 'no'}`;
  const needed = state.on ? channel.hits : channel.misses;
  const levels = levelsOf(channel, baselineCounts(channel.baseline, state.baseline));
  const level = levels.reduce((a, b) =>
    Math.abs(value - b.trip) < Math.abs(value - a.trip) ? b : a,
  );
  const row = needed > 1 ? `, ${needed} times in a row` : '';
  return state.on === state.answer
    ? `${answer}: ${value} ${state.on ? level.side : 'past'} ${Math.round((state.on ? level.trip : level.clear) * 10) / 10}${row}`
    : `${answer}: its time is over`;
}

function actingEvent(design: Design, change: ActingChange): Omit<Event, 'because'> {
  const part = design.parts.find((p) => p.id === change.part);
  const word = (part && kindOf(part).acts?.word) ?? 'acting';
  const text = `${part?.name ?? change.part} ${change.active ? word : `no longer ${word}`}: ${change.because}`;
  return { t: change.t, kind: 'acting', id: change.part, begins: change.active, text };
}

/** What is no farther apart happens at one moment, s. */
const at = 1e-6;

/** Which parts each output reaches, and what turned it when. */
class Driven {
  private readonly reached = new Map<string, ReadonlySet<string>>();
  private readonly turns: { t: number; output: string; because: readonly Cause[] }[];

  constructor(
    private readonly design: Design,
    log: readonly LogicChange[],
  ) {
    this.turns = log.flatMap(({ t, events }) =>
      events.flatMap((e) => (e.kind === 'output' ? [{ t, output: e.id, because: e.because }] : [])),
    );
  }

  /**
   * What turned the outputs that reach a part when one of them turned last before it began or ceased to act: a relay takes
   * its time.
   *
   * @param since when it began or ceased to act before that: what turned until then has had its effect
   */
  causesOf({ part, t }: ActingChange, since: number): Cause[] {
    const from = countUpTo(this.turns, Math.min(since, t - 2 * at) + at, (turn) => turn.t);
    const to = countUpTo(this.turns, t + at, (turn) => turn.t);
    const turns = this.turns.slice(from, to).filter((turn) => this.reach(turn.output).has(part));
    const last = turns[turns.length - 1]?.t ?? 0;
    return turns.filter((turn) => turn.t >= last - at).flatMap(({ because }) => because);
  }

  private reach(output: string): ReadonlySet<string> {
    const known = this.reached.get(output);
    if (known) return known;
    const pin = this.design.outputs.find((o) => o.id === output)?.pin;
    const found = new Set(pin === undefined ? [] : branchOf(this.design, pin));
    this.reached.set(output, found);
    return found;
  }
}

/** How an event came about, from its first cause on; each cause once. */
export function chainOf(events: readonly Event[], place: number): Event[] {
  const seen = new Set<number>();
  const walk = (i: number): void => {
    if (seen.has(i) || seen.size > 20) return;
    for (const cause of events[i]?.because ?? []) walk(cause);
    seen.add(i);
  };
  walk(place);
  return [...seen].flatMap((i) => events[i] ?? []);
}
