import type { Network } from '../circuit/index.js';

/** A circuit has settled when nothing in it is this far from its steady state, V or A, or this share. */
const settledWithin = { absolute: 1e-6, share: 1e-5 };
/** How often it is looked whether it has, s. */
const settleLook = 0.05;

/** Looks now and then whether all that takes time in a circuit is over. */
export class Settling {
  private lookedAt = 0;
  /** The circuit as it was when it was last looked. */
  private before = new Float64Array(0);

  constructor(private readonly network: Network) {}

  /** Something has changed: it is looked again after a while. */
  restart(t: number): void {
    this.lookedAt = t;
  }

  /** Whether it has been looked, and all is over. */
  isOver(t: number): boolean {
    if (t - this.lookedAt < settleLook) return false;
    this.lookedAt = t;
    // Twice the same: what swings may pass its steady state.
    const { x } = this.network.system;
    const moved = this.before.length !== x.length || x.some((v, i) => !isNear(v, this.before[i]));
    this.before = x.slice();
    return !moved && this.network.isAtRest(t, settledWithin);
  }
}

/** Whether two values of a circuit are one, as far as it is followed. */
export const isNear = (a: number, b: number, times = 1): boolean =>
  Math.abs(a - b) <= times * (settledWithin.absolute + settledWithin.share * Math.abs(a));
