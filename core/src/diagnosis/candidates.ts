import type { Finding } from '../check/index.js';
import { splitRef, type Design } from '../design/index.js';
import { slipKinds } from '../slip/index.js';
import { wiringOf } from '../wiring/index.js';
import { changesOf, placesOf, rankOf, type Candidate } from './candidate.js';
import { missingDrivers } from './missing-drivers.js';
import { missingLines } from './missing-lines.js';
import { missingLoads } from './missing-loads.js';
import { missingResistors } from './missing-parts.js';
import { missingSupplies } from './missing-supplies.js';
import { missingTwins } from './missing-twins.js';
import { likelyWires, neededWires, otherWires } from './missing-wires.js';
import { readyParts } from './ready-parts.js';

/** What rules propose. */
export const remedies = (findings: readonly Finding[]): Candidate[] =>
  findings.flatMap(({ fix, title }): Candidate[] =>
    fix
      ? [
          {
            kind: 'remedy',
            says: title,
            label: fix.label,
            about: placesOf(fix.edit),
            edit: fix.edit,
          },
        ]
      : [],
  );

/** Something put in wrongly is likelier than a wire that is missing between two terminals that have wires. */
const slipped = 0.25;
/** A setting that does not fit is less likely. */
const chosen = 0.2;

/** Slips that are their own cure, made once more: those at places that findings name, those of parts beside them, and the others. */
function undone(
  design: Design,
  findings: readonly Finding[],
): { near: Candidate[]; beside: Candidate[]; far: Candidate[] } {
  const told = new Set(findings.flatMap((f) => f.about));
  const isTold = ({ about }: Candidate): boolean =>
    about.some((place) => told.has(place) || told.has(splitRef(place).part));
  const all = slipKinds
    .filter((k) => k.undoesItself)
    .flatMap((k) =>
      k.all(design).map(({ undoes, label, about, edit }): Candidate => ({
        ...{ kind: 'mistake', usual: k.chosen ? chosen : slipped, says: undoes },
        ...{ label, about, edit },
      })),
    );
  const neighbours = partsBeside(design, told);
  // Values are so many that those beside come with the others.
  const isBeside = ({ about, edit }: Candidate): boolean =>
    edit.type !== 'set-param' && about.some((place) => neighbours.has(splitRef(place).part));
  const others = all.filter((c) => !isTold(c));
  return {
    near: all.filter(isTold),
    beside: others.filter(isBeside),
    far: others.filter((c) => !isBeside(c)),
  };
}

/** Parts that share a net, no rail, with one that is told of. */
function partsBeside(design: Design, told: ReadonlySet<string>): Set<string> {
  const isTold = (ref: string): boolean => told.has(ref) || told.has(splitRef(ref).part);
  const nets = wiringOf(design)
    .all()
    .filter(({ nature, terminals }) => nature === 'signal' && terminals.some(isTold));
  return new Set(nets.flatMap((net) => net.terminals.map((ref) => splitRef(ref).part)));
}

/** The first of them: what rules propose, and slips at the very places that findings name. */
export const nearest = (design: Design, findings: readonly Finding[]): Candidate[] => [
  ...remedies(findings),
  ...undone(design, findings).near,
];

/** What may cure what was found, in stages: the next is only asked for where the ones before it leave something. */
export const stages: readonly ((design: Design, findings: readonly Finding[]) => Candidate[])[] = [
  (design, findings) => {
    const { near, beside, far } = undone(design, findings);
    const [small, large] = parted(remedies(findings), (c) => changesOf(c.edit) === 1);
    return [
      ...small,
      ...readyParts(design, findings),
      ...likeliestFirst(neededWires(design, findings)),
      ...missingTwins(design),
      ...missingLines(design),
      ...missingDrivers(design),
      ...missingLoads(design),
      ...missingSupplies(design),
      ...near,
      ...beside,
      ...likeliestFirst(likelyWires(design, findings)),
      ...large,
      ...far,
    ];
  },
  (design, findings) => likeliestFirst(otherWires(design, findings)),
  missingResistors,
];

const parted = <T>(all: readonly T[], by: (one: T) => boolean): [T[], T[]] => [
  all.filter(by),
  all.filter((one) => !by(one)),
];

const likeliestFirst = (candidates: readonly Candidate[]): Candidate[] =>
  [...candidates].sort((a, b) => rankOf(a) - rankOf(b));
