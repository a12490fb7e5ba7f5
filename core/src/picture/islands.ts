import type { ElkNode } from 'elkjs/lib/elk-api.js';
import type { Card, Line } from './graph.js';

/** Between two islands, px. */
const islandGap = 40;

/** Cards that no line joins to the others, in the order in which the first of each stands. */
export function islands(
  cards: readonly Card[],
  lines: readonly Line[],
): { cards: Card[]; lines: Line[] }[] {
  const cardOf = new Map(cards.flatMap((c) => c.tabs.map((t) => [t.ref, c.id] as const)));
  const leader = new Map(cards.map((c) => [c.id, c.id]));
  const find = (id: string): string => {
    const up = leader.get(id) ?? id;
    return up === id ? id : find(up);
  };
  for (const line of lines)
    leader.set(find(cardOf.get(line.from) ?? ''), find(cardOf.get(line.to) ?? ''));
  const found = new Map<string, { cards: Card[]; lines: Line[] }>();
  for (const card of cards) {
    const key = find(card.id);
    const island = found.get(key) ?? { cards: [], lines: [] };
    island.cards.push(card);
    found.set(key, island);
  }
  for (const line of lines) found.get(find(cardOf.get(line.from) ?? ''))?.lines.push(line);
  return [...found.values()];
}

/** Islands below each other. */
export function stack(roots: readonly ElkNode[]): ElkNode {
  const [only, ...more] = roots;
  if (only && more.length === 0) return only;
  const whole: ElkNode = { id: 'root', width: 0, height: 0, children: [], edges: [] };
  for (const root of roots) {
    const down = whole.height ?? 0;
    const lower = (p: { x: number; y: number }): { x: number; y: number } => ({
      x: p.x,
      y: p.y + down,
    });
    whole.children?.push(...(root.children ?? []).map((c) => ({ ...c, y: (c.y ?? 0) + down })));
    for (const edge of root.edges ?? []) {
      const sections = (edge.sections ?? []).map((s) => ({
        ...s,
        startPoint: lower(s.startPoint),
        endPoint: lower(s.endPoint),
        bendPoints: s.bendPoints?.map(lower),
      }));
      whole.edges?.push({ ...edge, sections });
    }
    whole.height = down + (root.height ?? 0) + islandGap;
    whole.width = Math.max(whole.width ?? 0, root.width ?? 0);
  }
  return whole;
}
