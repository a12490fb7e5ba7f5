import { kindOf } from '../catalog/index.js';
import type { Part } from '../design/index.js';

/** Whether a part feeds the circuit: what a capacitor or a coil gives back came from others. */
export function isSource(part: Part): boolean {
  const { stage, fuse, terminals } = kindOf(part);
  return stage === 'feeds' && !fuse && !terminals.some((t) => t.role === 'supply-in');
}
