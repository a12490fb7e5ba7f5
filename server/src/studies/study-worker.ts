import type { Design } from '@yurei/core/design';
import { caseNight, casesOf, type CaseNight, type Study } from '@yurei/core/nights';

/** Some nights of one case. */
export interface StudyTask {
  design: Design;
  study: Study;
  case: number;
  seeds: readonly number[];
}

/** Runs in a thread of the pool. */
export default function rehearseSome({
  design,
  study,
  case: index,
  seeds,
}: StudyTask): CaseNight[] {
  const scene = design.scenes.find((s) => s.id === study.scene);
  if (!scene) throw new RangeError(`The design has no scene “${study.scene}”.`);
  const of = casesOf(design, study)[index];
  return seeds.map((seed) => ({ case: index, night: caseNight(of, scene, study, seed) }));
}
