import type { Finding } from '../check/index.js';
import type { Design, TerminalRef } from '../design/index.js';
import { formatNominal } from '../quantity/index.js';
import { Draft, wiringOf } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { looseEnds } from './loose-ends.js';
import { railsOf } from './rails.js';

/** What stands in the lead of an LED or a base, and what holds or loads a line, Ω (common practice). */
const usual = [330, 10e3];

/** Every resistor that may have been forgotten: between loose ends, or from one to ground or a supply. */
export function missingResistors(design: Design, findings: readonly Finding[]): Candidate[] {
  const wiring = wiringOf(design);
  const loose = looseEnds(design, findings);
  const far = [...loose, ...railsOf(design)];
  return loose.flatMap((from, i) =>
    far
      .filter((to, j) => (j >= loose.length || j > i) && !wiring.same(from, to))
      .flatMap((to) => usual.map((ohms) => resistor(design, from, to, ohms))),
  );
}

function resistor(design: Design, from: TerminalRef, to: TerminalRef, ohms: number): Candidate {
  const draft = new Draft(design);
  const id = draft.between('resistor', 'Resistor', { ohms }, from, to);
  return {
    kind: 'mistake',
    says: `No resistor stands between ${from} and ${to}`,
    label: `Add ${formatNominal(ohms, 'Ω')} between ${from} and ${to}`,
    about: [from, to, id],
    // Something has been left out besides its wires; where both fit, the one that draws less.
    usual: ohms > 1e3 ? -0.4 : -0.5,
    edit: draft.edit('add resistor'),
  };
}
