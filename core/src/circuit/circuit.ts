import {
  kindOf,
  paramsOf,
  type Params,
  type PartKind,
  type PartState,
  type SolvedPart,
} from '../catalog/index.js';
import { splitRef, type Design } from '../design/index.js';
import { makeDevice, type Device } from './devices/index.js';
import { makeNetlist, nodeLabel, restingState, localNodes, type Netlist } from './netlist.js';
import { operatingPoint, type Settled } from './operating-point.js';
import { explainIslands, explainLoop, noGround } from './problems.js';
import type { CircuitProblem, Solution } from './solution.js';
import { SingularMatrixError } from './sparse-lu.js';
import { diagnoseStructure } from './structure.js';
import { System } from './system.js';
import { wireCurrents } from './wire-currents.js';

interface PlacedPart {
  id: string;
  kind: PartKind;
  params: Params;
  state: PartState;
  /** Undefined for elements on an island, which are not solved. */
  devices: (Device | undefined)[];
  /** Terminal or internal name of each device node. */
  locals: string[][];
}

/**
 * A design compiled for solving. Compile once per wiring; then tell parts what they feel and how
 * their pins are set, and solve: the matrix pattern, its ordering and the last solution are reused.
 */
export class Circuit {
  private readonly netlist: Netlist;
  private readonly index: ReadonlyMap<string, number>;
  private readonly system: System;
  private readonly parts = new Map<string, PlacedPart>();
  private readonly devices: Device[];
  private readonly problems: CircuitProblem[];

  constructor(private readonly design: Design) {
    this.netlist = makeNetlist(design);
    const { placed, nodes, reference, nets } = this.netlist;
    const { islands, sourceLoop } = diagnoseStructure(placed, nodes, reference);
    const afloat = new Set(islands.flat());
    const live = nodes.filter((n) => n !== reference && !afloat.has(n));
    this.index = new Map(live.map((node, i) => [node, i]));
    if (reference !== undefined) (this.index as Map<string, number>).set(reference, -1);
    this.problems =
      reference === undefined && design.parts.length > 0
        ? [noGround(design)]
        : [...explainIslands(design, nets, islands), ...explainLoop(sourceLoop)];
    this.system = new System(live.length);
    this.devices = sourceLoop.length === 0 ? this.place() : [];
    this.system.seal();
  }

  /** Tells a part what it feels or how its pins are set; both hold until told otherwise. */
  setState(part: string, change: Partial<Pick<PartState, 'felt' | 'pins'>>): void {
    const placed = this.parts.get(part);
    if (!placed) return;
    placed.state = { ...placed.state, ...change };
    this.refresh(placed);
  }

  /** Gives a part new parameter values; the wiring stays. */
  setParams(part: string, params: Record<string, number>): void {
    const placed = this.parts.get(part);
    if (!placed) return;
    placed.params = { ...placed.params, ...params };
    this.refresh(placed);
  }

  /** The operating point, starting from the last one. Never throws: what cannot be solved is a problem. */
  solve(): Solution {
    const problems = [...this.problems];
    let settled: Settled | undefined;
    try {
      if (this.system.size > 0 && this.devices.length > 0) {
        settled = operatingPoint(this.system, this.devices);
        if (!settled.settled) problems.push(this.unsolvable(settled.restless));
      }
    } catch (error) {
      if (!(error instanceof SingularMatrixError)) throw error;
      problems.push(this.unsolvable(error.row));
      settled = undefined;
    }
    if (!settled?.settled) this.system.x.fill(0);
    return this.describe(settled?.settled ? settled : undefined, problems);
  }

  private place(): Device[] {
    const devices: Device[] = [];
    for (const part of this.design.parts) {
      this.parts.set(part.id, {
        id: part.id,
        kind: kindOf(part),
        params: paramsOf(part),
        state: restingState(part.id, this.netlist.wired),
        devices: [],
        locals: [],
      });
    }
    for (const { part, element, node } of this.netlist.placed) {
      const locals = localNodes(element);
      const solvable = locals.every((local) => this.index.has(node(local)));
      const number = (local: string): number => this.index.get(node(local)) ?? -1;
      const device = solvable ? makeDevice(element, number, this.system) : undefined;
      if (device) devices.push(device);
      this.parts.get(part)?.devices.push(device);
      this.parts.get(part)?.locals.push(locals);
    }
    return devices;
  }

  private refresh(placed: PlacedPart): void {
    const elements = placed.kind.elements(placed.params, placed.state);
    elements.forEach((element, i) => placed.devices[i]?.set(element));
  }

  private describe(settled: Settled | undefined, problems: CircuitProblem[]): Solution {
    const { nets } = this.netlist;
    const known = settled !== undefined;
    const parts = Object.fromEntries(
      [...this.parts.values()].map((part) => [part.id, this.describePart(part, known)]),
    );
    const into = (part: string, terminal: string): number => parts[part]?.amps[terminal] ?? 0;
    const currents = known ? nets.flatMap((net) => [...wireCurrents(net, into)]) : [];
    return {
      nets: nets.map((net) => ({ ...net, volts: known ? this.voltsOf(net.id) : undefined })),
      parts,
      wires: Object.fromEntries(currents),
      problems,
      iterations: settled?.iterations ?? 0,
      method: settled?.method ?? 'none',
    };
  }

  private describePart(part: PlacedPart, known: boolean): SolvedPart {
    const volts: Record<string, number> = {};
    const amps: Record<string, number> = {};
    if (!known) return { volts, amps, watts: 0 };
    const out = new Float64Array(4);
    part.devices.forEach((device, i) => {
      if (!device) return;
      device.currents(this.system.x, out);
      part.locals[i].forEach((local, n) => {
        const node = device.nodes[n];
        volts[local] = node < 0 ? 0 : this.system.x[node];
        amps[local] = (amps[local] ?? 0) + out[n];
      });
    });
    const watts = Object.keys(volts)
      .filter((local) => !local.startsWith('#'))
      .reduce((sum, local) => sum + volts[local] * amps[local], 0);
    return { volts, amps, watts };
  }

  private voltsOf(node: string): number | undefined {
    const i = this.index.get(node);
    if (i === undefined) return undefined;
    return i < 0 ? 0 : this.system.x[i];
  }

  private unsolvable(row: number): CircuitProblem {
    const node = [...this.index].find(([, i]) => i === row)?.[0] ?? '';
    const label = node ? nodeLabel(node, this.netlist.nets) : 'a source current';
    const parts = this.netlist.placed
      .filter(({ element, node: at }) => localNodes(element).some((l) => at(l) === node))
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
