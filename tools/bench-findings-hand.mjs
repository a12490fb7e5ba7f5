import { parentPort } from 'node:worker_threads';
import { diagnoseFirst, outcomesOf } from '@yurei/core/diagnosis';

let unexplained;

/** Cures as far as one mistake explains what was found, or counting on two in the design before. */
function diagnose(design) {
  const found = design ? diagnoseFirst(design, design.scenes[0]) : unexplained();
  unexplained = found.countOnTwo;
  return { cures: found.roots.flatMap(({ cures }) => cures), isUnexplained: !!unexplained };
}

/** A worker of `bench-findings.mjs`: it does what the workers of the app do. */
parentPort?.on('message', ({ id, design, scene, edit }) => {
  const answer = scene ? outcomesOf(design, scene, edit) : diagnose(design);
  parentPort?.postMessage({ id, answer });
});
