import { kindOf } from '../catalog/index.js';
import { partsOf, type Condition, type Design } from '../design/index.js';
import {
  baselineCounts,
  levelsOf,
  sayMode,
  sayRule,
  sayTrigger,
  type LogicState,
} from '../logic/index.js';
import type { Outage } from './supervisor.js';
import type { ActingChange, LogicChange } from './traces.js';

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

  add(event: Omit<Event, 'because'>, because: readonly (string | undefined)[]): void {
    const places = because.flatMap((key) => (key ? (this.last.get(key) ?? []) : []));
    const key = `${event.kind} ${event.id}`;
    this.last.set(
      event.kind === 'channel' ? `${key} ${event.begins ? 'yes' : 'no'}` : key,
      this.events.length,
    );
    this.events.push({ ...event, because: [...new Set(places)] });
  }
}

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
  },
): Event[] {
  const chronicle = new Chronicle();
  const others = [
    ...record.acting.map((a) => ({ t: a.t, add: () => addActing(design, chronicle, a) })),
    ...(record.outages ?? []).flatMap((o) => outageEvents(chronicle, o)),
  ].sort((a, b) => a.t - b.t);
  let next = 0;
  const othersUntil = (t: number): void => {
    for (; next < others.length && others[next].t < t; next++) others[next].add();
  };
  for (let i = 1; i < record.logic.length; i++) {
    const [before, { t, logic: after }] = [record.logic[i - 1].logic, record.logic[i]];
    othersUntil(t);
    addChange(design, chronicle, before, after, t);
  }
  othersUntil(Infinity);
  return chronicle.events;
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

function addChange(
  design: Design,
  chronicle: Chronicle,
  before: LogicState,
  after: LogicState,
  t: number,
): void {
  for (const { id } of design.channels) {
    const begins = after.channels[id]?.tripped ?? false;
    if (begins !== (before.channels[id]?.tripped ?? false))
      chronicle.add({ t, kind: 'channel', id, begins, text: answerText(design, id, after) }, []);
  }
  for (const machine of design.machines) {
    const [from, to] = [before.modes[machine.id]?.mode, after.modes[machine.id]?.mode];
    if (from === to || to === undefined) continue;
    const way = machine.transitions.find((w) => w.to === to && (w.from ?? from) === from);
    const text = `${machine.name}: ${sayMode({ ...design, machines: [machine] }, machine.id, to)}${way ? `, ${sayTrigger(design, way)}` : ''}`;
    const because = [
      ...namedIn(way?.when),
      way?.after === undefined ? undefined : `mode ${machine.id}`,
    ];
    chronicle.add({ t, kind: 'mode', id: machine.id, begins: true, text }, because);
  }
  for (const rule of design.rules) {
    const begins = after.rules[rule.id]?.active ?? false;
    const began = after.rules[rule.id]?.began !== before.rules[rule.id]?.began;
    if (!began && begins === before.rules[rule.id]?.active) continue;
    const because = [...namedIn(rule.when), ...namedIn(rule.while)];
    const text = began ? `${rule.id}: ${sayRule(design, rule)}` : `${rule.id} is over`;
    chronicle.add({ t, kind: 'rule', id: rule.id, begins: began, text }, began ? because : []);
  }
  addCounts(design, chronicle, before, after, t);
}

function addCounts(
  design: Design,
  chronicle: Chronicle,
  before: LogicState,
  after: LogicState,
  t: number,
): void {
  for (const { id, name } of design.counters) {
    const [was, is] = [before.counters[id], after.counters[id]];
    if (was === is) continue;
    const by = design.rules
      .filter((r) => r.then.some((act) => 'counter' in act && act.counter === id))
      .map((r) => `rule ${r.id}`);
    chronicle.add(
      { t, kind: 'counter', id, begins: is > was, text: `${name}: ${was} → ${is}` },
      by,
    );
  }
  for (const { id, name } of design.sequences) {
    const [was, is] = [before.playing[id], after.playing[id]];
    if (was === is) continue;
    const begins = is !== undefined;
    const text = `${name} ${begins ? 'plays' : 'has ended'}`;
    chronicle.add({ t, kind: 'sequence', id, begins, text }, []);
  }
  for (const { id, name } of design.notices) {
    const [was, is] = [before.notices[id], after.notices[id]];
    if (!is || is.sent === (was?.sent ?? 0)) continue;
    const text = `${name}: “${is.told}” sent, ${is.why === 'change' ? 'it has changed' : 'as a sign of life'}`;
    chronicle.add({ t, kind: 'notice', id, begins: is.why === 'change', text }, []);
  }
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

/** What a condition looks at, as events are called: that a channel says yes, or no where the condition wants that. */
function namedIn(condition: Condition | undefined, not = false): string[] {
  if (!condition) return [];
  if ('channel' in condition) return [`channel ${condition.channel} ${not ? 'no' : 'yes'}`];
  if (condition.is === 'mode') return [`mode ${condition.machine}`];
  if (condition.is === 'count') return [`counter ${condition.counter}`];
  if (condition.is === 'rule') return [`rule ${condition.rule}`];
  if (condition.is === 'playing') return [`sequence ${condition.sequence}`];
  const turns = condition.is === 'not' || condition.is === 'ends';
  return partsOf(condition).flatMap((part) => namedIn(part, not !== turns));
}

function addActing(design: Design, chronicle: Chronicle, change: ActingChange): void {
  const part = design.parts.find((p) => p.id === change.part);
  const word = (part && kindOf(part).acts?.word) ?? 'acting';
  const text = `${part?.name ?? change.part} ${change.active ? word : `no longer ${word}`}: ${change.because}`;
  const rules = change.active
    ? design.rules
        .filter((r) => r.then.some((act) => act.do === 'drive'))
        .map((r) => `rule ${r.id}`)
    : [];
  const { t, active: begins, part: id } = change;
  chronicle.add({ t, kind: 'acting', id, begins, text }, newest(chronicle, rules, t));
}

/** Of several rules those that began just now. */
const newest = (chronicle: Chronicle, keys: readonly string[], t: number): string[] =>
  keys.filter((key) =>
    chronicle.events.some(
      (e) => `${e.kind} ${e.id}` === key && e.begins && Math.abs(e.t - t) < 1e-6,
    ),
  );

/** How an event came about, from its first cause on; each cause once. */
export function chainOf(events: readonly Event[], place: number): Event[] {
  const seen = new Set<number>();
  const walk = (i: number): void => {
    if (seen.has(i) || seen.size > 20) return;
    for (const cause of events[i].because) walk(cause);
    seen.add(i);
  };
  walk(place);
  return [...seen].map((i) => events[i]);
}
