import { CannotBuild } from '../blocks/index.js';
import { catalog, findKind, type PartKind } from '../catalog/index.js';
import type { Design, Need } from '../design/index.js';
import { contributes, findHappeningKind } from '../scene/index.js';
import { firstDesign } from './first-design.js';
import { performanceOf, type Performance } from './performance.js';

/** A sensor that is offered for a brief, as it does in a first design that was solved and rehearsed. */
export interface Compared extends Offered {
  /** Why there is no first design with it. */
  refused?: string;
  does?: Performance;
}

/** A way to notice something: a sensor, alone or with what sends it a beam. */
export interface Candidate {
  /** Kind of part. */
  sensor: string;
  /** It watches the beam of another part. */
  beam: boolean;
}

/** What is known of one before it is tried. */
export interface Offered extends Candidate {
  label: string;
  price: PartKind['price'];
}

/** Sensors that feel something of what must be noticed, and are not worked by hand unless that is what must be. */
export function candidates(needs: readonly Need[]): Offered[] {
  const wanted = needs.flatMap((n) =>
    n.intent === 'wanted' ? (findHappeningKind(n.kind) ?? []) : [],
  );
  const fitting = catalog.filter(({ stage, emits, senses, operatedByHand }) =>
    stage !== 'feels' || emits
      ? false
      : senses?.quantities.some((quantity) =>
          wanted.some((happening) =>
            operatedByHand
              ? happening.contributes?.[quantity] !== undefined
              : contributes(happening, quantity),
          ),
        ),
  );
  const breaks = wanted.some((happening) => happening.body);
  return fitting.flatMap((kind) => [
    offered(kind, false),
    ...(breaks && kind.beamFrom !== undefined ? [offered(kind, true)] : []),
  ]);
}

function offered({ kind, label, price, beamFrom }: PartKind, beam: boolean): Offered {
  const sender = beam ? findKind(beamFrom ?? '')?.label : undefined;
  const both = sender === undefined ? label : `${label}, with ${lowerFirst(sender)}`;
  return { sensor: kind, beam, label: both, price };
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/**
 * Solves and rehearses a first design with a sensor against everything in the brief.
 *
 * @param design with the brief; a controller and a supply that it has are used
 * @throws RangeError for a kind that is not in the catalogue
 */
export function compare(design: Design, { sensor, beam }: Candidate): Compared {
  const kind = findKind(sensor);
  if (!kind) throw new RangeError(`There is no part kind "${sensor}".`);
  const told = offered(kind, beam);
  const { needs } = design.brief;
  const asked = { sensor, named: kind.label, beam, needs, scene: 'What the brief asks' };
  try {
    return { ...told, does: performanceOf(needs, firstDesign(design, asked)) };
  } catch (error) {
    // One that cannot be wired, or not be rehearsed in such a scene, stands beside the others.
    if (!(error instanceof CannotBuild || error instanceof RangeError)) throw error;
    return { ...told, refused: error.message };
  }
}
