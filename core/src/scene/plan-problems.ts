import type { Plan, Room, Wall } from '../design/index.js';
import { lengthOf } from './obstacles.js';
import { crossesItself, outlineArea } from './outline.js';

/** What makes no sense on a plan: of what, why, and what to do. */
export interface PlanProblem {
  of: { list: 'rooms' | 'walls'; index: number };
  name: string;
  reason: string;
  cure: string;
}

/** Ends that are nearer than this are the same, m. */
const same = 1e-6;

/** What of a plan makes no sense, in the order in which it is listed. */
export const planProblems = ({ rooms = [], walls }: Plan): PlanProblem[] => [
  ...rooms.flatMap(ofRoom),
  ...walls.flatMap(ofWall),
];

function ofRoom({ name, outline }: Room, index: number): PlanProblem[] {
  const of = { list: 'rooms', index } as const;
  if (crossesItself(outline)) {
    const reason = 'Its outline crosses itself, so that it has no area';
    return [{ of, name, reason, cure: 'Move a corner until its sides no longer cross, or undo.' }];
  }
  if (outlineArea(outline) > 0) return [];
  const reason = 'Its corners lie on one line, so that it has no area';
  return [{ of, name, reason, cure: 'Move a corner away from that line.' }];
}

function ofWall(wall: Wall, index: number): PlanProblem[] {
  const [of, name] = [{ list: 'walls', index } as const, `Wall ${index + 1}`];
  const length = lengthOf(wall);
  if (length === 0)
    return [{ of, name, reason: 'It has no length', cure: 'Move one of its ends.' }];
  const openings = [...(wall.openings ?? [])].sort((a, b) => a.along - b.along);
  return openings.flatMap(({ kind, along, width, bottom, top }, i): PlanProblem[] => {
    const before = openings[i - 1];
    const wrong = (reason: string, cure: string): PlanProblem[] => [{ of, name, reason, cure }];
    if (along + width > length + same)
      return wrong(`Its ${kind} goes beyond its end`, 'Move or narrow it, or lengthen the wall.');
    if (before && before.along + before.width > along + same)
      return wrong(`Its ${before.kind} and its ${kind} overlap`, 'Move one of them.');
    if (top <= bottom)
      return wrong(`The top of its ${kind} is not above its bottom`, 'Say how high each is.');
    if (wall.height !== undefined && top > wall.height + same)
      return wrong(`Its ${kind} is higher than the wall`, 'Lower it, or raise the wall.');
    return [];
  });
}
