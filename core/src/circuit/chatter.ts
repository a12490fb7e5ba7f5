import type { Device } from '../element/index.js';

/** A device that changes this often within this time chatters. */
const chatterTransitions = 100;
const chatterTime = 0.5e-3;
/** A device that changes less often of late only bounces, or is about to rest. */
const fewest = 10;
/** How long a chattering device is held still, s; doubled every time. */
const firstHush = 1e-3;

/** A device that switched on and off without end. */
export interface Chatter {
  device: Device;
  at: number;
  /** Mean time between changes, s. */
  every: number;
}

interface Changes {
  times: number[];
  hush: number;
  until: number;
}

/** Watches for devices that never stop switching, and holds them still so that time can go on. */
export class ChatterWatch {
  /** Each device that chattered, once, in order. */
  readonly found: Chatter[] = [];
  private readonly changes = new Map<Device, Changes>();

  /** Whether a device is being held still. */
  isHushed(device: Device, t: number): boolean {
    const changes = this.changes.get(device);
    return changes !== undefined && t < changes.until;
  }

  /** The device that has changed most quickly since a moment, and the mean time between its changes, s. */
  busiest(since: number): { device: Device; every: number } | undefined {
    let busiest: { device: Device; every: number } | undefined;
    for (const [device, { times }] of this.changes) {
      const recent = times.filter((t) => t >= since);
      const every = meanGap(recent);
      if (recent.length >= fewest && every < (busiest?.every ?? Infinity))
        busiest = { device, every };
    }
    return busiest;
  }

  /** Notes that a device has changed its mode. */
  changed(device: Device, t: number): void {
    const { times } = this.of(device);
    times.push(t);
    if (times.length < chatterTransitions) return;
    const every = meanGap(times);
    if (every * chatterTransitions < chatterTime) this.hush(device, t, every);
    else times.shift();
  }

  /** Holds a device still for a while, longer every time. */
  hush(device: Device, t: number, every: number): void {
    const changes = this.of(device);
    if (!this.found.some((c) => c.device === device)) this.found.push({ device, at: t, every });
    changes.until = t + changes.hush;
    changes.hush *= 2;
    changes.times.length = 0;
  }

  private of(device: Device): Changes {
    let changes = this.changes.get(device);
    if (!changes) {
      changes = { times: [], hush: firstHush, until: -Infinity };
      this.changes.set(device, changes);
    }
    return changes;
  }
}

/** Mean time from one moment to the next, s; endless where there is but one. */
const meanGap = (times: readonly number[]): number =>
  times.length > 1 ? ((times.at(-1) ?? 0) - (times[0] ?? 0)) / (times.length - 1) : Infinity;
