import type { Element, ElementOf, ElementType } from './element.js';

/** The fields of each element type that name nodes, in the order in which currents are told. */
export const nodeFields: { [T in ElementType]: readonly (keyof ElementOf<T>)[] } = {
  resistor: ['a', 'b'],
  capacitor: ['a', 'b'],
  inductor: ['a', 'b'],
  'voltage-source': ['plus', 'minus'],
  'current-source': ['from', 'to'],
  transconductance: ['from', 'to', 'plus', 'minus'],
  'product-source': ['from', 'to', 'plus', 'minus', 'by'],
  diode: ['anode', 'cathode'],
  bipolar: ['collector', 'base', 'emitter'],
  mosfet: ['drain', 'gate', 'source'],
  thyristor: ['anode', 'gate', 'cathode'],
  comparator: ['plus', 'minus', 'output', 'supply', 'ground'],
  'op-amp': ['plus', 'minus', 'output', 'supply', 'ground'],
  schmitt: ['input', 'output', 'supply', 'ground'],
  'timer-core': [
    'supply',
    'ground',
    'trigger',
    'threshold',
    'upper',
    'lower',
    'reset',
    'output',
    'discharge',
  ],
  regulator: ['input', 'output', 'ground'],
  battery: ['plus', 'minus', 'level'],
  fuse: ['a', 'b'],
  filament: ['a', 'b', 'warmth'],
  motor: ['a', 'b', 'speed'],
  'relay-coil': ['plus', 'minus', 'armature'],
  contact: ['a', 'b', 'control'],
  switch: ['a', 'b'],
  level: ['node'],
  'warm-up': ['plus', 'minus', 'node'],
  conductance: ['a', 'b', 'control'],
};

/**
 * Nodes that carry no current but tell what goes on inside: 1 V stands for 1 of whatever it is. They are
 * held against ground.
 */
export const signalNodes: { [T in ElementType]?: (element: ElementOf<T>) => string } = {
  'relay-coil': (e) => e.armature,
  battery: (e) => e.level,
  filament: (e) => e.warmth,
  motor: (e) => e.speed,
  level: (e) => e.node,
  'warm-up': (e) => e.node,
};

/** The local node names of an element. */
export function elementNodes(element: Element): string[] {
  const fields = nodeFields[element.type] as readonly (keyof typeof element)[];
  return fields.map((field) => String(element[field]));
}
