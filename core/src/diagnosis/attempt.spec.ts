import { check, gatherEvidence, isOpen } from '../check/index.js';
import type { Solution } from '../circuit/index.js';
import { applyEdit, type Design } from '../design/index.js';
import { Rig } from '../rehearsal/index.js';
import { slipKinds } from '../slip/index.js';
import { demo } from '../testing/demo.js';
import { Attempts, harmOf, tellsNothing, type Attempt } from './attempt.js';
import type { Candidate } from './candidate.js';
import { stages } from './candidates.js';

const names = ['slipway-beam', 'workshop-break-in', 'bench-test-jig', 'fuel-locker-vapour'];
/** Each so manieth slip and candidate. */
const [everySlip, everyCandidate] = [19, 3];

/** Some usual slips of some designs. */
const slips = names.flatMap((name) => {
  const design = demo(name);
  return slipKinds
    .flatMap((kind) => kind.all(design))
    .filter((_, i) => i % everySlip === 0)
    .map((slip) => [name, slip.says, applyEdit(design, slip.edit)] as const);
});

/** What changes do, by looking at all of the circuit. */
function wholly(bad: Design, solution: Solution) {
  const scene = bad.scenes[0];
  const found = (design: Design) => {
    const rig = new Rig(design, scene);
    rig.startNear(solution);
    return check(gatherEvidence(design, scene, rig, { worst: false }));
  };
  const before = found(bad);
  return (candidate: Candidate): { cleared: string[]; harm: string[] } => {
    const after = found(applyEdit(bad, candidate.edit));
    const left = new Set(after.filter(isOpen).map((f) => f.id));
    const gone = before.filter((f) => isOpen(f) && !left.has(f.id));
    return {
      cleared: tellsNothing(candidate, gone) ? [] : gone.map((f) => f.id),
      harm: harmOf(before, after).map((f) => f.id),
    };
  };
}

it('what is found of a change by looking where it may matter is what is found by looking everywhere', () => {
  let [helpful, overlooked] = [0, 0];
  for (const [name, says, bad] of slips) {
    const evidence = gatherEvidence(bad, bad.scenes[0]);
    const open = check(evidence).filter(isOpen);
    if (open.length === 0) continue;
    const { solution } = evidence.quiet;
    const attempts = new Attempts(bad, bad.scenes[0], solution);
    const everywhere = wholly(bad, solution);
    for (const candidate of stages[0](bad, open).filter((_, i) => i % everyCandidate === 0)) {
      const wanted = attempts.within(candidate);
      const got: Attempt | undefined =
        wanted.length > 0 ? attempts.try(candidate, wanted) : undefined;
      const all = everywhere(candidate);
      const helps = all.cleared.length > 0 && all.harm.length === 0;
      helpful += Number(helps);
      overlooked += Number(helps && !got);
      const seen = got?.harm.length === 0 ? [...got.cleared].sort() : [];
      if (seen.length > 0)
        expect({ name, says, label: candidate.label, cleared: seen }).toEqual({
          ...{ name, says, label: candidate.label },
          cleared: helps ? all.cleared.sort() : [],
        });
    }
  }
  expect(helpful).toBeGreaterThan(20);
  expect(overlooked).toBe(0);
});
