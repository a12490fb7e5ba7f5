import { kindOf, stages, type Stage } from '../catalog/index.js';
import { splitRef, terminalRef, type Design, type Part } from '../design/index.js';

/** Parts joined to a part by wires that carry a signal, not supply or ground. */
export type Neighbours = (part: string) => Part[];

/**
 * The column a part stands in. Passive parts stand with what they serve: after an output pin or a
 * transistor they drive, beside a sensor they condition.
 */
export function stageOf(design: Design, part: Part, neighbours: Neighbours): Stage {
  const kind = kindOf(part);
  if (!kind.floats) return kind.stage;
  const all = neighbours(part.id);
  // Between supply and ground, or on the way from a source to a supply.
  if (all.every((p) => kindOf(p).stage === 'feeds') && isWired(design, part)) return 'feeds';
  const around = all.filter((p) => !kindOf(p).floats);
  const stagesAround = new Set(around.map((p) => kindOf(p).stage));
  if (stagesAround.has('feels')) return 'conditions';
  if (stagesAround.has('drives') || stagesAround.has('acts')) return 'drives';
  const onOutput = design.outputs.some(
    (o) =>
      around.some((p) => p.id === splitRef(o.pin).part) && sharesNetWithPin(design, part.id, o.pin),
  );
  return onOutput ? 'drives' : kind.stage;
}

/** Whether every terminal of a part is wired to something. */
const isWired = (design: Design, part: Part): boolean =>
  kindOf(part).terminals.every(({ id }) => {
    const ref = terminalRef(part.id, id);
    return design.wires.some((w) => w.from === ref || w.to === ref);
  });

const sharesNetWithPin = (design: Design, part: string, pin: string): boolean =>
  design.wires.some(
    (w) =>
      (w.from === pin && splitRef(w.to).part === part) ||
      (w.to === pin && splitRef(w.from).part === part),
  );

export const stageIndex = (stage: Stage): number => stages.indexOf(stage);
