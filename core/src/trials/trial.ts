import type { Design, Scene } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { judgeScene, type Outcome } from '../rehearsal/index.js';
import { sampleTrial, type Corner, type Variation } from './vary.js';

/** What came of one trial. */
export interface Trial {
  /** Samples the same trial again. */
  seed: number;
  /** By happening id. */
  outcomes: Record<string, { outcome: Outcome; delay?: number }>;
  /** How often something fired that nothing that happens has brought about. */
  strays: number;
  /** What was sampled, −1 … 1, by the name of what varies. */
  sampled: Record<string, number>;
  /** That it was followed in time; trials kept before that could be were taken as settled at each moment. */
  circuit?: 'in time';
  /** What kept it from being rehearsed. */
  trouble?: string;
}

/** How a happening came out in the trials in which it was tried. */
export const triedIn = (trials: readonly Trial[], id: string): Trial['outcomes'][string][] =>
  trials.flatMap((n) => n.outcomes[id] ?? []).filter((o) => o.outcome !== 'not tried');

/** Rehearses one trial in time, as its seed samples it. */
export function rehearseTrial(
  design: Design,
  scene: Scene,
  vary: Variation,
  seed: number,
  corner: Corner = {},
): Trial {
  const trial = sampleTrial(design, scene, vary, seed, corner);
  try {
    const { verdicts, spurious, halted } = judgeScene(trial.design, trial.scene, 'time');
    if (halted) throw new RangeError(`After ${formatQuantity(halted.t, 's')} ${halted.because}.`);
    const outcomes = verdicts.map(({ happening, outcome, delay }) => [
      happening,
      { outcome, ...(delay === undefined ? {} : { delay }) },
    ]);
    return {
      seed,
      outcomes: Object.fromEntries(outcomes) as Trial['outcomes'],
      strays: spurious.length,
      circuit: 'in time',
      sampled: trial.sampled,
    };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { seed, outcomes: {}, strays: 0, sampled: trial.sampled, trouble: error.message };
  }
}
