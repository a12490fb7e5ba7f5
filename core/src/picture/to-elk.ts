import type { ElkExtendedEdge, ElkNode, ElkPort } from 'elkjs/lib/elk-api.js';
import { flagSize, groundDrop, tabPitch } from './card-size.js';
import type { Card, Line } from './graph.js';
import { layered } from './elk-options.js';
import type { PlacedCard, PlacedTab } from './lay-out.js';
import { stageIndex } from './stage-of.js';

/** How far a card's flags stand above it and its ground signs below, px. */
export function overhang(card: Card): { above: number; below: number } {
  const supplies = card.flags.filter((f) => f.nature === 'supply').length;
  const rows = Math.ceil(supplies / card.flagsPerRow);
  const grounds = supplies < card.flags.length;
  return {
    above: card.times > 1 ? Math.max(rows * flagSize.row, flagSize.row) : rows * flagSize.row,
    below: grounds ? groundDrop : 0,
  };
}

/** Cards and lines as ELK takes them: each card a box with its flags, its tabs at fixed places. */
export const toElk = (
  cards: readonly Card[],
  lines: readonly Line[],
  before: ReadonlyMap<string, PlacedCard>,
  options: Readonly<Record<string, string>>,
): ElkNode => ({
  id: 'root',
  layoutOptions: { ...layered, ...options },
  children: cards.map((card) => toNode(card, before.get(card.id))),
  edges: lines.map(toEdge),
});

function toNode(card: Card, before: PlacedCard | undefined): ElkNode {
  const { above, below } = overhang(card);
  return {
    id: card.id,
    width: card.width,
    height: above + card.height + below,
    layoutOptions: {
      'elk.partitioning.partition': String(stageIndex(card.stage)),
      'elk.portConstraints': 'FIXED_POS',
      'elk.alignment': 'LEFT',
      ...(before ? { 'elk.position': `(${before.x}, ${before.y - above})` } : {}),
    },
    ports: tabPlaces(card).map(({ ref, side, x, y }): ElkPort => ({
      id: ref,
      width: 0,
      height: 0,
      x,
      y: y + above,
      layoutOptions: { 'elk.port.side': side === 'west' ? 'WEST' : 'EAST' },
    })),
  };
}

/** Tabs stand below each other, under the text where they carry labels, else around the middle; counted from the card. */
export function tabPlaces(card: Card): PlacedTab[] {
  return card.tabs.map((tab) => {
    const same = card.tabs.filter((t) => t.side === tab.side);
    const top = card.labelled ? card.tabTop : card.height / 2 - ((same.length - 1) * tabPitch) / 2;
    const y = top + same.indexOf(tab) * tabPitch;
    return { ...tab, x: tab.side === 'west' ? 0 : card.width, y };
  });
}

const toEdge = (line: Line): ElkExtendedEdge => ({
  id: line.id,
  sources: [line.from],
  targets: [line.to],
});
