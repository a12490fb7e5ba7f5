import { kindOf, type Param, numbersOf } from '../catalog/index.js';
import type { Design, Happening, Part, Point, Scene } from '../design/index.js';
import { seededRandom } from '../rehearsal/index.js';
import { ambientOf, findHappeningKind, happeningParams, meets } from '../scene/index.js';
import { entry } from '../quantity/index.js';

/** How much one trial may differ from another. All is sampled evenly between its two ends. */
export interface Variation {
  /** Every toleranced value anywhere within its tolerance. */
  tolerances: boolean;
  /** Of the air, ± K. */
  temperature: number;
  /** Of every supply's voltage, ± share. */
  supply: number;
  /** When a happening begins, ± s. */
  start: number;
  /** Speed, size and strength of a happening, ± share. */
  strength: number;
  /** Where it happens and where sensors stand, ± m; which way they look, ± 1° for each centimetre. */
  place: number;
}

/** What usually differs from trial to trial (common practice). */
export const usualVariation: Variation = {
  tolerances: true,
  temperature: 10,
  supply: 0.05,
  start: 1,
  strength: 0.2,
  place: 0.02,
};

/** One trial as it was sampled: the design and scene to rehearse, and what was sampled for each thing that varies. */
export interface Sampled {
  design: Design;
  scene: Scene;
  /** −1 … 1 for each thing that varies, by its name. */
  sampled: Record<string, number>;
}

/** What is put to one end of its range instead of being sampled: all of one sort together. */
export type Corner = Partial<Record<keyof Variation, -1 | 1>>;

/** A turn of a sensor for each metre that it is misplaced, degrees. */
const degreesPerMetre = 100;

/** Samples one trial. The same seed samples the same trial on any machine. */
export function sampleTrial(
  design: Design,
  scene: Scene,
  vary: Variation,
  seed: number,
  corner: Corner = {},
): Sampled {
  const random = seededRandom(seed);
  const sampled: Record<string, number> = {};
  const draw: Draw = (sort, name) => {
    const share = 2 * random.uniform() - 1;
    return (sampled[name] = corner[sort] ?? share);
  };
  const parts = design.parts.map((part) => varyPart(part, design, vary, draw));
  const ambient = { ...scene.ambient };
  if (vary.temperature > 0)
    ambient['temperature'] =
      ambientOf(scene).temperature +
      vary.temperature * draw('temperature', 'temperature of the air');
  const happenings = scene.happenings.map((h) => varyHappening(h, design, vary, draw));
  return { design: { ...design, parts }, scene: { ...scene, seed, ambient, happenings }, sampled };
}

/** Between −1 and 1, noted under a name. */
type Draw = (sort: keyof Variation, name: string) => number;

function varyPart(part: Part, { plan }: Design, vary: Variation, draw: Draw): Part {
  const kind = kindOf(part);
  const values = numbersOf(kind.params, part.params);
  const params = { ...part.params };
  const set = (param: Param, share: number): void => {
    params[param.id] = within(param, entry(values, param.id) * (1 + share));
  };
  for (const param of kind.params) {
    const { id, tolerance = 0 } = param;
    const volts = kind.supplies?.some((s) => s.param === id) ?? false;
    const name = volts ? `voltage of ${part.id}` : `${param.label.toLowerCase()} of ${part.id}`;
    if (vary.tolerances && tolerance > 0 && values[id] !== 0)
      set(param, tolerance * draw(volts ? 'supply' : 'tolerances', name));
    else if (vary.supply > 0 && volts) set(param, vary.supply * draw('supply', name));
  }
  if (vary.place === 0 || !part.place || !kind.senses) return { ...part, params };
  const { x, y, facing } = part.place;
  const stood = onPlan(plan, {
    x: x + vary.place * draw('place', `place of ${part.id}, east`),
    y: y + vary.place * draw('place', `place of ${part.id}, north`),
  });
  // What is fixed to a wall, or stands before one, is not put up behind it.
  const isThrough = plan.walls.some((wall) => meets({ x, y }, stood, wall));
  const moved = isThrough ? { x, y } : stood;
  const turned = facing + vary.place * degreesPerMetre * draw('place', `where ${part.id} looks`);
  return { ...part, params, place: { ...part.place, ...moved, facing: turned } };
}

function varyHappening(
  happening: Happening,
  { plan }: Design,
  vary: Variation,
  draw: Draw,
): Happening {
  const { name, start, path } = happening;
  const kind = findHappeningKind(happening.kind);
  const values = happeningParams(happening);
  const params = { ...happening.params };
  if (vary.strength > 0)
    for (const param of kind?.params ?? []) {
      // Choices and counts are what they are.
      if (param.whole || param.choices || values[param.id] === 0) continue;
      const share = vary.strength * draw('strength', `${param.label.toLowerCase()} of “${name}”`);
      params[param.id] = within(param, entry(values, param.id) * (1 + share));
    }
  const begins =
    vary.start > 0 ? Math.max(0, start + vary.start * draw('start', `start of “${name}”`)) : start;
  if (!path || vary.place === 0) return { ...happening, params, start: begins };
  const aside = (way: string): number => vary.place * draw('place', `place of “${name}”, ${way}`);
  const [dx, dy] = [aside('east'), aside('north')];
  const moved = path.map(({ x, y }) => onPlan(plan, { x: x + dx, y: y + dy }));
  return { ...happening, params, start: begins, path: moved };
}

const within = ({ min, max }: Param, value: number): number => Math.min(max, Math.max(min, value));

const onPlan = ({ width, depth }: Design['plan'], { x, y }: Point): Point => ({
  x: Math.min(width, Math.max(0, x)),
  y: Math.min(depth, Math.max(0, y)),
});
