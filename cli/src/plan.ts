import { candidates, compare, evenWeights, rank, reasonOf, type Ranked } from '@yurei/core/plan';
import { emptyDesign } from '@yurei/core/design';
import { formatQuantity, toDigits } from '@yurei/core/quantity';
import { BadInput } from './bad-input.js';
import { loadDesign } from './load-design.js';
import type { Report } from './report.js';
import { table } from './table.js';

/** Sensors for the brief of a design, each wired and rehearsed on a bench of its own; exit code 1 when none notices all of it. */
export async function planOf(file: string): Promise<Report> {
  const { brief, plan } = await loadDesign(file);
  if (!brief.needs.some((n) => n.intent === 'wanted'))
    throw new BadInput(
      `${file}: the brief does not say what must be noticed. Say it in Plan, or in "brief.needs".`,
    );
  const design = { ...emptyDesign('First design'), brief, plan };
  const offered = candidates(brief.needs);
  const ranked = rank(
    offered.map((candidate) => compare(design, candidate)),
    evenWeights,
  );
  const serving = ranked.filter((r) => r.serves);
  return {
    text: [
      `${serving.length} of ${ranked.length} notice all that must be noticed.`,
      table(ranked.map(rowOf)),
    ].join('\n'),
    json: ranked.map(({ does, ...told }) => ({
      ...told,
      does: does && { ...does, edit: undefined },
    })),
    exitCode: serving.length > 0 ? 0 : 1,
  };
}

const rowOf = (ranked: Ranked, i: number): string[] => [
  ranked.serves ? `${i + 1}.` : '',
  ranked.label,
  ranked.serves ? toDigits(100 * ranked.mark, 3) : '',
  ranked.does ? formatQuantity(ranked.does.amps, 'A') : '',
  reasonOf(ranked),
];
