import { parentPort } from 'node:worker_threads';
import { diagnose, outcomesOf } from '@yurei/core/diagnosis';

/** A worker of `bench-findings.mjs`: it does what the workers of the app do. */
parentPort?.on('message', ({ id, design, scene, edit }) => {
  const answer = scene
    ? outcomesOf(design, scene, edit)
    : diagnose(design, design.scenes[0]).roots.map(({ cures }) => cures);
  parentPort?.postMessage({ id, answer });
});
