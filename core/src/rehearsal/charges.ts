import type { Network, Transient } from '../circuit/index.js';

/** While all else rests, the circuit is solved anew when a charge has changed by this share of what it holds at most. */
const solvedAnew = 1e-3;

/** The charges of batteries in the course of a run: they change while everything else rests. */
export class Charges {
  /** Until when they are told to the circuit, s. */
  private since = 0;

  constructor(
    private readonly network: Network,
    private readonly transient: Transient,
  ) {
    // What was changed until now is in the steady state already.
    for (const charge of network.slow) charge.changed(0);
  }

  /** Until when they change so little, all else being at rest, that nothing needs to be looked at, s. */
  restUntil(): number {
    const { x } = this.network.system;
    const spans = this.network.slow.map((s) => (solvedAnew * s.full) / Math.abs(s.rate(x)));
    return this.since + Math.min(Infinity, ...spans);
  }

  /** From now on they change in the steps of the circuit itself. */
  start(t: number): void {
    this.since = t;
  }

  /** Lets the time since they were told last run, all else having rested, and what changed them from outside. */
  tell(t: number): void {
    const { slow, system } = this.network;
    const ran = t - this.since;
    this.since = t;
    const states = system.q.slice();
    for (const charge of slow)
      states[charge.state] = charge.changed(states[charge.state] + charge.rate(system.x) * ran);
    if (slow.some(({ state }) => states[state] !== system.q[state]))
      this.transient.extrapolateTo(t, states);
  }
}
