import type { Device } from '../element/index.js';

/** A device that changes this often within this time chatters. */
const chatterTransitions = 200;
const chatterTime = 1e-3;
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

  /** Notes that a device has changed its mode. */
  changed(device: Device, t: number): void {
    const { times } = this.of(device);
    times.push(t);
    if (times.length < chatterTransitions) return;
    const [first = t] = times;
    const span = t - first;
    if (span < chatterTime) this.hush(device, t, span / chatterTransitions);
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
