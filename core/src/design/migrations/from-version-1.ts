import type { Migration } from '../migrate.js';

type Fields = Record<string, unknown>;
interface At {
  x: number;
  y: number;
}

/** Parameters that stood in for the surroundings until scenes could move them. */
const stimulus: Readonly<Record<string, string>> = {
  'reed-contact': 'field',
  'probe-rods': 'level',
  'loop-contact': 'tripped',
  'push-button': 'pressed',
  'solar-panel': 'sun',
};

/** Room around everything that stands or happens on the plan, m. */
const margin = 2;

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: unknown): Fields[] => (Array.isArray(value) ? value.filter(isFields) : []);
/** Changes what has the shape of an item; what has not is left for the check of the whole document. */
const each = (value: unknown, change: (item: Fields) => Fields): unknown =>
  Array.isArray(value) ? value.map((item) => (isFields(item) ? change(item) : item)) : value;
const isPoint = (value: unknown): value is Fields & At =>
  isFields(value) && typeof value['x'] === 'number' && typeof value['y'] === 'number';

/** How far values reach, 0 included. Looked at once, as there may be very many. */
function spanOf(values: readonly number[]): { low: number; high: number } {
  let [low, high] = [0, 0];
  for (const value of values) [low, high] = [Math.min(low, value), Math.max(high, value)];
  return { low, high };
}

/** The water level that a part was given, m. */
function levelOf({ kind, params }: Fields): number {
  const level = kind === 'probe-rods' && isFields(params) && params['level'];
  return typeof level === 'number' ? level : 0;
}

/**
 * Version 2 has a plan with edges, ways of several points, surroundings of many quantities, and recordings.
 * Places move so that all of them lie within the plan. A water level that a part was given becomes the level
 * at rest of every scene; the other stand-ins for surroundings are left out.
 */
export const fromVersion1: Migration = (document) => {
  const parts = listOf(document['parts']);
  const scenes = listOf(document['scenes']);
  const happenings = scenes.flatMap((scene) => listOf(scene['happenings']));
  const points = [
    ...parts.map((p) => p['place']),
    ...happenings.flatMap((h) => [h['from'], h['to']]),
  ].filter(isPoint);
  const [x, y] = [spanOf(points.map((p) => p.x)), spanOf(points.map((p) => p.y))];
  const moved = (at: At): At => ({ ...at, x: at.x - x.low, y: at.y - y.low });
  const water = spanOf(parts.map(levelOf)).high;
  const moveHappening = ({ from, to, ...rest }: Fields): Fields => {
    const path = [from, to].filter(isPoint).map(moved);
    return path.length > 0 ? { ...rest, path } : rest;
  };
  const moveScene = (scene: Fields): Fields => ({
    ...scene,
    ambient:
      water > 0 && isFields(scene['ambient']) ? { ...scene['ambient'], water } : scene['ambient'],
    happenings: each(scene['happenings'], moveHappening),
  });
  const movePart = (part: Fields): Fields => {
    const { place, params } = part;
    const left = isFields(params)
      ? Object.entries(params).filter(([id]) => id !== stimulus[String(part['kind'])])
      : [];
    const placed = isPoint(place) ? { ...part, place: moved(place) } : part;
    return isFields(params) ? { ...placed, params: Object.fromEntries(left) } : placed;
  };
  return {
    ...document,
    plan: {
      width: x.high - x.low + margin,
      depth: y.high - y.low + margin,
      walls: [],
    },
    parts: each(document['parts'], movePart),
    scenes: each(document['scenes'], moveScene),
    recordings: [],
  };
};
