import type { Act, Machine, Output } from '../design/index.js';
import { doAll } from './acts.js';
import { restingChannel, stepChannel, type ChannelState } from './channel-step.js';
import { lookAt } from './condition.js';
import { duty } from './drive.js';
import { stepNotices } from './notices-step.js';
import { stepOutputs } from './outputs-step.js';
import { conditionsOf, type Conditions, type Program } from './program.js';
import { ruleDue, stepRule } from './rule-step.js';
import { fallAsleep, wake } from './sleep.js';
import { restingRule, type LogicState } from './state.js';

/** After so many rounds a pass ends, whether or not anything still changes. */
export const mostRounds = 16;

/**
 * One pass of the controller's loop: takes in the readings that are due and works out modes, rules, outputs
 * and notices, round by round until nothing changes, as docs/rules.md tells. Deterministic, without side
 * effects. A pass that finds no answer changed and nothing due leaves everything else as it is.
 *
 * @param readings counts by channel id; channels without a reading keep their state
 * @param t seconds, not before the last pass
 */
export function stepLogic(
  program: Program,
  state: LogicState,
  readings: ReadonlyMap<string, number>,
  t: number,
): LogicState {
  const conditions = conditionsOf(program);
  const { channels, matters } = readAll(program, conditions, state, readings, t);
  const awake = wake(program.controller.sleep, state.awake, readings.size > 0, t);
  if (!matters && awake === state.awake && t < state.next) return { ...state, channels };
  return settle(program, conditions, { ...state, channels, awake, circling: [] }, t);
}

function readAll(
  program: Program,
  { numbers }: Conditions,
  state: LogicState,
  readings: ReadonlyMap<string, number>,
  t: number,
): { channels: Record<string, ChannelState>; matters: boolean } {
  const channels = { ...state.channels };
  let matters = false;
  for (const channel of program.channels) {
    const counts = readings.get(channel.id);
    if (counts === undefined) continue;
    const before = channels[channel.id] ?? restingChannel;
    const after = stepChannel(channel, before, counts, t);
    channels[channel.id] = after;
    matters ||= after.tripped !== before.tripped || numbers.has(channel.id);
  }
  return { channels, matters };
}

/** Round by round until nothing changes: each looks at everything first, then changes it all at once. */
function settle(
  program: Program,
  conditions: Conditions,
  start: LogicState,
  t: number,
): LogicState {
  let state = start;
  let holds: boolean[] = [];
  let changed: string[] = [];
  for (let round = 0; round < mostRounds; round++) {
    const look = lookAt(conditions.nodes, state.memories, state, t);
    holds = look.holds;
    const turn = turnRound(program, conditions, { ...state, memories: look.memories }, holds, t);
    state = turn.state;
    changed = turn.changed;
    if (changed.length === 0) break;
  }
  const { outputs, due: outputsDue } = stepOutputs(program, state, t);
  const { notices, due: noticesDue } = stepNotices(program, state, holds, t);
  const { unless } = conditions;
  const kept = unless !== undefined && holds[unless];
  const awake = fallAsleep(program.controller.sleep, state.awake, kept, t);
  const next = Math.min(outputsDue, noticesDue, nextChange(program, state, t));
  return { ...state, outputs, notices, awake, next, circling: changed };
}

/** Everything that one round changes, from what it has seen; and the ids of what it changed. */
function turnRound(
  program: Program,
  conditions: Conditions,
  state: LogicState,
  holds: readonly boolean[],
  t: number,
): { state: LogicState; changed: string[] } {
  const changed: string[] = [];
  const acts: Act[] = [];
  const modes = { ...state.modes };
  program.machines.forEach((machine, m) => {
    const taken = dueTransition(machine, conditions.transitions[m], state, holds, t);
    if (!taken) return;
    modes[machine.id] = { mode: taken.to, since: t };
    changed.push(machine.id);
    acts.push(...(taken.then ?? []));
  });
  const rules = { ...state.rules };
  program.rules.forEach((rule, r) => {
    const places = conditions.rules[r];
    const met = holds[places.when] && (places.while === undefined || holds[places.while]);
    const ends = places.until !== undefined && holds[places.until];
    const before = state.rules[rule.id] ?? restingRule;
    const after = stepRule(rule, before, { holds: met, ends }, t);
    rules[rule.id] = after;
    if (after.active === before.active) return;
    changed.push(rule.id);
    if (after.active) acts.push(...rule.then.filter((a) => a.do !== 'drive'));
  });
  for (const sequence of program.sequences) {
    const began = state.playing[sequence.id];
    if (began !== undefined && t >= began + sequence.length * (sequence.times || Infinity))
      acts.push({ do: 'stop', sequence: sequence.id });
  }
  const done = doAll(program, acts, state, t);
  if (acts.length > 0 && differs(done, state)) changed.push('acts');
  return { state: { ...state, modes, rules, ...done }, changed };
}

const differs = (
  a: Pick<LogicState, 'counters' | 'playing'>,
  b: Pick<LogicState, 'counters' | 'playing'>,
): boolean => JSON.stringify([a.counters, a.playing]) !== JSON.stringify([b.counters, b.playing]);

function dueTransition(
  machine: Machine,
  places: readonly (number | undefined)[],
  state: LogicState,
  holds: readonly boolean[],
  t: number,
): Machine['transitions'][number] | undefined {
  const now = state.modes[machine.id];
  return machine.transitions.find((transition, i) => {
    const { from, to, after = 0 } = transition;
    if (from === undefined ? now.mode === to : now.mode !== from) return false;
    const place = places[i];
    return t >= now.since + after && (place === undefined || holds[place]);
  });
}

/** When something that waits may change: conditions, rules, modes, sequences and sleep, s. */
function nextChange(program: Program, state: LogicState, t: number): number {
  let next = Infinity;
  const at = (moment: number): void => {
    if (moment > t && moment < next) next = moment;
  };
  for (const { due } of state.memories) if (due !== undefined) at(due);
  for (const rule of program.rules) at(ruleDue(rule, state.rules[rule.id], t));
  for (const machine of program.machines) {
    const now = state.modes[machine.id];
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

/** Share of the time an output is on at a moment; those that feed sensors are taken as being read. */
export function outputDuty(state: LogicState, output: Output, t: number): number {
  if (output.feeds) return 1;
  const now = state.outputs[output.id];
  return now ? duty(output, now, t) : 0;
}

/** Whether an output is on at all. */
export const outputOn = (state: LogicState, output: Output, t: number): boolean =>
  outputDuty(state, output, t) > 0;
