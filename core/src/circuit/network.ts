import {
  elementNodes,
  makeDevice,
  sameElement,
  signalNode,
  type Device,
  type Element,
  type RunningWave,
  type Slow,
  type WaveMark,
} from '../element/index.js';
import { checkElement, checkElements } from './check-elements.js';
import { exact, type Closeness, type Sorted } from './newton.js';
import { operatingPoint, type Settled } from './operating-point.js';
import { Round } from './round.js';
import { diagnoseStructure, type PlacedElement, type Structure } from './structure.js';
import { SingularMatrixError, System } from '../equations/index.js';

/** Most changes of mode on the way to a steady state before it is said to have none. */
const mostTransitions = 200;

/** What a floating group of nodes leaks to ground through, Ω. */
const anchorOhms = 1e12;

/** How a search for a steady state ended. */
export interface Steady extends Settled {
  /** Devices that keep changing: the circuit oscillates. Empty when it rests. */
  unconvergedDevices: readonly Device[];
}

/** The modes of all devices, the last solution and where waveforms stand, to go back to. */
export interface Memory {
  modes: number[];
  x: Float64Array;
  /** Left out where waveforms go on as they do. */
  waves?: readonly WaveMark[];
}

/** Where a network stood: its modes, its solution and its states, and how often its elements had been given values until then. */
export interface Stands {
  version: number;
  modes: readonly number[];
  x: Float64Array;
  q: Float64Array;
}

/**
 * Elements compiled into one system of equations. It knows nothing of designs: nodes are names, parts
 * are labels. Compile once per wiring; then change values and solve again.
 */
export class Network {
  readonly structure: Structure;
  readonly system: System;
  /** Number of each node that can be solved; the reference has −1. */
  readonly index: ReadonlyMap<string, number>;
  /** One per placed element; undefined for those on an island that nothing holds. */
  readonly devices: readonly (Device | undefined)[];
  readonly sorted: Sorted;
  /** How close the search for an operating point comes to it. */
  closeness: Closeness = exact;
  readonly switching: readonly Device[];
  /** Charges so large that everything else can rest while they change. */
  readonly slow: readonly Slow[];
  private readonly waves: readonly RunningWave[];
  /** How often an element was given another value. */
  private version = 0;
  /** Each placed element with the values it has now. */
  private readonly elements: Element[];
  /** How every switch stood before anything was solved. */
  private readonly unpowered: readonly number[];

  constructor(
    readonly placed: readonly PlacedElement[],
    readonly reference: string | undefined,
  ) {
    checkElements(placed);
    this.elements = placed.map(({ element }) => element);
    const nodes = [...new Set(placed.flatMap(nodesOf))];
    this.structure = diagnoseStructure(placed, nodes, reference);
    const { lost, sourceLoop } = this.structure;
    const live = nodes.filter((n) => n !== reference && !lost.has(n));
    const index = new Map(live.map((node, i) => [node, i]));
    if (reference !== undefined) index.set(reference, -1);
    this.index = index;
    this.system = new System(live.length);
    this.devices = placed.map((p) => (sourceLoop.length > 0 ? undefined : this.make(p)));
    const anchors = this.structure.anchors.map((node) => this.anchor(node));
    const signals = new Set(placed.map(signalOf));
    this.system.seal(live.flatMap((node, i) => (signals.has(node) ? [] : [i])));
    const made = this.devices.filter((d) => d !== undefined);
    this.sorted = {
      linear: [...made.filter((d) => d.linear), ...anchors],
      nonlinear: made.filter((d) => !d.linear),
    };
    this.switching = made.filter((d) => d.switching);
    this.slow = made.flatMap((d) => d.slow ?? []);
    this.waves = made.flatMap((d) => d.wave ?? []);
    this.unpowered = this.switching.map((d) => d.switching?.mode ?? 0);
    for (const device of made) device.reset?.();
  }

  /** Where it stands, to be held against where it stands later. */
  get stands(): Stands {
    const { version, modes, system } = this;
    return { version, modes, x: system.x.slice(), q: system.q.slice() };
  }

  /** Whether it stands so still, and no element was given another value since. */
  standsAt({ version, modes, x, q }: Stands): boolean {
    const { system, switching } = this;
    return (
      version === this.version &&
      x.every((v, i) => v === system.x[i]) &&
      q.every((v, i) => v === system.q[i]) &&
      modes.every((mode, i) => mode === (switching[i]?.switching?.mode ?? 0))
    );
  }

  /** Whether there is anything to solve. */
  get solvable(): boolean {
    return this.system.size > 0 && this.sorted.linear.length + this.sorted.nonlinear.length > 0;
  }

  /**
   * Gives an element new values.
   *
   * @throws RangeError for a value that no equation can be made of
   */
  set(place: number, element: Element): void {
    if (sameElement(this.elements[place], element)) return;
    checkElement(this.placed[place].part, element);
    this.version += 1;
    this.elements[place] = element;
    this.devices[place]?.set(element);
  }

  /** Brings every element to a temperature, K. */
  warm(kelvin: number): void {
    this.version += 1;
    this.system.kelvin = kelvin;
    this.elements.forEach((element, place) => this.devices[place]?.set(element));
  }

  /** The voltage of a node in a solution, the last when left out; undefined where none can be told. */
  volts(node: string, x: Float64Array = this.system.x): number | undefined {
    const i = this.index.get(node);
    if (i === undefined) return undefined;
    return i < 0 ? 0 : x[i];
  }

  /**
   * The steady state: operating point, then one change of mode after another until all fit. Which of
   * several is found is decided by the modes it starts from: history.
   *
   * @throws SingularMatrixError
   */
  rest(): Steady {
    const { system, switching } = this;
    system.alpha = 0;
    system.history.fill(0);
    const changed = new Map<Device, number>();
    const round = new Round();
    let iterations = 0;
    let most = mostTransitions;
    for (let transitions = 0; ; transitions++) {
      const found = operatingPoint(system, this.sorted, this.closeness);
      iterations += found.iterations;
      const { settled, unconverged, method } = found;
      const result = { settled, iterations, unconverged, method, unconvergedDevices: [] };
      if (!settled) return result;
      this.store();
      const pressed = switching.filter((d) => (d.switching?.event(system.x) ?? 0) > 0);
      if (pressed.length === 0) return result;
      // Turn by turn, so that two that wait for each other do not swap for ever.
      const next = pressed.reduce((a, b) =>
        (changed.get(b) ?? 0) < (changed.get(a) ?? 0) ? b : a,
      );
      round.press(pressed, transitions);
      if (most === mostTransitions) {
        const stands = { transitions, x: system.x.slice(), changed: new Map(changed) };
        const period = round.lengthAt(this.modes.join(), stands);
        // As the last of all would leave it, a round or so from now.
        if (period !== undefined) most = transitions + ((mostTransitions - transitions) % period);
      }
      if (transitions >= most) return { ...result, unconvergedDevices: [...changed.keys()] };
      changed.set(next, (changed.get(next) ?? 0) + 1);
      next.switching?.transition(-Infinity);
      next.switching?.settle();
    }
  }

  /**
   * Whether the present solution is the steady state, and nothing is due that would change it. The solution stays;
   * states are those of the steady one.
   *
   * @param t s
   * @param within how far from it a voltage may be: V, or a share of it
   */
  isAtRest(t: number, within: { absolute: number; share: number }): boolean {
    const waits = this.devices.some((d) => (d?.nextCorner?.(t) ?? Infinity) < Infinity);
    if (waits || this.switching.some((d) => (d.switching?.due ?? Infinity) < Infinity))
      return false;
    for (const charge of this.slow) charge.keep();
    const before = this.remember();
    const { modes, x } = before;
    let rests: boolean;
    try {
      rests = this.rest().settled;
    } catch (error) {
      if (!(error instanceof SingularMatrixError)) throw error;
      rests = false;
    }
    const reached = this.remember();
    this.recall(before);
    return (
      rests &&
      reached.modes.every((mode, i) => mode === modes[i]) &&
      reached.x.every((v, i) => Math.abs(v - x[i]) <= within.absolute + within.share * Math.abs(v))
    );
  }

  /** Writes every device's states for the present solution. */
  store(): void {
    for (const device of this.devices) device?.store?.();
  }

  /** Everything as before power is first given: charges, fluxes and switches. */
  unpower(): void {
    for (const device of this.devices) device?.reset?.();
    this.recall({ modes: [...this.unpowered], x: new Float64Array(this.system.x.length) });
  }

  /** The modes of all devices that switch. */
  get modes(): number[] {
    return this.switching.map((d) => d.switching?.mode ?? 0);
  }

  remember(): Memory {
    return {
      modes: this.modes,
      x: this.system.x.slice(),
      waves: this.waves.map((wave) => wave.mark),
    };
  }

  recall({ modes, x, waves }: Memory): void {
    this.system.x.set(x);
    waves?.forEach((mark, i) => this.waves[i].restore(mark));
    this.switching.forEach((device, i) => device.switching?.restore(modes[i]));
  }

  /** Holds a node that would float at the reference, as leakage does on the bench. */
  private anchor(node: string): Device {
    const leak: Element = { type: 'resistor', a: node, b: '', ohms: anchorOhms };
    return makeDevice(leak, (name) => this.index.get(name) ?? -1, this.system);
  }

  private make({ element, node }: PlacedElement): Device | undefined {
    const solvable = elementNodes(element).every((local) => this.index.has(node(local)));
    const number = (local: string): number => this.index.get(node(local)) ?? -1;
    return solvable ? makeDevice(element, number, this.system) : undefined;
  }
}

/** The signal node of an element, if it has one. */
function signalOf({ element, node }: PlacedElement): string | undefined {
  const signal = signalNode(element);
  return signal === undefined ? undefined : node(signal);
}

const nodesOf = ({ element, node }: PlacedElement): string[] => elementNodes(element).map(node);
