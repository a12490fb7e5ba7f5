import { nameNet, type NamedNet } from '../catalog/index.js';
import { nameOf, splitRef, type Design } from '../design/index.js';
import type { CircuitProblem } from './solution.js';

const list = (items: readonly string[]): string =>
  items.length < 2
    ? items.join('')
    : `${items.slice(0, -1).join(', ')} and ${items[items.length - 1]}`;

/** No part with a ground terminal: nothing counts as 0 V. */
export function noGround(design: Design): CircuitProblem {
  return {
    kind: 'no-ground',
    message: 'No part has a ground terminal, so no voltage can be told.',
    cure: 'Add a supply or a controller board and connect its minus or GND.',
    parts: design.parts.map((p) => p.id),
    nets: [],
  };
}

/** Ideal sources that fight each other. */
export function explainLoop(parts: readonly string[]): CircuitProblem[] {
  if (parts.length === 0) return [];
  const message = `${list(parts)} force two different voltages onto the same two wires.`;
  return [
    { kind: 'source-loop', message, cure: 'Disconnect one of them.', parts: [...parts], nets: [] },
  ];
}

/** Parts that switch each other on and off for ever. */
export function explainOscillation(parts: readonly string[]): CircuitProblem {
  return {
    kind: 'oscillates',
    message: `${list(parts)} never comes to rest: it switches on and off for ever.`,
    cure: 'If it is meant to oscillate, look at it in time. If not, give it hysteresis or break the feedback.',
    parts: [...parts],
    nets: [],
  };
}

/** One problem per island of nodes that direct current cannot reach from ground. */
export function explainIslands(
  design: Design,
  nets: readonly NamedNet[],
  islands: readonly string[][],
): CircuitProblem[] {
  return islands.map((nodes) => {
    const ends = nodes.filter((n) => !splitRef(n).terminal.startsWith('#'));
    const island = ends.map((id) => nets.find((net) => net.id === id) ?? lone(design, id));
    const parts = [...new Set(island.flatMap((n) => n.terminals.map((t) => splitRef(t).part)))];
    const named = parts.map((id) => nameOf(design.parts, id));
    return { kind: 'floating', ...wording(island, named, nets), parts, nets: ends };
  });
}

const lone = (design: Design, id: string): NamedNet =>
  nameNet(design, { id, terminals: [id], wires: [] });

function wording(
  island: readonly NamedNet[],
  parts: readonly string[],
  nets: readonly NamedNet[],
): { message: string; cure: string } {
  if (island.every((n) => n.wires.length === 0)) {
    return {
      message: `${list(parts)} is not connected to the circuit.`,
      cure: 'Connect its terminals, or remove it.',
    };
  }
  if (island.some((n) => n.nature === 'ground') && nets.some((n) => n.nature === 'ground')) {
    return {
      message: `The ground of ${list(parts)} is not joined to the ground of the rest: no current can return.`,
      cure: 'Join all grounds with a wire.',
    };
  }
  return {
    message: `${list(island.map((n) => n.name))} at ${list(parts)} has no path to ground.`,
    cure: 'Give it a return: connect it to ground through a part that conducts.',
  };
}
