import { migrate, type Design } from '@yurei/core/design';
import { caseTrial, casesOf, type Case, type KeptTrial, type Study } from '@yurei/core/trials';
import type { StudyAnswer } from './trial-processes.js';
import { giveWay } from './give-way.js';

/** Some trials of one case. Design and study are JSON, as they are kept. */
export interface StudyTask {
  id: string;
  document: string;
  study: string;
  case: number;
  seeds: readonly number[];
}

giveWay();
// A key that ends the server (Ctrl-C) is sent to all its processes: the server itself ends this one, and keeps what was done.
process.on('SIGINT', () => undefined);

interface Prepared {
  design: Design;
  study: Study;
  cases: Case[];
}

let last: { id: string; prepared: Prepared } | undefined;

/** The trials as JSON, each with the place of its case. */
function rehearseSome({ id, document, study, case: index, seeds }: StudyTask): string[] {
  if (last?.id !== id) last = { id, prepared: prepare(document, study) };
  const { design, study: asked, cases } = last.prepared;
  const scene = design.scenes.find((s) => s.id === asked.scene);
  if (!scene) throw new RangeError(`The design has no scene “${asked.scene}”.`);
  const one = cases[index];
  if (!one) throw new RangeError(`The study has no case ${index}.`);
  return seeds.map((seed) => {
    // What was sampled is sampled again by its seed when it is looked at.
    const { sampled: _, ...trial } = caseTrial(one, scene, asked, seed);
    return JSON.stringify({ case: index, night: trial satisfies KeptTrial });
  });
}

function prepare(document: string, study: string): Prepared {
  const design = migrate(JSON.parse(document) as Record<string, unknown>) as unknown as Design;
  const asked = JSON.parse(study) as Study;
  return { design, study: asked, cases: casesOf(design, asked) };
}

process.on('message', (task: StudyTask) => {
  try {
    answer({ nights: rehearseSome(task) });
  } catch (error) {
    answer({ error: error instanceof Error ? error.message : String(error) });
  }
});

function answer(message: StudyAnswer): void {
  process.send?.(message, undefined, undefined, (error) => {
    // Nobody listens any more: the server was killed.
    if (error) process.exit();
  });
}
