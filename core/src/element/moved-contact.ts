import type { System } from '../equations/index.js';
import type { Device, Switching } from './define-element.js';
import type { Element } from './elements.js';
import { thermalNoise } from './noise.js';
import { across, conductanceSlots, stampConductance } from './two-terminal.js';

const openSiemens = 1e-11;
/** When a bouncing contact opens and closes again, as shares of its bounce time. */
const bounces = [0.12, 0.3, 0.42, 0.6, 0.68, 0.82, 0.87, 1];

/** What contacts have in common, whatever moves them. */
export interface Moved {
  rests: 'open' | 'closed';
  on: number;
  off: number;
  ohms: number;
  /** How long it bounces on closing, s. */
  bounce: number;
}

/** A contact's state: whether its drive asks it to be made, and whether it is just now, while it bounces. */
class Bouncing implements Switching {
  mode: number;
  due = Infinity;
  made: boolean;
  private since = 0;
  private bounce = bounces.length;

  constructor(
    private readonly element: () => Moved,
    private readonly drive: (x: Float64Array) => number,
  ) {
    this.mode = element().rests === 'closed' ? 1 : 0;
    this.made = this.mode === 1;
  }

  event(x: Float64Array): number {
    const { rests, on, off } = this.element();
    const moved = (this.mode === 1) !== (rests === 'closed');
    return moved ? off - this.drive(x) : this.drive(x) - on;
  }

  transition(t: number): void {
    if (t >= this.due) {
      this.made = !this.made;
      this.bounce += 1;
    } else {
      this.mode = 1 - this.mode;
      this.made = this.mode === 1;
      this.since = t;
      this.bounce = this.made && this.element().bounce > 0 ? 0 : bounces.length;
    }
    const share = bounces.at(this.bounce);
    this.due = share === undefined ? Infinity : this.since + share * this.element().bounce;
  }

  settle(): void {
    this.made = this.mode === 1;
    this.bounce = bounces.length;
    this.due = Infinity;
  }

  restore(mode: number): void {
    this.mode = mode;
    this.settle();
  }
}

/** The device of a contact between two nodes. */
export function moved<T extends Element & Moved>(
  element: T,
  a: number,
  b: number,
  others: number[],
  system: System,
  drive: (present: T, x: Float64Array) => number,
): Device<T> {
  const slots = conductanceSlots(system, a, b);
  let present = element;
  const switching = new Bouncing(
    () => present,
    (x) => drive(present, x),
  );
  const siemens = (): number => (switching.made ? 1 / present.ohms : openSiemens);
  return {
    nodes: [a, b, ...others],
    linear: true,
    switching,
    set: (next) => (present = next),
    load: () => stampConductance(system, slots, siemens()),
    currents: (x, out) => {
      out[0] = siemens() * across(x, a, b);
      out[1] = -out[0];
      if (others.length > 0) out[2] = 0;
    },
    noise: () => [{ from: a, to: b, density: thermalNoise(siemens(), system.kelvin) }],
  };
}
