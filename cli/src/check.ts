import { check, gatherEvidence, sayConsequence, type Finding } from '@yurei/core/check';
import { diagnose, prove, type Cure, type Proof, type Root } from '@yurei/core/diagnosis';
import { applyEdit, type Design } from '@yurei/core/design';
import { writeDesign } from '@yurei/core/exchange';
import { loadDesign, pickScene } from './load-design.js';
import type { Report } from './report.js';

export interface CheckOptions {
  scene?: string;
  /** Make the changes that cure what was found. */
  fix?: boolean;
}

/** A cure with what it does to the verdicts of all scenes. */
interface Proven extends Cure {
  proof: Proof;
}

type ProvenRoot = Omit<Root, 'cures'> & { cures: Proven[] };

/** Cures that make no verdict worse. */
const provenRoot = (design: Design, root: Root): ProvenRoot => ({
  ...root,
  cures: root.cures
    .map((cure) => ({ ...cure, proof: prove(design, cure) }))
    .filter(({ proof }) => proof.worse.length === 0),
});

/** Ends a check: something wrong, something to be careful of, or neither; 2 is for bad input. */
const exitCodes = { error: 1, caution: 3, none: 0 } as const;

/**
 * What is wrong, roots first, each with what follows from it and what cures it. With `fix` the cures are made, one after the
 * other, as long as there is only one to choose; the file written is then in `fixed`.
 */
export async function checkFile(
  file: string,
  options: CheckOptions,
): Promise<Report & { fixed?: string }> {
  const design = await loadDesign(file);
  const scene = pickScene(design, options.scene)?.id;
  const { made, design: fixed } = options.fix ? mend(design, scene) : { made: [], design };
  const chosen = fixed.scenes.find((s) => s.id === scene);
  const evidence = gatherEvidence(fixed, chosen);
  const found = diagnose(fixed, chosen, evidence);
  const roots = found.roots.map((root) => provenRoot(fixed, root));
  const asides = found.asides.map((root) => provenRoot(fixed, root));
  const others = check(evidence).filter((f) => !['error', 'caution'].includes(f.severity));
  const text = [
    ...made.map((cure) => `FIXED    ${cure.label}: ${cure.says}`),
    ...roots.map(sayRoot),
    ...others.map((f) => sayFinding(f)),
  ].join('\n');
  const worst = roots.some((r) => r.finding.severity === 'error') ? 'error' : 'caution';
  return {
    text,
    json: { made, roots, asides, others },
    exitCode: exitCodes[roots.length === 0 ? 'none' : worst],
    ...(made.length > 0 ? { fixed: writeDesign(fixed) } : {}),
  };
}

/** More cures than this are not made at once. */
const mostCures = 20;

/** Makes the only cure of a root, looks again, and goes on until there is none. */
function mend(design: Design, scene: string | undefined): { made: Proven[]; design: Design } {
  const made: Proven[] = [];
  let present = design;
  while (made.length < mostCures) {
    const { roots } = diagnose(
      present,
      present.scenes.find((s) => s.id === scene),
    );
    const [sure] = roots
      .filter(({ cures }) => cures.length === 1)
      .flatMap((root) => provenRoot(present, root).cures);
    if (!sure) break;
    made.push(sure);
    present = applyEdit(present, sure.edit);
  }
  return { made, design: present };
}

const indent = `\n${' '.repeat(9)}`;

function sayFinding(f: Finding, more: readonly string[] = []): string {
  const bench = f.bench === '' ? [] : [`On the bench: ${f.bench}`];
  const open = f.severity === 'error' || f.severity === 'caution';
  const title = `${f.title} [${f.code}${open ? `: ${sayConsequence(f)}` : ''}]`;
  const why = f.accepted === undefined ? [] : [`No mistake here: ${f.accepted}`];
  const lines = [title, f.reason, ...why, ...bench, ...more];
  return `${f.severity.toUpperCase().padEnd(8)} ${lines.join(indent)}`;
}

const sayRoot = ({ finding, effects, cures }: ProvenRoot): string =>
  sayFinding(finding, [
    ...(effects.length > 0
      ? [`Follows from it: ${effects.map((f) => `${f.title} [${f.code}]`).join('; ')}`]
      : []),
    ...cures.flatMap(sayCure),
  ]);

function sayCure({ kind, says, label, clears, meter, proof }: Proven): string[] {
  const better = proof.better.length > 0 ? `, turns right: ${proof.better.join('; ')}` : '';
  const rest =
    proof.reveals.length > 0
      ? `; it was quiet because it was dead, then: ${proof.reveals.join('; ')}`
      : '; everything else stays';
  return [
    ...(kind === 'mistake' ? [`Likely: ${says}`] : []),
    ...(meter === undefined ? [] : [`To be sure: ${meter}`]),
    `Fix: ${label} (clears ${clears} finding${clears === 1 ? '' : 's'}${better}${rest})`,
  ];
}
