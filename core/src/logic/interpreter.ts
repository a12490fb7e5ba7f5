import type { Channel, Design, Output, Rule } from '../design/index.js';
import { restingChannel, stepChannel, type ChannelState } from './channel-step.js';

/** The part of a design that runs on the controller. */
export type Program = Pick<Design, 'channels' | 'rules' | 'outputs'>;

interface RuleState {
  active: boolean;
  /** Until when the output is held after its channels have cleared, s. */
  until: number;
}

/** Everything the controller remembers. */
export interface LogicState {
  channels: Readonly<Record<string, ChannelState>>;
  rules: Readonly<Record<string, RuleState>>;
}

/** The controller after a reset. */
export function restingLogic(program: Program): LogicState {
  return {
    channels: Object.fromEntries(program.channels.map((c) => [c.id, restingChannel])),
    rules: Object.fromEntries(program.rules.map((r) => [r.id, { active: false, until: 0 }])),
  };
}

/**
 * One pass of the controller's loop: takes in the readings that are due and works out the rules.
 * Deterministic, without side effects.
 *
 * @param readings counts by channel id; channels without a reading keep their state
 * @param t seconds
 */
export function stepLogic(
  program: Program,
  state: LogicState,
  readings: ReadonlyMap<string, number>,
  t: number,
): LogicState {
  const channels = { ...state.channels };
  for (const channel of program.channels) {
    const counts = readings.get(channel.id);
    if (counts === undefined) continue;
    channels[channel.id] = stepChannel(channel, channels[channel.id] ?? restingChannel, counts, t);
  }
  const rules = Object.fromEntries(
    program.rules.map((rule) => [rule.id, stepRule(rule, state.rules[rule.id], channels, t)]),
  );
  return { channels, rules };
}

function stepRule(
  rule: Rule,
  state: RuleState | undefined,
  channels: Readonly<Record<string, ChannelState>>,
  t: number,
): RuleState {
  const tripped = (id: string): boolean => channels[id]?.tripped ?? false;
  const now = rule.match === 'all' ? rule.channels.every(tripped) : rule.channels.some(tripped);
  if (now) return { active: true, until: t + rule.hold };
  const held = state?.active === true && (rule.latch || t < state.until);
  return { active: held, until: state?.until ?? 0 };
}

/** Whether an output is switched on at a reading: any of its rules is active, or it feeds sensors. */
export function outputOn(program: Program, state: LogicState, output: Output): boolean {
  if (output.feeds) return true;
  return program.rules.some((r) => r.output === output.id && state.rules[r.id]?.active === true);
}

/** When the controller must look again because a hold runs out, if it does, s. */
export function nextHoldEnd(state: LogicState, t: number): number {
  const ends = Object.values(state.rules).filter((r) => r.active && r.until > t);
  return Math.min(Infinity, ...ends.map((r) => r.until));
}

/** When a channel takes its next reading after `t`: readings fall on whole multiples of `every`. */
export function nextReading(channel: Pick<Channel, 'every'>, t: number): number {
  return (Math.floor(t / channel.every + 1e-9) + 1) * channel.every;
}
