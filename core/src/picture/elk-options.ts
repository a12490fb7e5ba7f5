import type { ElkNode, ElkPort } from 'elkjs/lib/elk-api.js';
import { columnStages } from './graph.js';

/** How ELK lays a picture out: in layers from left to right, one or more to a stage, wires square. */
export const layered = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.partitioning.activate': 'true',
  'elk.separateConnectedComponents': 'false',
  'elk.spacing.nodeNode': '20',
  'elk.spacing.edgeNode': '16',
  'elk.spacing.edgeEdge': '17',
  // Room for a label between two columns.
  'elk.layered.spacing.nodeNodeBetweenLayers': '60',
  'elk.layered.spacing.edgeNodeBetweenLayers': '10',
  'elk.layered.nodePlacement.strategy': 'BRANDES_KOEPF',
  'elk.layered.nodePlacement.bk.fixedAlignment': 'BALANCED',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.crossingMinimization.semiInteractive': 'true',
  'elk.padding': '[top=0,left=0,bottom=0,right=0]',
};

/** The same, closer, for pictures of more parts. */
const close = {
  'elk.spacing.nodeNode': '12',
  'elk.spacing.edgeNode': '10',
  'elk.spacing.edgeEdge': '12',
  'elk.layered.spacing.nodeNodeBetweenLayers': '52',
};
const straight = { 'elk.layered.nodePlacement.strategy': 'LINEAR_SEGMENTS' };
const short = {
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.compaction.postCompaction.strategy': 'EDGE_LENGTH',
};
const even = {
  'elk.layered.layering.strategy': 'COFFMAN_GRAHAM',
  'elk.layered.layering.coffmanGraham.layerBound': '5',
};

/** Ways to lay a picture out, the roomiest first; each is tried until the picture is legible as a whole. */
export const ways: readonly Readonly<Record<string, string>>[] = [
  {},
  straight,
  close,
  { ...close, ...straight },
  { ...close, ...short },
  { ...close, ...even },
  { ...close, ...even, ...straight },
  { ...close, ...short, 'elk.layered.spacing.nodeNodeBetweenLayers': '38' },
];

/** How the supplies are laid out, in a few shapes to choose from: what is joined in rows, the rest packed beside and below it. */
export const laneWays: readonly Readonly<Record<string, string>>[] = ['6', '1.6', '0.5'].map(
  (ratio) => ({
    ...close,
    'elk.partitioning.activate': 'false',
    'elk.separateConnectedComponents': 'true',
    'elk.spacing.componentComponent': '14',
    'elk.aspectRatio': ratio,
  }),
);

/** Rows of boxes in five columns, each joined to the next and to a neighbour's. */
export function exercise(): ElkNode {
  const rows = 10;
  const columns = columnStages.map((_, i) => i);
  const box = (row: number, column: number): string => `${row}-${column}`;
  const ports = (id: string): ElkPort[] =>
    (['WEST', 'EAST'] as const).map((side) => ({
      id: `${id}${side}`,
      x: side === 'WEST' ? 0 : 100,
      y: 25,
      layoutOptions: { 'elk.port.side': side },
    }));
  const all = Array.from({ length: rows }, (_, row) =>
    columns.map((c) => [row, c] as const),
  ).flat();
  const children = all.map(([row, column]) => ({
    id: box(row, column),
    width: 100,
    height: 50,
    ports: ports(box(row, column)),
    layoutOptions: {
      'elk.partitioning.partition': String(column),
      'elk.portConstraints': 'FIXED_POS',
    },
  }));
  const edges = all
    .filter(([, column]) => column > 0)
    .flatMap(([row, column]) =>
      [row, (row + 3) % rows].slice(0, 1 + (row % 2)).map((to) => ({
        id: `${box(row, column)}>${to}`,
        sources: [`${box(row, column - 1)}EAST`],
        targets: [`${box(to, column)}WEST`],
      })),
    );
  return { id: 'root', layoutOptions: layered, children, edges };
}
