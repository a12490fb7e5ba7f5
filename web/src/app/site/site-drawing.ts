import { radians } from '@yurei/core/quantity';
import { findKind, kindOf, paramsOf } from '@yurei/core/catalog';
import type { Design, Happening, Part, Point, Scene } from '@yurei/core/design';
import { alongPath, findHappeningKind, happeningParams, happeningSpan } from '@yurei/core/scene';
import type { Box } from '@yurei/core/picture';
import type { Coverage } from '@yurei/core/plan';

/** Pixels to a metre, and which way is up. */
export interface Scale {
  k: number;
  depth: number;
}

/** A part that stands on the plan: what it sees or lights, as a wedge. */
export interface Stand {
  part: Part;
  x: number;
  y: number;
  senses: boolean;
  /** SVG path of the wedge, or empty for one that sees all round. */
  wedge: string;
  /** How far it reaches, pixels; 0 where that is not known. */
  reach: number;
}

/** A happening that goes or stands somewhere on the plan. */
export interface Way {
  happening: Happening;
  points: Point[];
  line: string;
  /** Where it is at the time cursor. */
  at?: Point;
  /** Half of its width on the plan, pixels. */
  radius: number;
}

/** A drawn wedge has this share of the plan where a sensor's reach is not limited. */
const usualReach = 0.3;

export const scaleOf = ({ plan }: Design, width: number, height: number): Scale => ({
  k: Math.min(width / plan.width, height / plan.depth),
  depth: plan.depth,
});

/** A place on the plan in the drawing: north is up. */
export const drawn = ({ k, depth }: Scale, { x, y }: Point): Point => ({
  x: x * k,
  y: (depth - y) * k,
});

/** A place kept on the plan, to the centimetre. */
export function kept({ x, y }: Point, { width, depth }: Design['plan']): Point {
  const within = (v: number, most: number): number =>
    Math.round(Math.min(most, Math.max(0, v)) * 100) / 100;
  return { x: within(x, width), y: within(y, depth) };
}

/** The place on the plan of a point of the drawing. */
export const onPlan = ({ k, depth }: Scale, { x, y }: Point, plan: Design['plan']): Point =>
  kept({ x: x / k, y: depth - y / k }, plan);

/** The outline of all cells of which something is so, as one path: cells beside each other are one box. */
export function cellsWhere(
  { columns, rows, width, depth }: Coverage,
  scale: Scale,
  is: (cell: number) => boolean,
): string {
  const [w, h] = [(width * scale.k) / columns, (depth * scale.k) / rows];
  let path = '';
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      if (!is(row * columns + column)) continue;
      const from = column;
      while (column + 1 < columns && is(row * columns + column + 1)) column++;
      const [x, y] = [from * w, (rows - 1 - row) * h];
      path += `M${round(x)} ${round(y)}h${round((column + 1 - from) * w)}v${round(h)}h${round((from - column - 1) * w)}z`;
    }
  }
  return path;
}

const round = (v: number): string => v.toFixed(2);

/** Parts that stand somewhere, with what they see. */
export function standsOf(design: Design, scale: Scale): Stand[] {
  return design.parts.flatMap((part): Stand[] => {
    if (!part.place || !findKind(part.kind)) return [];
    const { senses, emits } = kindOf(part);
    const params = paramsOf(part);
    const half = senses?.halfAngle?.(params) ?? emits?.halfAngle?.(params) ?? 180;
    const limit = senses?.reach?.(params) ?? senses?.zone?.(params);
    const metres = limit ?? usualReach * Math.min(design.plan.width, design.plan.depth) * 2;
    const reach = metres * scale.k;
    const { x, y } = drawn(scale, part.place);
    return [
      {
        part,
        x,
        y,
        senses: senses !== undefined,
        wedge: wedge(part.place.facing, half, reach),
        reach: limit ? reach : 0,
      },
    ];
  });
}

function wedge(facing: number, half: number, reach: number): string {
  if (half >= 90) return '';
  const at = (degrees: number): string => {
    const a = radians(degrees);
    return `${(reach * Math.cos(a)).toFixed(1)} ${(-reach * Math.sin(a)).toFixed(1)}`;
  };
  const r = reach.toFixed(1);
  return `M0 0L${at(facing - half)}A${r} ${r} 0 0 0 ${at(facing + half)}Z`;
}

/** Happenings of a scene that are somewhere. */
export function waysOf(scene: Scene, scale: Scale, time: number | undefined): Way[] {
  return scene.happenings.flatMap((happening): Way[] => {
    const { path } = happening;
    if (!path || path.length === 0) return [];
    const points = path.map((p) => drawn(scale, p));
    const line = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x} ${p.y}`).join('');
    const width = happeningParams(happening)['width'] ?? 0.2;
    const at = whereAt(happening, time);
    return [
      {
        happening,
        points,
        line,
        at: at && drawn(scale, at),
        radius: Math.max(4, (width / 2) * scale.k),
      },
    ];
  });
}

function whereAt(happening: Happening, time: number | undefined): Point | undefined {
  const { path = [], start } = happening;
  const span = happeningSpan(happening);
  if (time === undefined || time < span.start || time > span.end) return undefined;
  if (findHappeningKind(happening.kind)?.where !== 'path') return path[0];
  const { speed } = happeningParams(happening);
  return speed === undefined ? path[0] : alongPath(path, speed * (time - start));
}

/** From one dot of a line to the next, px. */
const dot = 8;

/** A line as small squares along it. */
export const dotted = (points: readonly Point[]): Box[] =>
  points.slice(1).flatMap((b, i) => {
    const a = points[i] ?? b;
    const count = Math.max(1, Math.round(Math.hypot(b.x - a.x, b.y - a.y) / dot));
    return Array.from({ length: count + 1 }, (_, n) => ({
      x: a.x + ((b.x - a.x) * n) / count - dot / 2,
      y: a.y + ((b.y - a.y) * n) / count - dot / 2,
      width: dot,
      height: dot,
    }));
  });
