import { checkDesign } from '@yurei/core/catalog';
import { applyEdit, type Design, type Edit } from '@yurei/core/design';
import { problemText, readScxml } from '@yurei/core/exchange';

/** The edit that takes in the charts of a file, or why they cannot be. */
export function chartsEdit(
  design: Design,
  text: string,
): { ok: true; edit: Edit; first: string } | { ok: false; problems: string[] } {
  const read = readScxml(text);
  if (!read.ok) return { ok: false, problems: read.problems.map(problemText) };
  const edits = read.machines.map((machine): Edit => ({ type: 'put-machine', machine }));
  const edit: Edit = { type: 'batch', label: 'take in modes', edits };
  const wrong = checkDesign(applyEdit(design, edit)).filter((p) => p.severity === 'refuse');
  if (wrong.length > 0) return { ok: false, problems: wrong.map(problemText) };
  return { ok: true, edit, first: read.machines[0]?.id ?? '' };
}
