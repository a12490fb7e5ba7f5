import type { Design, Plan, Point, Room, Wall } from '../design/index.js';
import { lengthOf } from '../scene/index.js';
import { crossesItself, outlineArea } from './outline.js';

/** What cannot be as it stands on the plan: of what, why, and what to do. */
export interface SiteProblem {
  /** "room 0", "wall 2" or "part B1". */
  of: string;
  name: string;
  reason: string;
  cure: string;
}

/** Ends that are nearer than this are the same, m. */
const same = 1e-6;

/** What of a plan makes no sense, in the order in which it is listed. */
export const siteProblems = ({ plan, parts }: Design): SiteProblem[] => [
  ...(plan.rooms ?? []).flatMap(ofRoom),
  ...plan.walls.flatMap(ofWall),
  ...parts.flatMap(({ id, name, place }): SiteProblem[] =>
    place && !onPlan(plan, place)
      ? [
          {
            ...{ of: `part ${id}`, name, reason: 'It stands outside the plan.' },
            cure: 'Drag it back, or make the plan larger.',
          },
        ]
      : [],
  ),
];

const onPlan = ({ width, depth }: Plan, { x, y }: Point): boolean =>
  x >= 0 && y >= 0 && x <= width && y <= depth;

function ofRoom({ name, outline }: Room, index: number): SiteProblem[] {
  const of = `room ${index}`;
  if (crossesItself(outline)) {
    const reason = 'Its outline crosses itself, so that it has no area.';
    return [{ of, name, reason, cure: 'Move a corner until its sides no longer cross, or undo.' }];
  }
  if (outlineArea(outline) > 0) return [];
  const reason = 'Its corners lie on one line, so that it has no area.';
  return [{ of, name, reason, cure: 'Move a corner away from that line.' }];
}

function ofWall(wall: Wall, index: number): SiteProblem[] {
  const [of, name] = [`wall ${index}`, `Wall ${index + 1}`];
  const length = lengthOf(wall);
  if (length === 0)
    return [{ of, name, reason: 'It has no length.', cure: 'Move one of its ends.' }];
  const openings = [...(wall.openings ?? [])].sort((a, b) => a.along - b.along);
  return openings.flatMap(({ kind, along, width, bottom, top }, i): SiteProblem[] => {
    const before = openings[i - 1];
    const wrong = (reason: string, cure: string): SiteProblem[] => [{ of, name, reason, cure }];
    if (along + width > length + same)
      return wrong(`Its ${kind} goes beyond its end.`, 'Move or narrow it, or lengthen the wall.');
    if (before && before.along + before.width > along + same)
      return wrong(`Its ${before.kind} and its ${kind} overlap.`, 'Move one of them.');
    if (top <= bottom)
      return wrong(`The top of its ${kind} is not above its bottom.`, 'Say how high each is.');
    if (wall.height !== undefined && top > wall.height + same)
      return wrong(`Its ${kind} is higher than the wall.`, 'Lower it, or raise the wall.');
    return [];
  });
}
