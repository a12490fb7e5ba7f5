import type { Plan, Point } from '@yurei/core/design';

/** Something on the plan that can be moved, as it is drawn. */
export interface Mark {
  key: string;
  name: string;
  /** Its name stands beside it. */
  named: boolean;
  /** It is an end or a corner of what is picked. */
  end: boolean;
  /** How it is drawn. */
  d: string;
  at: Point;
}

const square = 'M-5 -5H5V5H-5Z';
const triangle = 'M-5 -6V6L6 0Z';
const diamond = 'M0 -7L6 0L0 7L-6 0Z';
const ring = 'M-5 0A5 5 0 1 0 5 0A5 5 0 1 0 -5 0Z';
const cross = 'M-7 -1H-1V-7H1V-1H7V1H1V7H-1V1H-7Z';

const mark = (key: string, name: string, d: string, at: Point, named = false): Mark => ({
  ...{ key, name, d, at, named, end: d === ring },
});

/** Spots, entrances, what is guarded, the ends and corners of what is picked, and the marks by which a picture is scaled. */
export function marksOf(
  plan: Plan,
  picked: string,
  measured: readonly Point[] | undefined,
): Mark[] {
  const { entrances = [], guarded, spots = [] } = plan;
  return [
    ...spots.map(({ name, at }, i) => mark(`spot ${i}`, name, square, at, true)),
    ...entrances.map((at, i) => mark(`entrance ${i}`, `Entrance ${i + 1}`, triangle, at)),
    ...(guarded ? [mark('guarded', 'What is guarded', diamond, guarded)] : []),
    ...endsOf(plan, picked),
    ...(measured ?? []).map((at, i) => mark(`scale ${i}`, `Known length, end ${i + 1}`, cross, at)),
  ];
}

function endsOf({ walls, rooms = [], trees = [] }: Plan, picked: string): Mark[] {
  const [kind, index] = picked.split(' ');
  const [wall, room, tree] = [walls, rooms, trees].map((list) => list[Number(index)]) as [
    Plan['walls'][number] | undefined,
    (typeof rooms)[number] | undefined,
    (typeof trees)[number] | undefined,
  ];
  if (kind === 'wall' && wall)
    return [
      mark(`${picked} from`, 'First end of the wall', ring, wall.from),
      mark(`${picked} to`, 'Last end of the wall', ring, wall.to),
    ];
  if (kind === 'room' && room)
    return room.outline.map((at, i) =>
      mark(`${picked} ${i}`, `${room.name}, corner ${i + 1}`, ring, at),
    );
  return kind === 'tree' && tree ? [mark(picked, 'The tree', ring, tree.at)] : [];
}
