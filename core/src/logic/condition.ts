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
  const holds: boolean[] = new Array(nodes.length);
  const after: Memory[] = new Array(nodes.length);
  for (let i = 0; i < nodes.length; i++) {
    const { condition, parts } = nodes[i];
    const look = kindOfCondition(condition).look(condition, {
      view,
      parts: parts.map((p) => holds[p]),
      memory: memories[i] ?? nothing,
      t,
    });
    holds[i] = typeof look === 'boolean' ? look : look.holds;
    after[i] = typeof look === 'boolean' ? nothing : look.memory;
  }
  return { holds, memories: after };
}
