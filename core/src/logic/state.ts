import type { FedChannel } from './feeding.js';
import { restingChannel, type ChannelState } from './channel-step.js';
import type { Memory } from '../condition/index.js';
import type { Program } from './program.js';

/** The mode a machine is in, and since when, s. */
export interface ModeState {
  mode: string;
  since: number;
}

/** Everything the controller remembers. */
export interface LogicState {
  channels: Readonly<Record<string, ChannelState>>;
  /** What parts of conditions remember, in the order of `conditionsOf`. */
  memories: readonly Memory[];
  /** Of each machine. */
  modes: Readonly<Record<string, ModeState>>;
  counters: Readonly<Record<string, number>>;
  rules: Readonly<Record<string, RuleState>>;
  /** When each sequence that plays began, s. */
  playing: Readonly<Record<string, number>>;
  outputs: Readonly<Record<string, OutputState>>;
  notices: Readonly<Record<string, NoticeState>>;
  awake: Awake;
  /** Channels whose sensors are fed only for their readings. */
  fed: readonly FedChannel[];
  /** Time of day at the reset, s after midnight. */
  clock: number;
  /** When a pass is due even if nothing is read; Infinity when none is, s. */
  next: number;
  /** Machines and rules that went round in a circle in the last pass, by id. */
  circling: readonly string[];
}

export interface RuleState {
  active: boolean;
  /** When it last began, s. */
  began: number;
  /** When its hold is over, s; Infinity while its condition holds. */
  until: number;
  /** Until when it cannot begin again, s. */
  locked: number;
  /** It has ended although its condition still holds, which must cease first. */
  spent: boolean;
}

/** An output on its way from one level to another. */
export interface OutputState {
  /** Share of full, 0 … 1, at `at`. */
  level: number;
  at: number;
  /** Where it is going. */
  target: number;
  /** What drives it now, and since when: beats are counted from there. */
  by: string;
  since: number;
}

export interface NoticeState {
  /** What was told last. */
  told: string | undefined;
  at: number;
  /** Sent since the reset. */
  sent: number;
  why: 'change' | 'heartbeat';
}

/** Readings fall on whole multiples of a channel's period counted from `since`. */
export interface Awake {
  since: number;
  /** It goes to sleep then unless something keeps it awake; Infinity without sleep. */
  until: number;
  asleep: boolean;
  /** When it wakes by itself, while it is asleep, s. */
  wakes: number;
}

/** Passed over in what came before. */
export const never = -Infinity;

export const restingRule: RuleState = {
  active: false,
  began: never,
  until: never,
  locked: never,
  spent: false,
};

export const restingOutput: OutputState = { level: 0, at: 0, target: 0, by: '', since: 0 };

/** What stays when power is cut: counters and modes that are kept. */
export type Kept = Pick<LogicState, 'counters' | 'modes'>;

/**
 * The controller after a reset.
 *
 * @param at when it is reset, s
 * @param clock time of day at 0 s, s after midnight
 * @param kept what it remembers from before, as far as the program keeps it
 * @param begin modes in which machines begin, if not as the program says
 */
export function restingLogic(
  program: Program,
  {
    at = 0,
    clock = 0,
    kept,
    begin = {},
  }: {
    at?: number;
    clock?: number;
    kept?: Kept;
    begin?: Readonly<Record<string, string>>;
  } = {},
): LogicState {
  const { sleep } = program.controller;
  const mode = (id: string, keeps: boolean | undefined, start: string): string =>
    (keeps ? kept?.modes[id]?.mode : undefined) ?? begin[id] ?? start;
  return {
    channels: Object.fromEntries(program.channels.map((c) => [c.id, restingChannel])),
    memories: [],
    modes: Object.fromEntries(
      program.machines.map((m) => [m.id, { mode: mode(m.id, m.kept, m.start), since: at }]),
    ),
    counters: Object.fromEntries(
      program.counters.map((c) => [c.id, (c.kept ? kept?.counters[c.id] : undefined) ?? c.start]),
    ),
    rules: Object.fromEntries(program.rules.map((r) => [r.id, restingRule])),
    playing: {},
    outputs: Object.fromEntries(
      program.outputs.map((o) => [o.id, { ...restingOutput, at, since: at }]),
    ),
    notices: {},
    fed: program.channels.flatMap(({ every, powerUp }) =>
      powerUp === undefined ? [] : [{ every, powerUp }],
    ),
    awake: { since: at, until: sleep ? at + sleep.awake : Infinity, asleep: false, wakes: at },
    clock,
    next: at,
    circling: [],
  };
}
