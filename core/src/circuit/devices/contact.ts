import type { ElementOf } from '../../catalog/index.js';
import type { System } from '../system.js';
import type { Device, DeviceFactory, Switching } from './device.js';
import { thermalNoise } from './noise.js';
import { across, conductanceSlots, stampConductance } from './two-terminal.js';

const openSiemens = 1e-11;
/** When a bouncing contact opens and closes again, as shares of its bounce time. */
const bounces = [0.12, 0.3, 0.42, 0.6, 0.68, 0.82, 0.87, 1];

type Moved = ElementOf<'contact'> | ElementOf<'switch'>;

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

  urge(x: Float64Array): number {
    const { rests, on, off } = this.element();
    const moved = (this.mode === 1) !== (rests === 'closed');
    return moved ? off - this.drive(x) : this.drive(x) - on;
  }

  flip(t: number): void {
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

function moved<T extends Moved>(
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

/** A contact moved by another device through its control node. */
export const contact: DeviceFactory<'contact'> = (element, node, system) => {
  const control = node(element.control);
  const drive = (_: unknown, x: Float64Array): number => across(x, control, -1);
  return moved(element, node(element.a), node(element.b), [control], system, drive);
};

/** A contact moved from outside the circuit. */
export const switchContact: DeviceFactory<'switch'> = (element, node, system) =>
  moved(element, node(element.a), node(element.b), [], system, (present) => present.drive);
