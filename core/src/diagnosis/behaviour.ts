import { gatherEvidence, allStates, type Evidence, type State } from '../check/index.js';
import type { Design } from '../design/index.js';
import { judgeScene, type Outcomes } from '../rehearsal/index.js';

/** What a design does in its scenes, and what a meter shows of it: all that one can tell two designs apart by. */
export interface Behaviour {
  evidence: Evidence;
  scenes: readonly Outcomes[];
}

/** A scene counts as played so where its circuit may be taken as settled. */
const path = 'fast';

export function behaviourOf(design: Design): Behaviour {
  return {
    evidence: gatherEvidence(design, design.scenes[0]),
    scenes: design.scenes.map((scene) => judgeScene(design, scene, path)),
  };
}

/** A meter shows a difference from here on, V and A; a reading from here on, as a share of itself or of one count. */
const leastVolts = 0.05;
const leastAmps = 1e-3;
const leastShare = 0.02;

const differ = (a: number, b: number, least: number): boolean =>
  Math.abs(a - b) > Math.max(least, leastShare * Math.max(Math.abs(a), Math.abs(b)));

const sameKeys = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean =>
  a.size === b.size && [...a].every((k) => b.has(k));

/** Whether a meter at any part, or anyone who looks on, can tell one state from another. */
function differs(a: State, b: State): boolean {
  if ((a.solution.method === 'none') !== (b.solution.method === 'none')) return true;
  if (!sameKeys(a.acting, b.acting)) return true;
  for (const [id, counts] of a.counts)
    if (differ(counts, b.counts.get(id) ?? NaN, 1) || !b.counts.has(id)) return true;
  return Object.entries(a.solution.parts).some(([id, part]) => {
    const other = b.solution.parts[id];
    if (!other) return false;
    return Object.keys(part.amps).some((t) => differ(part.amps[t] ?? 0, other.amps[t] ?? 0, leastAmps));
  }) || a.solution.nets.some((net) => {
    const other = b.solution.nets.find((n) => n.id === net.id);
    return other !== undefined && differ(net.volts ?? 0, other.volts ?? 0, leastVolts);
  });
}

/** Whether anything that is measured or seen differs. */
export function tellsApart(a: Behaviour, b: Behaviour): boolean {
  const [one, other] = [allStates(a.evidence), allStates(b.evidence)];
  return (
    one.length !== other.length ||
    one.some((state, i) => differs(state, other[i])) ||
    failings(a).join() !== failings(b).join()
  );
}

/** What a design does not do that it should, or does that it should not, as lines that can be compared. */
export function failings({ scenes, evidence }: Behaviour): string[] {
  return scenes.flatMap(({ verdicts, strays, halted }, i) => [
    ...verdicts
      .filter((v) => v.outcome === 'missed' || v.outcome === 'fired falsely')
      .map((v) => `${evidence.design.scenes[i].name}: ${v.name} ${v.outcome}`),
    ...(strays.length > 0 ? [`${evidence.design.scenes[i].name}: fires at nothing`] : []),
    ...(halted ? [`${evidence.design.scenes[i].name}: ${halted.because}`] : []),
  ]);
}
