/** What is left untried because something likelier cures all that it might is nothing that would have been told. */
import { check, gatherEvidence, isOpen } from '../check/index.js';
import { applyEdit, type Design } from '../design/index.js';
import { slipKinds } from '../slip/index.js';
import { demo } from '../testing/demo.js';
import { Attempts, type Attempt } from './attempt.js';
import { Looks } from './looks.js';
import { rootsOf, type Root } from './roots.js';
import { Trials } from './trials.js';

/** Trials of which nothing is spared: no change is known to harm nothing. */
class Doubting extends Looks {
  override clearedBy(): [] {
    return [];
  }
}

/** Counts what it tries. */
class Counting extends Attempts {
  tries = 0;
  override try(...args: Parameters<Attempts['try']>): Attempt | undefined {
    this.tries += 1;
    return super.try(...args);
  }
}

const told = (roots: readonly Root[]) =>
  roots.map(({ finding, effects, cures }) => ({
    ...{ root: finding.id, effects: effects.map((f) => f.id) },
    cures: cures.map((c) => c.label),
  }));

function diagnosed(bad: Design, Sparing: typeof Looks): { tries: number; roots: object[] } {
  const scene = bad.scenes[0];
  const evidence = gatherEvidence(bad, scene);
  const found = check(evidence);
  const attempts = new Counting(bad, scene, evidence.quiet.solution);
  const made = new Trials(
    bad,
    found.filter(isOpen),
    attempts,
    new Sparing(bad, scene, evidence, found),
    150,
  ).all();
  const looks = new Looks(bad, scene, evidence, found);
  return { tries: attempts.tries, roots: told(rootsOf(found, made, looks).roots) };
}

it.each(['slipway-beam', 'varnish-bench-fire', 'chart-table-light', 'fuel-locker-loop'])(
  '%s: the same is told with fewer tries',
  (name) => {
    const design = demo(name);
    const slips = slipKinds.flatMap((k) => k.all(design)).filter((_, i) => i % 11 === 0);
    let [few, all] = [0, 0];
    for (const slip of slips) {
      const bad = applyEdit(design, slip.edit);
      const [sparing, whole] = [diagnosed(bad, Looks), diagnosed(bad, Doubting)];
      expect({ slip: slip.says, told: sparing.roots }).toEqual({
        ...{ slip: slip.says, told: whole.roots },
      });
      few += sparing.tries;
      all += whole.tries;
    }
    expect(few).toBeLessThan(all);
  },
);
