import {
  kindOf,
  paramsOf,
  restStimulus,
  type Stimulus,
  type Quantity,
  type NamedNet,
  type Params,
  type PartKind,
  type PartState,
  type SolvedPart,
  valuesOf,
} from '../catalog/index.js';
import { elementNodes, type Element } from '../element/index.js';
import { splitRef, terminalRef, type Design } from '../design/index.js';
import type { Device } from '../element/index.js';
import { makeNetlist, nodeLabel, restingState, type Netlist } from './netlist.js';
import { Network, type Stands, type Steady } from './network.js';
import { PartValues } from './part-values.js';
import { explainIslands, explainLoop, explainOscillation, noGround } from './problems.js';
import { sourceOhms } from './small-signal.js';
import { again, toldLater, type CircuitProblem, type Solution } from './solution.js';
import { SingularMatrixError } from '../equations/index.js';
import { Transient, type TransientOptions } from './transient.js';
import { wireCurrents } from './wire-currents.js';

interface PlacedPart {
  id: string;
  kind: PartKind;
  params: Params;
  state: PartState;
  /** What the state tells that it feels. */
  stimulus: Record<Quantity, number>;
  /** Its elements by how its pins are set, as long as nothing else about it changes. */
  byPins: Map<string, readonly Element[]>;
  /** Place of its first element among all, and how many it has. */
  first: number;
  count: number;
}

/** What a part can be told between solutions. */
export interface StateChange {
  stimulus?: Partial<Stimulus>;
  pins?: PartState['pins'];
}

/** What is said of a part when nothing could be solved. */
const unknown: SolvedPart = { volts: {}, amps: {}, watts: 0 };

/** So many ways in which the pins of a part are set are kept. */
const mostWays = 64;

/** The elements of a part as its pins are set now: they are set one way and another many times over. */
function elementsOf({ kind, params, state, byPins }: PlacedPart): readonly Element[] {
  const set = Object.entries(state.pins).map(([pin, { mode, high }]) => `${pin} ${mode} ${high}`);
  const way = set.join();
  const known = byPins.get(way) ?? kind.elements(params, state);
  if (byPins.size >= mostWays) byPins.clear();
  byPins.set(way, known);
  return known;
}

/**
 * A design compiled for solving. Compile once per wiring; then tell parts what they feel and how
 * their pins are set, and solve: the matrix pattern, its ordering and the last solution are reused.
 */
export class Circuit {
  readonly network: Network;
  private readonly netlist: Netlist;
  /** The net at each terminal. */
  private readonly netOf: ReadonlyMap<string, NamedNet>;
  private readonly parts = new Map<string, PlacedPart>();
  /** Readers of the parts' values, made when first wanted. */
  private readonly described = new Map<string, PartValues>();
  /** Whether it is solved once more where nothing has changed: that may come a last digit closer. */
  refines = true;
  /** The last operating point and where it stood then, where it is not. */
  private rested?: { at: Stands; solution: Solution };
  /** The last solution that was told whole, beside which others are told. */
  private whole?: Solution;
  private readonly problems: CircuitProblem[];

  constructor(private readonly design: Design) {
    this.netlist = makeNetlist(design);
    const { placed, reference, nets } = this.netlist;
    this.netOf = new Map(nets.flatMap((net) => net.terminals.map((ref) => [ref, net] as const)));
    this.network = new Network(placed, reference);
    const { islands, sourceLoop } = this.network.structure;
    this.problems =
      reference === undefined && design.parts.length > 0
        ? [noGround(design)]
        : [...explainIslands(design, nets, islands), ...explainLoop(sourceLoop)];
    this.placeParts();
  }

  /** Tells a part what it feels or how its pins are set; what is not told stays as it was. */
  setState(part: string, { stimulus, pins }: StateChange): void {
    const placed = this.parts.get(part);
    if (!placed) return;
    if (stimulus) {
      Object.assign(placed.stimulus, stimulus);
      placed.byPins.clear();
    }
    if (pins) placed.state = { ...placed.state, pins };
    this.put(placed, elementsOf(placed));
  }

  /** Tells a part one quantity of what it feels: the same in less time, as it is done at every moment of a scene. */
  setStimulus(part: string, quantity: Quantity, value: number): void {
    const placed = this.parts.get(part);
    if (!placed) return;
    placed.stimulus[quantity] = value;
    this.refresh(placed);
  }

  /** What a part feels as it was last told: it changes as it is told anew. */
  stimulusOf(part: string): Stimulus {
    return this.parts.get(part)?.state.stimulus ?? restStimulus;
  }

  /** Gives a part new parameter values; the wiring stays. */
  setParams(part: string, params: Record<string, number>): void {
    const placed = this.parts.get(part);
    if (!placed) return;
    placed.params = valuesOf(placed.kind.params, { ...placed.params, ...params });
    this.refresh(placed);
  }

  /** Gives one value a number: a parameter of a part, or something it feels. */
  change(part: string, of: { param: string } | { stimulus: Quantity }, value: number): void {
    if ('stimulus' in of) this.setState(part, { stimulus: { [of.stimulus]: value } });
    else this.setParams(part, { [of.param]: value });
  }

  /** Another battery takes the place of a part, with a share of its charge. */
  renew(part: string, share: number): void {
    const { first, count } = this.parts.get(part) ?? { first: 0, count: 0 };
    for (const device of this.network.devices.slice(first, first + count))
      device?.slow?.renew(share);
  }

  /** What each battery holds, and holds at most, A·s. */
  get charges(): { part: string; now: number; full: number }[] {
    const { devices, system } = this.network;
    return [...this.parts].flatMap(([part, { first, count }]) =>
      devices.slice(first, first + count).flatMap((device) => {
        const slow = device?.slow;
        return slow ? [{ part, now: system.q[slow.state] ?? 0, full: slow.full }] : [];
      }),
    );
  }

  /** Warms or cools every part, °C. */
  setTemperature(celsius: number): void {
    this.network.warm(celsius + 273.15);
    for (const placed of this.parts.values()) {
      placed.state = { ...placed.state, celsius };
      this.refresh(placed);
    }
  }

  /** The parameters of a part as they are set now. */
  paramsOf(part: string): Params | undefined {
    return this.parts.get(part)?.params;
  }

  /**
   * The operating point, starting from the last one. Never throws: what cannot be solved is a problem. A part that stands as
   * in the solution before is the same object there.
   *
   * @param partsOnly leaves nets and wires out, where many solutions are compared; parts that stand as in
   *   the last whole solution are taken from it
   */
  solve(partsOnly = false): Solution {
    const { rested } = this;
    // What is felt and moves no element, as the number of a tag, leaves the circuit as it was.
    if (!this.refines && rested && this.network.standsAt(rested.at)) return again(rested.solution);
    const problems = [...this.problems];
    const settled = this.rest(problems);
    const solution = this.describe(settled, problems, partsOnly);
    const isSound = settled && !partsOnly && problems.length === this.problems.length;
    this.rested = isSound && !this.refines ? { at: this.network.stands, solution } : undefined;
    return solution;
  }

  /**
   * Goes to the operating point without telling it, to be looked into by `voltsNow`, `values` and `sourceOhms`.
   *
   * @returns whether there is one
   */
  settle(): boolean {
    return this.rest([]) !== undefined;
  }

  /** @param problems where what keeps it from being solved is noted */
  private rest(problems: CircuitProblem[]): Steady | undefined {
    const { network } = this;
    let settled: Steady | undefined;
    try {
      if (network.solvable) {
        settled = network.rest();
        if (!settled.settled) problems.push(this.unsolvable(settled.unconverged));
        if (settled.unconvergedDevices.length > 0) problems.push(this.oscillates(settled));
      }
    } catch (error) {
      if (!(error instanceof SingularMatrixError)) throw error;
      problems.push(this.unsolvable(error.row));
      settled = undefined;
    }
    if (settled?.settled) return settled;
    network.system.x.fill(0);
    return undefined;
  }

  /** Begins the search for the next operating point where a circuit much like this one stood. */
  startNear(solution: Solution): void {
    const { index, system } = this.network;
    for (const [part, { volts }] of Object.entries(solution.parts))
      for (const [terminal, value] of Object.entries(volts)) {
        const ref = terminalRef(part, terminal);
        const row = index.get(this.netOf.get(ref)?.id ?? ref);
        if (row !== undefined && row >= 0 && value !== undefined) system.x[row] = value;
      }
  }

  /** Everything as it stands now, also in the course of a transient. */
  present(): Solution {
    return this.describe({ iterations: 0, method: 'newton' }, [...this.problems]);
  }

  /** The circuit in time, from the last steady state; see `Transient`. */
  transient(options?: TransientOptions): Transient {
    return new Transient(this.network, options);
  }

  /** Volts at a terminal in the present state, also in the course of a transient. */
  voltsNow(ref: string): number | undefined {
    const net = this.netOf.get(ref);
    return net && this.network.volts(net.id);
  }

  /** Resistance seen into the circuit at each of some terminals, within a time; see `sourceOhms`. */
  sourceOhms(refs: readonly string[], seconds?: number): readonly (number | undefined)[] {
    const nodes = refs.map((ref) => this.netOf.get(ref)?.id ?? '');
    return sourceOhms(this.network, nodes, seconds);
  }

  /** Every net by its name. */
  get nets(): readonly NamedNet[] {
    return this.netlist.nets;
  }

  /** The part that a device belongs to. */
  partOf(device: Device): string {
    return this.netlist.placed[this.network.devices.indexOf(device)]?.part ?? '';
  }

  /** Values of a part that follow the solution when updated. */
  values(part: string): PartValues {
    const { first, count } = this.parts.get(part) ?? { first: 0, count: 0 };
    return new PartValues(
      this.network,
      Array.from({ length: count }, (_, i) => first + i),
    );
  }

  private placeParts(): void {
    const counts = new Map<string, number>();
    for (const { part } of this.netlist.placed) counts.set(part, (counts.get(part) ?? 0) + 1);
    let first = 0;
    // Elements stand in the order of the parts.
    for (const part of this.design.parts) {
      const count = counts.get(part.id) ?? 0;
      const stimulus = { ...restStimulus };
      const state = { ...restingState(part.id, this.netlist.wired), stimulus };
      const [kind, params] = [kindOf(part), paramsOf(part)];
      const byPins: PlacedPart['byPins'] = new Map();
      const told = { kind, params, state, stimulus, byPins };
      this.parts.set(part.id, { id: part.id, ...told, first, count });
      first += count;
    }
  }

  /** Something else about a part has changed than how its pins are set. */
  private refresh(placed: PlacedPart): void {
    placed.byPins.clear();
    this.put(placed, placed.kind.elements(placed.params, placed.state));
  }

  private put({ first }: PlacedPart, elements: readonly Element[]): void {
    elements.forEach((element, i) => this.network.set(first + i, element));
  }

  /** The reader of a part's values, kept for the next solution. */
  private reader(id: string): PartValues {
    const reader = this.described.get(id) ?? this.values(id);
    this.described.set(id, reader);
    return reader;
  }

  private describe(
    settled: Pick<Steady, 'iterations' | 'method'> | undefined,
    problems: CircuitProblem[],
    partsOnly = false,
  ): Solution {
    const { iterations = 0, method = 'none' } = settled ?? {};
    const told: Pick<Solution, 'problems' | 'iterations' | 'method'> = {
      problems,
      iterations,
      method,
    };
    if (partsOnly && settled) return { nets: [], parts: this.partsBeside(), wires: {}, ...told };
    const before = settled && this.whole;
    const parts: Record<string, SolvedPart> = {};
    for (const id of this.parts.keys()) parts[id] = settled ? this.told(id, before) : unknown;
    const x = settled && this.network.system.x.slice();
    const solution = toldLater(
      { parts, ...told },
      () => this.netlist.nets.map((net) => ({ ...net, volts: x && this.voltsOf(net, x) })),
      () => (settled ? this.wireCurrents(parts) : {}),
    );
    this.whole = settled && solution;
    return solution;
  }

  /** Currents along all wires on this side of the boundary to mains, A. */
  private wireCurrents(parts: Solution['parts']): Record<string, number> {
    const into = (part: string, terminal: string): number => parts[part]?.amps[terminal] ?? 0;
    const wires: Record<string, number> = {};
    for (const net of this.netlist.nets) if (net.nature !== 'mains') wireCurrents(net, into, wires);
    return wires;
  }

  /** A part as it stands: the same object as before while it stands as it did. */
  private told(id: string, before: Solution | undefined): SolvedPart {
    const reader = this.reader(id);
    const told = before?.parts[id];
    if (!told) return reader.update().note().plain();
    return reader.follow() ? reader.plain() : told;
  }

  private partsBeside(): Record<string, SolvedPart> {
    const parts: Record<string, SolvedPart> = {};
    for (const id of this.parts.keys()) {
      const before = this.whole?.parts[id];
      const reader = this.reader(id);
      parts[id] = before && !reader.moved() ? before : reader.update().plain();
    }
    return parts;
  }

  private voltsOf({ id, nature }: NamedNet, x: Float64Array): number | undefined {
    return nature === 'mains' ? undefined : this.network.volts(id, x);
  }

  private oscillates({ unconvergedDevices }: Steady): CircuitProblem {
    const parts = [...new Set(unconvergedDevices.map((d) => this.partOf(d)))];
    return explainOscillation(parts);
  }

  private unsolvable(row: number): CircuitProblem {
    const node = [...this.network.index].find(([, i]) => i === row)?.[0] ?? '';
    const label = node ? nodeLabel(node, this.netlist.nets) : 'a source current';
    const parts = this.netlist.placed
      .filter(({ element, node: at }) => elementNodes(element).some((l) => at(l) === node))
      .map(({ part }) => part);
    const around = [...new Set(parts)];
    return {
      kind: 'unsolvable',
      message: `No steady voltage could be found at ${label}${around.length ? `, around ${around.join(', ')}` : ''}.`,
      cure: 'Check the values and the polarity of those parts.',
      parts: around,
      nets: node && !splitRef(node).terminal.startsWith('#') ? [node] : [],
    };
  }
}

/** Compiles and solves a design once, with nothing felt and every pin at rest. */
export function solveOnce(design: Design): Solution {
  return new Circuit(design).solve();
}
