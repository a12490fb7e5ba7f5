import type { Device } from '../element/index.js';

/** A search has come round where no unknown is farther than this from where it was: V, or a share of it. */
const sameUnknown = 1e-6;

/** Where a search for a steady state stands, and how often each device has changed until then. */
export interface Stands {
  transitions: number;
  x: Float64Array;
  changed: ReadonlyMap<Device, number>;
}

/**
 * Tells when a search for a steady state goes round for ever: devices that buzz, each by itself or one by the other. Of several
 * that could change next the one does that has changed least often, so all goes on as it did where everything stands as it
 * stood and all that could have changed meanwhile have done so equally often.
 */
export class Round {
  /** Where it stood with the same modes. */
  private readonly stood = new Map<string, Stands[]>();
  /** When each device could have changed last. */
  private readonly pressed = new Map<Device, number>();

  /** Takes down which devices could change next. */
  press(devices: readonly Device[], transitions: number): void {
    for (const device of devices) this.pressed.set(device, transitions);
  }

  /** After how many changes it has come round; undefined where it has not. */
  lengthAt(modes: string, now: Stands): number | undefined {
    const earlier = this.stood.get(modes) ?? [];
    this.stood.set(modes, [...earlier, now]);
    const before = earlier.findLast((then) => this.isSame(then, now));
    return before && now.transitions - before.transitions;
  }

  /** With the same modes unknowns may stand otherwise, as in a latch of transistors: then it has not come round. */
  private isSame(then: Stands, now: Stands): boolean {
    const isNear = (v: number, i: number): boolean =>
      Math.abs(v - (now.x[i] ?? NaN)) <= sameUnknown * Math.max(1, Math.abs(v));
    if (!then.x.every(isNear)) return false;
    const since = [...this.pressed].filter(([, last]) => last >= then.transitions);
    const more = since.map(([d]) => (now.changed.get(d) ?? 0) - (then.changed.get(d) ?? 0));
    return more.every((times) => times === more[0]);
  }
}
