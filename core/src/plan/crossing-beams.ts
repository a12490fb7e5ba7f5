import type { Design, Point } from '../design/index.js';
import { crossedAt, meets } from '../scene/index.js';
import { beamsOf, type Beam } from './beams.js';

/** A place where two beams cross: who stands there breaks both. */
export interface Crossing {
  of: readonly [Beam, Beam];
  at: Point;
}

/** Two people at the first two crossings break the same four beams as two people at the other two. */
export interface Alike {
  people: readonly [Crossing, Crossing];
  ghosts: readonly [Crossing, Crossing];
}

/** What crossing beams tell of where someone is. */
export interface CrossingBeams {
  crossings: Crossing[];
  /** From each crossing to the one next to it at most, m: so exactly a place is told; undefined for a single crossing. */
  apart?: number;
  /** Each pair of pairs once. */
  alike: Alike[];
}

/** Where beams of a design cross on the plan, and where two people look like two others; undefined where none cross. */
export function crossingBeams(design: Design): CrossingBeams | undefined {
  const beams = beamsOf(design);
  const crossings = beams.flatMap((a, i) =>
    beams.slice(i + 1).flatMap((b): Crossing[] => {
      const at = crossedIn(a, b);
      return at ? [{ of: [a, b], at }] : [];
    }),
  );
  if (crossings.length === 0) return undefined;
  const apart = Math.max(
    ...crossings.map((c) =>
      Math.min(...crossings.filter((o) => o !== c).map((o) => far(c.at, o.at))),
    ),
  );
  return {
    crossings,
    ...(Number.isFinite(apart) ? { apart } : {}),
    alike: alikeIn(beams, crossings),
  };
}

const far = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

function crossedIn(a: Beam, b: Beam): Point | undefined {
  if (!meets(a.from, a.to, b)) return undefined;
  const share = crossedAt(a, b);
  if (!Number.isFinite(share)) return undefined;
  return {
    x: a.from.x + share * (a.to.x - a.from.x),
    y: a.from.y + share * (a.to.y - a.from.y),
  };
}

/** Crossings of a with b and of c with d are like those of a with d and c with b, and of a with c and b with d, where these cross too. */
function alikeIn(beams: readonly Beam[], crossings: readonly Crossing[]): Alike[] {
  const number = (beam: Beam): number => beams.indexOf(beam);
  const key = (a: number, b: number): number => Math.min(a, b) * beams.length + Math.max(a, b);
  const known = crossings.map((c) => ({ ...c, a: number(c.of[0]), b: number(c.of[1]) }));
  const place = new Map(known.map(({ a, b }, i) => [key(a, b), i]));
  return known.flatMap((p, i) =>
    known.slice(i + 1).flatMap((q): Alike[] => {
      if (new Set([p.a, p.b, q.a, q.b]).size < 4) return [];
      const others = [
        [place.get(key(p.a, q.b)), place.get(key(q.a, p.b))],
        [place.get(key(p.a, q.a)), place.get(key(p.b, q.b))],
      ];
      return others.flatMap(([r, s]): Alike[] => {
        const [first, second] = [crossings[r ?? -1], crossings[s ?? -1]];
        // Told from the pair that has the first crossing of the four.
        if (!first || !second || Math.min(r ?? 0, s ?? 0) < i) return [];
        return [{ people: [told(p), told(q)], ghosts: [first, second] }];
      });
    }),
  );
}

const told = ({ of, at }: Crossing): Crossing => ({ of, at });
