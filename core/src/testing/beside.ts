import type { Design } from '../design/index.js';

/** A design with another on the same bench, grounds joined; ids of the other begin with Z. */
export function beside(design: Design, other: Design): Design {
  const { parts, wires, channels, outputs, rules } = other;
  const ids = new Set(
    [parts, wires, channels, outputs, rules].flatMap((all) => all.map((one) => one.id)),
  );
  const renamed = <T>(value: T): T => {
    if (typeof value === 'string')
      return (ids.has(value.split('.')[0] ?? '') ? `Z${value}` : value) as T;
    if (typeof value !== 'object' || value === null) return value;
    if (Array.isArray(value)) return value.map(renamed) as T;
    return Object.fromEntries(Object.entries(value).map(([key, of]) => [key, renamed(of)])) as T;
  };
  const both = <K extends 'parts' | 'wires' | 'channels' | 'outputs' | 'rules'>(
    key: K,
  ): Design[K] => [...design[key], ...renamed(other[key])] as Design[K];
  const ground = ({ wires: all }: Design): string =>
    all.flatMap((w) => [w.from, w.to]).find((end) => end.endsWith('.minus')) ?? '';
  const join = { id: 'join', from: ground(design), to: renamed(ground(other)) };
  const pins = [...design.controller.pins, ...renamed(other.controller.pins)];
  return {
    ...design,
    ...{ parts: both('parts'), wires: [...both('wires'), join], channels: both('channels') },
    ...{ outputs: both('outputs'), rules: both('rules') },
    controller: { ...design.controller, pins },
  };
}
