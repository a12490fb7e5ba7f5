import type { Told } from '../design/index.js';
import { reached } from '../quantity/index.js';
import { causesOf, type Cause, type LogicEvent } from './logic-event.js';
import { conditionsOf, type Program } from './program.js';
import { never, type LogicState, type NoticeState } from './state.js';

const unsent: NoticeState = { told: undefined, at: never, sent: 0, why: 'change' };

/** Sends what has changed or is due as a sign of life; and when the next may be due, s. */
export function stepNotices(
  program: Program,
  state: LogicState,
  holds: readonly boolean[],
  t: number,
): { notices: Record<string, NoticeState>; events: LogicEvent[]; due: number } {
  const { notices: places, nodes } = conditionsOf(program);
  const events: LogicEvent[] = [];
  const notices: Record<string, NoticeState> = {};
  let due = Infinity;
  program.notices.forEach(({ id, tells, heartbeat = Infinity, gap = 0 }, i) => {
    const before = state.notices[id] ?? unsent;
    const place = places[i];
    const now = told(
      tells,
      before.told,
      state,
      place === undefined ? false : (holds[place] ?? false),
    );
    const free = before.at + gap;
    const beat = before.at + heartbeat;
    const changed = now !== before.told;
    const sends = now !== undefined && reached(t, free) && (changed || reached(t, beat));
    const why = changed ? 'change' : 'heartbeat';
    notices[id] = sends ? { told: now, at: t, sent: before.sent + 1, why } : before;
    if (sends) {
      const because =
        place === undefined ? toldOf(tells) : causesOf(nodes, holds, place, holds[place]);
      events.push({ kind: 'notice', id, told: now, why, because: changed ? because : [] });
    }
    const { at } = notices[id];
    const waits = !sends && changed && now !== undefined;
    const next = waits ? free : Math.max(at + gap, at + heartbeat);
    if (next > t) due = Math.min(due, next);
  });
  return { notices, events, due };
}

/** What a notice that tells no condition is about. */
function toldOf(tells: Told): Cause[] {
  if (tells.tell === 'counter') return [{ kind: 'counter', id: tells.counter }];
  return tells.tell === 'mode' ? [{ kind: 'mode', id: tells.machine }] : [];
}

/** What would be told now; a reading that has not moved enough stays what was told last. */
function told(
  tells: Told,
  before: string | undefined,
  state: LogicState,
  holds: boolean,
): string | undefined {
  if (tells.tell === 'condition') return holds ? 'yes' : 'no';
  if (tells.tell === 'counter') return String(state.counters[tells.counter] ?? 0);
  if (tells.tell === 'mode') return state.modes[tells.machine]?.mode;
  const value = state.channels[tells.channel]?.value;
  if (value === undefined) return before;
  const moved = before === undefined || Math.abs(value - Number(before)) >= tells.by;
  return moved ? String(value) : before;
}
