import type { Type } from '../code/index.js';
import type { Design } from '../design/index.js';
import type { Frame } from './frame.js';

/** Variables that outlast a power cut. */
export interface KeptValue {
  name: string;
  type: Type;
}

/** Counts and modes that are kept, in the order of the design. */
export function keptValues(frame: Frame): KeptValue[] {
  const { counters, machines } = frame.design;
  return [
    ...counters
      .filter((c) => c.kept)
      .map((c) => ({ name: frame.counter(c.id), type: 'long' as const })),
    ...machines
      .filter((m) => m.kept)
      .map((m) => ({ name: frame.chart(m.id).mode, type: 'byte' as const })),
  ];
}

/** A number by which what another program has kept is told apart, 0 … 255. */
export function layoutMark({ counters, machines }: Design): number {
  const told = JSON.stringify([
    counters.filter((c) => c.kept).map(({ id, least, most }) => [id, least, most]),
    machines.filter((m) => m.kept).map(({ id, modes }) => [id, modes.map((mode) => mode.id)]),
  ]);
  // 32-bit FNV-1a, folded to a byte.
  let hash = 0x811c9dc5;
  for (const byte of new TextEncoder().encode(told)) hash = Math.imul(hash ^ byte, 0x01000193);
  return (hash ^ (hash >>> 8) ^ (hash >>> 16) ^ (hash >>> 24)) & 0xff;
}
