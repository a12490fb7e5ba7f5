import { check, gatherEvidence, isOpen } from '../check/index.js';
import type { Solution } from '../circuit/index.js';
import { applyEdit, type Design } from '../design/index.js';
import { Rig } from '../rehearsal/index.js';
import { slipKinds } from '../slip/index.js';
import { beside } from '../testing/beside.js';
import { demo } from '../testing/demo.js';
import { Attempts, harmOf, tellsNothing, type Attempt } from './attempt.js';
import type { Candidate } from './candidate.js';
import { stages } from './candidates.js';

/** Designs with each so manieth of the usual slips in them, and each so manieth candidate. */
const looked: readonly [name: string, Design, everySlip: number, everyCandidate: number][] = [
  ...['slipway-beam', 'workshop-break-in', 'bench-test-jig', 'fuel-locker-vapour'].map(
    (name) => [name, demo(name), 19, 3] as [string, Design, number, number],
  ),
  // Much is at what two boards share, and little of it moves by a change.
  ['two on one bench', beside(demo('varnish-bench-fire'), demo('slipway-beam')), 53, 7],
];

/** Each so manieth of the usual slips of a design. */
const slipsOf = (design: Design, every: number): (readonly [says: string, bad: Design])[] =>
  slipKinds
    .flatMap((kind) => kind.all(design))
    .filter((_, i) => i % every === 0)
    .map((slip) => [slip.says, applyEdit(design, slip.edit)] as const);

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

it.each(looked)(
  '%s: what is found of a change by looking where it may matter is what is found by looking everywhere',
  (_, design, everySlip, everyCandidate) => {
    let [helpful, overlooked] = [0, 0];
    for (const [says, bad] of slipsOf(design, everySlip)) {
      const evidence = gatherEvidence(bad, bad.scenes[0]);
      const open = check(evidence).filter(isOpen);
      if (open.length === 0) continue;
      const { solution } = evidence.quiet;
      const attempts = new Attempts(bad, bad.scenes[0], solution);
      const everywhere = wholly(bad, solution);
      for (const candidate of stages[0](bad, open).filter((__, i) => i % everyCandidate === 0)) {
        const wanted = attempts.within(candidate);
        const got: Attempt | undefined =
          wanted.length > 0 ? attempts.try(candidate, wanted) : undefined;
        const all = everywhere(candidate);
        const helps = all.cleared.length > 0 && all.harm.length === 0;
        helpful += Number(helps);
        overlooked += Number(helps && !got);
        const seen = got?.harm.length === 0 ? [...got.cleared].sort() : [];
        if (seen.length > 0)
          expect({ says, label: candidate.label, cleared: seen }).toEqual({
            ...{ says, label: candidate.label },
            cleared: helps ? all.cleared.sort() : [],
          });
      }
    }
    expect(helpful).toBeGreaterThan(4);
    expect(overlooked).toBe(0);
  },
);

it('all that hangs on a controller is looked at where its own feed is changed, though no volts move', () => {
  const bad = applyEdit(demo('slipway-beam'), {
    ...{ type: 'remove-wire' },
    id: demo('slipway-beam').wires.find((w) => w.from === 'G1.plus' && w.to === 'U1.VIN')?.id ?? '',
  });
  const { solution } = gatherEvidence(bad, bad.scenes[0]).quiet;
  const attempts = new Attempts(bad, bad.scenes[0], solution);
  const exchange = stages[0](bad, attempts.open).find(
    (c) => c.label === 'Exchange U1.VIN and U1.5V',
  );
  const attempt = exchange && attempts.try(exchange, attempts.within(exchange));
  expect(attempt?.harm.map((f) => f.id)).toEqual(exchange && wholly(bad, solution)(exchange).harm);
  expect(attempt?.harm).not.toEqual([]);
});
