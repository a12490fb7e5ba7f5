import { kindOfCondition, type ModeOf } from '@yurei/core/condition';
import type { Condition, Design, Machine, Transition } from '@yurei/core/design';
import { sayAction, sayTrigger } from '@yurei/core/logic';
import { textWidth } from '@yurei/core/picture';
import type { ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api.js';

/** A mode on the chart. */
export interface ModeBox {
  id: string;
  name: string;
  /** Not a mode, but where a way from any of them begins. */
  any: boolean;
  /** What rules do while it holds. */
  does: string[];
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A transition on the chart. */
export interface Arrow {
  index: number;
  path: string;
  /** The line of its label, one under the other. */
  label: string[];
  x: number;
  y: number;
}

export interface ChartLayout {
  width: number;
  height: number;
  boxes: ModeBox[];
  arrows: Arrow[];
}

const margin = 12;
const letter = 6.4;
/** Letters of a mode's name, px. */
const nameLetters = 12.5;
/** Beside a name in its box: the dot of the first mode, and the word "now" at its right. */
const besideName = 20 + 42;
const line = 15;
/** Letters in a line of a label: as many as leave the chart whole on its half of the step at 1280 px, 590 px wide. */
const widths = [24, 16, 11] as const;
const room = 590;
/** Letters in a line of what a mode does. */
const widestDoes = 32;

const options = {
  'elk.algorithm': 'layered',
  'elk.direction': 'DOWN',
  'elk.edgeRouting': 'POLYLINE',
  'elk.edgeLabels.placement': 'CENTER',
  'elk.spacing.nodeNode': '34',
  'elk.spacing.edgeNode': '14',
  'elk.spacing.edgeEdge': '12',
  'elk.spacing.edgeLabel': '4',
  'elk.layered.spacing.nodeNodeBetweenLayers': '12',
  'elk.layered.spacing.edgeNodeBetweenLayers': '10',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.cycleBreaking.strategy': 'MODEL_ORDER',
};

/** Words in lines of a width, in letters. */
export function inLines(text: string, wide: number = widths[0]): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines[lines.length - 1];
    if (last !== undefined && `${last} ${word}`.length <= wide)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** What the design does while a mode holds: the rules that ask for it and for nothing else besides. */
export function doesIn(design: Design, machine: string, mode: string): string[] {
  const modes = (c: Condition): readonly ModeOf[] | undefined =>
    kindOfCondition(c).modes?.(c, modes);
  const asks = (c: Condition | undefined): boolean =>
    (c && modes(c)?.some((m) => m.machine === machine && m.mode === mode)) ?? false;
  return design.rules
    .filter((rule) => asks(rule.when) || asks(rule.while))
    .flatMap((rule) => rule.then.map((act) => sayAction(design, act)));
}

const widest = (lines: readonly string[]): number =>
  Math.max(...lines.map((text) => text.length)) * letter;

/** Where a way from any mode begins on the chart. */
const anyMode = (index: number): string => `any ${index}`;

/** What a transition says on the chart. */
export const arrowText = (design: Design, transition: Transition): string =>
  [
    sayTrigger(design, transition),
    ...(transition.then ?? []).map((act) => sayAction(design, act)),
  ].join(', ');

type LayOut = (root: ElkNode) => Promise<ElkNode>;

/**
 * Lays a chart out, from its first mode down, with labels as wide as leaves it whole.
 *
 * @param layOut ELK
 */
export async function layOutChart(
  design: Design,
  machine: Machine,
  layOut: LayOut,
): Promise<ChartLayout> {
  let best: ChartLayout | undefined;
  for (const wide of widths) {
    const layout = await layOutWith(design, machine, wide, layOut);
    if (!best || layout.width < best.width) best = layout;
    if (best.width <= room) break;
  }
  return best as ChartLayout;
}

async function layOutWith(
  design: Design,
  machine: Machine,
  wide: number,
  layOut: LayOut,
): Promise<ChartLayout> {
  const does = new Map(
    machine.modes.map((m) => [
      m.id,
      doesIn(design, machine.id, m.id).flatMap((text) => inLines(text, widestDoes)),
    ]),
  );
  const children = machine.modes.map((mode): ElkNode => {
    const lines = does.get(mode.id) ?? [];
    const head = textWidth(mode.name, nameLetters, 'bold') + besideName;
    const width = Math.max(96, head, widest(lines) + 24);
    return { id: mode.id, width, height: 20 + line * (1 + lines.length) };
  });
  const anywhere = machine.transitions.flatMap((t, index): ElkNode[] =>
    t.from === undefined ? [{ id: anyMode(index), width: 66, height: 20 }] : [],
  );
  const edges = machine.transitions.map((t, index): ElkExtendedEdge => {
    const label = inLines(arrowText(design, t), wide);
    const size = { width: widest(label) + 8, height: label.length * line };
    const from = t.from ?? anyMode(index);
    return {
      id: `${index}`,
      sources: [from],
      targets: [t.to],
      labels: [{ text: label.join(' '), ...size }],
    };
  });
  const root = await layOut({
    id: 'root',
    layoutOptions: options,
    children: [...anywhere, ...children],
    edges,
  });
  return {
    width: (root.width ?? 0) + 2 * margin,
    height: (root.height ?? 0) + 2 * margin,
    boxes: (root.children ?? []).map((node) => {
      const mode = machine.modes.find((m) => m.id === node.id);
      return {
        id: node.id,
        name: mode?.name ?? 'any mode',
        any: mode === undefined,
        does: does.get(node.id) ?? [],
        x: (node.x ?? 0) + margin,
        y: (node.y ?? 0) + margin,
        width: node.width ?? 0,
        height: node.height ?? 0,
      };
    }),
    arrows: (root.edges ?? []).flatMap((edge) => {
      const way = machine.transitions[Number(edge.id)];
      return way ? [arrowOf(edge, inLines(arrowText(design, way), wide))] : [];
    }),
  };
}

function arrowOf(edge: ElkExtendedEdge, text: string[]): Arrow {
  const section = edge.sections?.[0];
  const points = section
    ? [section.startPoint, ...(section.bendPoints ?? []), section.endPoint]
    : [];
  const label = edge.labels?.[0];
  return {
    index: Number(edge.id),
    path: points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x + margin} ${p.y + margin}`).join(''),
    label: text,
    x: (label?.x ?? 0) + margin + 4,
    y: (label?.y ?? 0) + margin + line - 4,
  };
}
