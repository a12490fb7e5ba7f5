import { check, gatherEvidence, type Finding } from '../check/index.js';
import { applyEdit, type Design } from '../design/index.js';

/** A rule with a design in which it finds something and one, alike, in which it does not. */
export type RuleCase = [code: string, failing: Design, passing: Design];

/** What one rule has to complain of in a design. */
export const complaints = (design: Design, code: string): Finding[] =>
  check(gatherEvidence(design, design.scenes[0])).filter(
    (f) => f.code === code && f.severity !== 'fine',
  );

/** All that is wrong with a design, by any rule. */
const faults = (design: Design): string[] =>
  check(gatherEvidence(design, design.scenes[0]))
    .filter((f) => f.severity === 'error' || f.severity === 'caution')
    .map((f) => `${f.code}: ${f.reason}`);

/** Holds a rule against its two designs, of which the second has no fault at all; where the finding brings a fix, it must cure it. */
export function expectRule([code, failing, passing]: RuleCase): void {
  const found = complaints(failing, code);
  expect(found.map((f) => f.code)).toContain(code);
  for (const { reason, bench, about } of found) {
    expect(reason).not.toMatch(/NaN|undefined|Infinity/);
    expect(bench).not.toBe('');
    expect(about.length).toBeGreaterThan(0);
  }
  expect(complaints(passing, code).map((f) => f.reason)).toEqual([]);
  expect(faults(passing)).toEqual([]);
  for (const { id, fix } of found) {
    if (!fix) continue;
    const cured = complaints(applyEdit(failing, fix.edit), code);
    expect(cured.map((f) => f.id)).not.toContain(id);
  }
}
