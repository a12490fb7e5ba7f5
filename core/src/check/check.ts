import type { Design, Scene } from '../design/index.js';
import { firedSnapshot, snapshot } from '../rehearsal/index.js';
import type { Evidence, Finding, Rule } from './finding.js';
import { coilDiode } from './rules/coil-diode.js';
import { forcedGain } from './rules/forced-gain.js';
import { pinModes } from './rules/pin-modes.js';
import { withinRatings } from './rules/ratings.js';
import { safety } from './rules/safety.js';
import { thresholds } from './rules/thresholds.js';
import { openTerminals, solvable } from './rules/wiring.js';

const rules: readonly Rule[] = [
  solvable,
  openTerminals,
  pinModes,
  withinRatings,
  coilDiode,
  forcedGain,
  thresholds,
  safety,
];

const order: Record<Finding['severity'], number> = { error: 0, caution: 1, fine: 2, safety: 3 };

/** Solves a design at rest and fired, as far as it can be solved. */
export function gatherEvidence(design: Design, scene: Scene | undefined): Evidence {
  return { design, scene, rest: snapshot(design, scene), fired: firedSnapshot(design, scene) };
}

/** Everything the rules find, errors first. */
export function check(evidence: Evidence): Finding[] {
  return rules
    .flatMap((rule) => rule(evidence))
    .sort((a, b) => order[a.severity] - order[b.severity]);
}
