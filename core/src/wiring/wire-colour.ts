import { terminalOf, type NetNature } from '../catalog/index.js';
import type { Design, TerminalRef } from '../design/index.js';
import { wiringOf } from './wiring.js';

/** Colours in which hook-up wire is sold. */
export const wireColours = [
  'red',
  'black',
  'yellow',
  'green',
  'blue',
  'white',
  'orange',
  'violet',
  'grey',
  'brown',
] as const;

/** Red for supply and black for ground, as everywhere (common practice); the rest for signals. */
const signals = wireColours.slice(2);

/** The colour a new wire gets: by what it carries, signals each another one. */
export function usualColour(design: Design, from: TerminalRef, to: TerminalRef): string {
  const nature = natureOf(design, from, to);
  if (nature === 'supply') return 'red';
  if (nature === 'ground') return 'black';
  const wiring = wiringOf(design);
  const there = [from, to].flatMap((ref) => wiring.named(ref)?.wires ?? []);
  const kept = there.find((w) => w.colour !== undefined)?.colour;
  if (kept !== undefined) return kept;
  const used = new Set(
    wiring.all().flatMap((n) => (n.nature === 'signal' ? [n.wires[0]?.colour] : [])),
  );
  return signals.find((c) => !used.has(c)) ?? signals[used.size % signals.length] ?? 'green';
}

function natureOf(design: Design, from: TerminalRef, to: TerminalRef): NetNature {
  const wiring = wiringOf(design);
  const natures = [from, to].map((ref) => {
    const role = terminalOf(design, ref)?.role;
    if (role === 'ground') return 'ground';
    return role === 'supply-out' ? 'supply' : wiring.nature(ref);
  });
  if (natures.includes('ground')) return 'ground';
  return natures.includes('supply') ? 'supply' : 'signal';
}
