import type { Design, Scene } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { judgeScene, type Outcome } from '../rehearsal/index.js';
import { drawNight, type Corner, type Variation } from './vary.js';

/** What came of one night. */
export interface Night {
  /** Draws the same night again. */
  seed: number;
  /** By happening id. */
  outcomes: Record<string, { outcome: Outcome; delay?: number }>;
  /** How often something fired that nothing that happens has brought about. */
  strays: number;
  /** What was drawn, −1 … 1, by the name of what varies. */
  drawn: Record<string, number>;
  /** That it was followed in time; nights kept before that could be were taken as settled at each moment. */
  circuit?: 'in time';
  /** What kept it from being rehearsed. */
  trouble?: string;
}

/** How a happening came out in the nights in which it was tried. */
export const triedIn = (nights: readonly Night[], id: string): Night['outcomes'][string][] =>
  nights.flatMap((n) => n.outcomes[id] ?? []).filter((o) => o.outcome !== 'not tried');

/** Rehearses one night in time, as its seed draws it. */
export function rehearseNight(
  design: Design,
  scene: Scene,
  vary: Variation,
  seed: number,
  corner: Corner = {},
): Night {
  const night = drawNight(design, scene, vary, seed, corner);
  try {
    const { verdicts, strays, halted } = judgeScene(night.design, night.scene, 'time');
    if (halted) throw new RangeError(`After ${formatQuantity(halted.t, 's')} ${halted.because}.`);
    const outcomes = verdicts.map(({ happening, outcome, delay }) => [
      happening,
      { outcome, ...(delay === undefined ? {} : { delay }) },
    ]);
    return {
      seed,
      outcomes: Object.fromEntries(outcomes) as Night['outcomes'],
      strays: strays.length,
      circuit: 'in time',
      drawn: night.drawn,
    };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { seed, outcomes: {}, strays: 0, drawn: night.drawn, trouble: error.message };
  }
}
