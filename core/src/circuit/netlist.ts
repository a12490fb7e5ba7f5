import {
  kindOf,
  nameNet,
  paramsOf,
  restStimulus,
  type NamedNet,
  type PartState,
} from '../catalog/index.js';
import { elementNodes } from '../element/index.js';
import { deriveNets, netIndex, splitRef, terminalRef, type Design } from '../design/index.js';
import type { PlacedElement } from './structure.js';

/** A design taken apart into named nets and placed elements, ready to be numbered. */
export interface Netlist {
  nets: NamedNet[];
  placed: PlacedElement[];
  /** Every node that an element touches: net ids and internal "Part.#name". */
  nodes: string[];
  /** The net that counts as 0 V: of all ground nets the one with the most terminals. */
  reference: string | undefined;
  /** Terminals with at least one wire. */
  wired: ReadonlySet<string>;
}

/** The state of a part that nothing has been said about. */
export function restingState(part: string, wired: ReadonlySet<string>): PartState {
  return {
    stimulus: restStimulus,
    celsius: 25,
    pins: {},
    wired: (terminal) => wired.has(terminalRef(part, terminal)),
  };
}

/** Takes a design apart. Every part kind must be in the catalogue. */
export function makeNetlist(design: Design): Netlist {
  const plain = deriveNets(design);
  const nets = plain.map((net) => nameNet(design, net));
  const netOf = netIndex(plain);
  const wired = new Set(plain.flatMap((net) => net.terminals));
  const placed = design.parts.flatMap((part): PlacedElement[] => {
    const node = (local: string): string => {
      const ref = terminalRef(part.id, local);
      return local.startsWith('#') ? ref : netOf(ref);
    };
    return kindOf(part)
      .elements(paramsOf(part), restingState(part.id, wired))
      .map((element) => ({ part: part.id, element, node }));
  });
  return { nets, placed, nodes: nodesOf(placed), reference: referenceNet(design, nets), wired };
}

function nodesOf(placed: readonly PlacedElement[]): string[] {
  return [...new Set(placed.flatMap(({ element, node }) => elementNodes(element).map(node)))];
}

function referenceNet(design: Design, nets: readonly NamedNet[]): string | undefined {
  const grounds = nets.filter((net) => net.nature === 'ground');
  const largest = [...grounds].sort((a, b) => b.terminals.length - a.terminals.length)[0];
  if (largest) return largest.id;
  for (const part of design.parts) {
    const ground = kindOf(part).terminals.find((t) => t.role === 'ground');
    if (ground) return terminalRef(part.id, ground.id);
  }
  return undefined;
}

/** A node as the maker knows it: the net's name, or the inside of a part. */
export function nodeLabel(node: string, nets: readonly NamedNet[]): string {
  const net = nets.find((n) => n.id === node);
  if (net) return net.name;
  const { part, terminal } = splitRef(node);
  return terminal.startsWith('#') ? `the inside of ${part}` : node;
}
