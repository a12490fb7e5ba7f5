import { kindOf, type PartKind } from '../catalog/index.js';
import type { Finding } from '../check/index.js';
import {
  terminalRef,
  type Design,
  type Edit,
  type Part,
  type TerminalRef,
} from '../design/index.js';
import { joinEdit, whyNotJoin, wiringOf } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { otherLead } from './hanging-loads.js';
import { lostEnds } from './loose-ends.js';

/** A part that is there already is likelier meant than a new one. */
const usual = 0.7;

/** Wires to parts that hang by one lead where a rule would put such a part: it is there, and only joined on one side. */
export function readyParts(design: Design, findings: readonly Finding[]): Candidate[] {
  const wiring = wiringOf(design);
  const loose = lostEnds(design, wiring).filter((ref) => !wiring.wired(ref));
  const wanted = findings.flatMap(({ fix }) => {
    const edits = fix ? eachOf(fix.edit) : [];
    return edits.flatMap((e) => (e.type === 'add-part' ? standsBetween(e.part, edits) : []));
  });
  return wanted.flatMap(({ kind, ends }) =>
    ends.flatMap((near, i) =>
      loose
        .filter((ref) => {
          const other = otherLead(wiring, ref);
          return other && wiring.end(ref)?.kind === kind && wiring.same(other, near);
        })
        .flatMap((ref) => ends.filter((_, j) => j !== i).map((far) => [ref, far] as const))
        .filter(([ref, far]) => !whyNotJoin(design, ref, far))
        .map(([ref, far]) => join(design, ref, far)),
    ),
  );
}

const eachOf = (edit: Edit): readonly Edit[] =>
  edit.type === 'batch' ? edit.edits.flatMap(eachOf) : [edit];

/** What a part with two leads is to be joined with by other changes. */
function standsBetween(
  part: Part,
  edits: readonly Edit[],
): { kind: PartKind; ends: TerminalRef[] }[] {
  const kind = kindOf(part);
  const ends = kind.terminals.flatMap(({ id }) => {
    const ref = terminalRef(part.id, id);
    return edits.flatMap((edit) => {
      if (edit.type !== 'add-wire') return [];
      const { from, to } = edit.wire;
      return from === ref ? [to] : to === ref ? [from] : [];
    });
  });
  return ends.length === 2 ? [{ kind, ends }] : [];
}

const join = (design: Design, from: TerminalRef, to: TerminalRef): Candidate => ({
  kind: 'mistake',
  says: `No wire leads from ${from} to ${to}`,
  label: `Join ${from} and ${to}`,
  about: [from, to],
  usual,
  edit: joinEdit(design, from, to),
});
