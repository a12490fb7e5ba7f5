import type { Channel } from '../design/index.js';
import { reached } from '../quantity/index.js';
import { isDue, nextReading } from './sleep.js';
import type { LogicState } from './state.js';

/** A channel whose sensor is fed only for its readings: how often it is read, and how long it is fed before, s. */
export type FedChannel = Required<Pick<Channel, 'every' | 'powerUp'>>;

/** Whether outputs that feed sensors are on: always, where no channel tells how long before a reading. */
export const feedsNow = (state: Pick<LogicState, 'awake' | 'fed'>, t: number): boolean =>
  state.fed.length === 0 ||
  state.fed.some(
    (channel) =>
      isDue(state, channel, t) || reached(t, nextReading(state, channel, t) - channel.powerUp),
  );

/** When outputs that feed sensors are switched next after `t`; Infinity where they never are. */
const nextFeed = (state: Pick<LogicState, 'awake' | 'fed'>, t: number): number =>
  Math.min(
    ...state.fed.map((channel) => {
      // After a reading it falls due no more.
      if (isDue(state, channel, t)) return t + Math.max(1e-6, 3e-6 * channel.every);
      const due = nextReading(state, channel, t);
      return reached(t, due - channel.powerUp) ? due : due - channel.powerUp;
    }),
    Infinity,
  );

/** When the next pass after `t` falls due whatever is read, or sensors are to be fed; asleep, none else before it wakes. */
export const nextPass = (state: LogicState, t: number): number => {
  const { awake, next } = state;
  return Math.max(Math.min(awake.asleep ? awake.wakes : next, nextFeed(state, t)), t + 1e-6);
};
