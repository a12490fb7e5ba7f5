import type { Finding } from '../check/index.js';
import { splitRef, type Design } from '../design/index.js';
import { slipKinds } from '../slip/index.js';
import type { Candidate } from './candidate.js';
import { missingResistors } from './missing-parts.js';
import { likelyWires, otherWires } from './missing-wires.js';

/** What rules propose. */
export const remedies = (findings: readonly Finding[]): Candidate[] =>
  findings.flatMap(({ fix, about, title }): Candidate[] =>
    fix ? [{ kind: 'remedy', says: title, label: fix.label, about, edit: fix.edit }] : [],
  );

/** Slips that are their own cure, made once more; those at places that findings name first. */
function undone(design: Design, findings: readonly Finding[]): Candidate[] {
  const told = new Set(findings.flatMap((f) => f.about));
  const away = ({ about }: Candidate): number =>
    about.some((place) => told.has(place) || told.has(splitRef(place).part)) ? 0 : 1;
  return slipKinds
    .filter((k) => k.undoesItself)
    .flatMap((k) => k.all(design))
    .map(({ undoes, label, about, edit }): Candidate => ({
      kind: 'mistake',
      says: undoes,
      label,
      about,
      edit,
    }))
    .sort((a, b) => away(a) - away(b));
}

/** What may cure what was found, in stages: the next is only asked for where the ones before it leave something. */
export const stages: readonly ((design: Design, findings: readonly Finding[]) => Candidate[])[] = [
  (design, findings) => [
    ...remedies(findings),
    ...likelyWires(design, findings),
    ...undone(design, findings),
  ],
  otherWires,
  missingResistors,
];
