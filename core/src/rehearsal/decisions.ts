import type { LogicState } from '../logic/index.js';

/** Whether the controller has decided differently, apart from what it only remembers. */
export function differ(a: LogicState, b: LogicState): boolean {
  if (Object.keys(a.channels).some((id) => a.channels[id].tripped !== b.channels[id]?.tripped))
    return true;
  // A pass in which nothing was due keeps everything but the channels.
  return a.rules !== b.rules && decisions(a) !== decisions(b);
}

/** What the controller has decided, besides the channels' answers. */
function decisions({ rules, modes, counters, playing, outputs, notices }: LogicState): string {
  return JSON.stringify([
    Object.values(rules).map((r) => [Number(r.active), r.began]),
    modes,
    counters,
    playing,
    Object.values(outputs).map((o) => o.target),
    Object.values(notices).map((n) => n.sent),
  ]);
}
