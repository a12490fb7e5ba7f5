import { kindOfCondition } from '../condition/index.js';
import type { Machine, Output, Rule } from '../design/index.js';
import { reached } from '../quantity/index.js';
import { doAll, type Asked } from './acts.js';
import { restingChannel, stepChannel, type ChannelState } from './channel-step.js';
import { lookAt } from './condition.js';
import { duty } from './drive.js';
import { keepsAwake } from './edge.js';
import { feedsNow } from './feeding.js';
import { causesOf, type Cause, type LogicEvent } from './logic-event.js';
import { stepNotices } from './notices-step.js';
import { stepOutputs } from './outputs-step.js';
import { conditionsOf, type Conditions, type Program, type RulePlaces } from './program.js';
import { ruleDue, stepRule, type RuleLook } from './rule-step.js';
import { fallAsleep, wake } from './sleep.js';
import { restingRule, type LogicState, type ModeState } from './state.js';

/** After so many rounds a pass ends, whether or not anything still changes. */
export const mostRounds = 16;

/**
 * One pass of the controller's loop: takes in the readings that are due and works out modes, rules, outputs
 * and notices, round by round until nothing changes, as docs/rules.md tells. Deterministic, without side
 * effects. A pass that finds no answer changed and nothing due leaves everything else as it is.
 *
 * @param readings counts by channel id; channels without a reading keep their state
 * @param t seconds, not before the last pass
 * @returns the state after the pass, and all that began, ended, was counted, driven or sent in it, in its order, each with
 *   what it came of
 */
export function stepLogic(
  program: Program,
  state: LogicState,
  readings: ReadonlyMap<string, number>,
  t: number,
): [state: LogicState, events: readonly LogicEvent[]] {
  const conditions = conditionsOf(program);
  const { channels, matters, events } = readAll(program, conditions, state, readings, t);
  const awake = wake(program.controller.sleep, state.awake, readings.size > 0, t);
  // Asleep it works out nothing, whatever has fallen due meanwhile.
  const idle = awake.asleep || !reached(t, state.next);
  if (!matters && awake === state.awake && idle) return [{ ...state, channels }, events];
  if (awake !== state.awake) events.push({ kind: 'sleep', begins: false, because: [] });
  const start = { ...state, channels, awake, circling: [] };
  let settled = settle(program, conditions, start, t, events);
  // What held in one round only holds no more: what follows of that is worked out at once.
  for (let n = 1; n < mostRounds && settled.passing && !settled.state.awake.asleep; n++)
    settled = settle(program, conditions, settled.state, t, events);
  return [settled.state, events];
}

function readAll(
  program: Program,
  { numbers }: Conditions,
  state: LogicState,
  readings: ReadonlyMap<string, number>,
  t: number,
): { channels: Record<string, ChannelState>; matters: boolean; events: LogicEvent[] } {
  const channels = { ...state.channels };
  const events: LogicEvent[] = [];
  let matters = false;
  for (const channel of program.channels) {
    const counts = readings.get(channel.id);
    if (counts === undefined) continue;
    const before = channels[channel.id] ?? restingChannel;
    const after = stepChannel(channel, before, counts, t);
    channels[channel.id] = after;
    matters ||=
      after.tripped !== before.tripped ||
      numbers.has(channel.id) ||
      keepsAwake(channel, after) !== keepsAwake(channel, before);
    if (after.tripped !== before.tripped)
      events.push({ kind: 'channel', id: channel.id, begins: after.tripped, because: [] });
  }
  return { channels, matters, events };
}

/** Round by round until nothing changes: each looks at everything first, then changes it all at once; whether an event held in the last. */
function settle(
  program: Program,
  conditions: Conditions,
  start: LogicState,
  t: number,
  events: LogicEvent[],
): { state: LogicState; passing: boolean } {
  let state = start;
  let holds: boolean[] = [];
  let changed: string[] = [];
  for (let round = 0; round < mostRounds; round++) {
    const look = lookAt(conditions.nodes, state.memories, state, t);
    holds = look.holds;
    const turn = turnRound(program, conditions, { ...state, memories: look.memories }, holds, t);
    state = turn.state;
    changed = turn.changed;
    events.push(...turn.events);
    if (changed.length === 0) break;
  }
  const { outputs, ...driven } = stepOutputs(program, state, t);
  const { notices, ...sent } = stepNotices(program, state, holds, t);
  events.push(...driven.events, ...sent.events);
  const { unless } = conditions;
  const kept =
    isMet(holds, unless) === true ||
    program.channels.some((c) => keepsAwake(c, state.channels[c.id] ?? restingChannel));
  const awake = fallAsleep(program.controller.sleep, state.awake, kept, t);
  if (awake !== state.awake) events.push({ kind: 'sleep', begins: true, because: [] });
  const next = Math.min(driven.due, sent.due, nextChange(program, state, t));
  const passing = conditions.nodes.some(
    ({ condition }, i) => holds[i] && kindOfCondition(condition).event,
  );
  return { state: { ...state, outputs, notices, awake, next, circling: changed }, passing };
}

/** One round: what it has seen before anything changes, and what it makes of it. */
interface Turn {
  state: LogicState;
  /** Ids of what it changed. */
  changed: string[];
  events: LogicEvent[];
}

/** Everything that one round changes, from what it has seen. */
function turnRound(
  program: Program,
  conditions: Conditions,
  state: LogicState,
  holds: readonly boolean[],
  t: number,
): Turn {
  const changed: string[] = [];
  const events: LogicEvent[] = [];
  const asked: Asked[] = [];
  const because = (...places: (number | undefined)[]): Cause[] =>
    places.flatMap((place) => causesOf(conditions.nodes, holds, place));
  const modes = { ...state.modes };
  program.machines.forEach(({ id, transitions }, m) => {
    const [places = [], now] = [conditions.transitions[m], state.modes[id]];
    const way = now ? dueTransition(transitions, places, now, holds, t) : -1;
    const taken = transitions[way];
    if (!now || !taken) return;
    const { to, after, then = [] } = taken;
    const { mode: from } = now;
    modes[id] = { mode: to, since: t };
    changed.push(id);
    const own: Cause[] = after === undefined ? [] : [{ kind: 'mode', id }];
    events.push({ kind: 'mode', id, from, to, way, because: [...because(places[way]), ...own] });
    asked.push(...then.map((act): Asked => ({ act, by: [{ kind: 'mode', id }] })));
  });
  const rules = { ...state.rules };
  program.rules.forEach((rule, r) => {
    const { id } = rule;
    const places = conditions.rules[r];
    if (!places) return;
    const before = state.rules[id] ?? restingRule;
    const after = stepRule(rule, before, lookOf(places, holds), t);
    rules[id] = after;
    const begins = after.active;
    if (begins === before.active) return;
    changed.push(id);
    const ended = isMet(holds, places.until) ? because(places.until) : [];
    const began = begins ? because(places.when, places.while) : ended;
    events.push({ kind: 'rule', id, begins, because: began });
    if (begins) asked.push(...actsOf(rule));
  });
  const done = doAll(program, [...asked, ...overNow(program, state, t)], state, t);
  if (done.events.length > 0) changed.push('acts');
  const { counters, playing } = done;
  events.push(...done.events);
  return { state: { ...state, modes, rules, counters, playing }, changed, events };
}

/** Whether the condition at a place holds; undefined where there is none. */
const isMet = (holds: readonly boolean[], place: number | undefined): boolean | undefined =>
  place === undefined ? undefined : holds[place];

const lookOf = (places: RulePlaces, holds: readonly boolean[]): RuleLook => ({
  holds: (isMet(holds, places.when) ?? false) && (isMet(holds, places.while) ?? true),
  ends: isMet(holds, places.until) ?? false,
});

/** What a rule does once, when it begins. */
const actsOf = ({ id, then }: Rule): Asked[] =>
  then.flatMap((act) =>
    act.do === 'drive' ? [] : [{ act, by: [{ kind: 'rule', id, begins: true }] }],
  );

/** Sequences whose time is over stop. */
const overNow = ({ sequences }: Program, { playing }: LogicState, t: number): Asked[] =>
  sequences.flatMap(({ id, length, times }) => {
    const began = playing[id];
    const over = began !== undefined && reached(t, began + length * (times || Infinity));
    return over ? [{ act: { do: 'stop' as const, sequence: id }, by: [] }] : [];
  });

/** The place of the first transition that leaves the mode and is due; −1 without one. */
const dueTransition = (
  transitions: Machine['transitions'],
  places: readonly (number | undefined)[],
  now: ModeState,
  holds: readonly boolean[],
  t: number,
): number =>
  transitions.findIndex(({ from, to, after = 0 }, i) => {
    if (from === undefined ? now.mode === to : now.mode !== from) return false;
    return reached(t, now.since + after) && (isMet(holds, places[i]) ?? true);
  });

/** When something that waits may change: conditions, rules, modes, sequences and sleep, s. */
function nextChange(program: Program, state: LogicState, t: number): number {
  let next = Infinity;
  const at = (moment: number): void => {
    if (moment > t && moment < next) next = moment;
  };
  for (const { due } of state.memories) if (due !== undefined) at(due);
  for (const rule of program.rules) at(ruleDue(rule, state.rules[rule.id] ?? restingRule, t));
  for (const machine of program.machines) {
    const now = state.modes[machine.id];
    if (!now) continue;
    for (const { from, after } of machine.transitions)
      if (after !== undefined && (from === undefined || from === now.mode)) at(now.since + after);
  }
  for (const sequence of program.sequences) {
    const began = state.playing[sequence.id];
    if (began !== undefined && sequence.times > 0) at(began + sequence.length * sequence.times);
  }
  at(state.awake.until);
  return next;
}

/** Share of the time an output is on at a moment. */
export function outputDuty(state: LogicState, output: Output, t: number): number {
  if (output.feeds) return feedsNow(state, t) ? 1 : 0;
  const now = state.outputs[output.id];
  return now ? duty(output, now, t) : 0;
}

/** Whether an output is on at all. */
export const outputOn = (state: LogicState, output: Output, t: number): boolean =>
  outputDuty(state, output, t) > 0;
