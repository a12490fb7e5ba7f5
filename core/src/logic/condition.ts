import { kindOfCondition, type Memory, type View } from '../condition/index.js';
import type { Node } from './program.js';

const nothing: Memory = {};

/**
 * Looks at every part of every condition once, in their order.
 *
 * @param t s
 */
export function lookAt(
  nodes: readonly Node[],
  memories: readonly Memory[],
  view: View,
  t: number,
): { holds: boolean[]; memories: Memory[] } {
  const holds: boolean[] = [];
  const after: Memory[] = [];
  for (const [i, { condition, parts }] of nodes.entries()) {
    const look = kindOfCondition(condition).look(condition, {
      view,
      parts: parts.map((p) => holds[p] ?? false),
      memory: memories[i] ?? nothing,
      t,
    });
    holds.push(typeof look === 'boolean' ? look : look.holds);
    after.push(typeof look === 'boolean' ? nothing : look.memory);
  }
  return { holds, memories: after };
}
