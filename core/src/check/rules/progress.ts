import { kindOf } from '../../catalog/index.js';
import type { Scene } from '../../design/index.js';
import type { Evidence } from '../evidence.js';
import type { Severity } from '../finding.js';

export const wantsSomething = (scene: Scene | undefined): boolean =>
  scene?.happenings.some((h) => h.intent === 'wanted') ?? false;

/**
 * How severe it is that something does nothing yet: a note as long as the controller's program has no part in it, a caution as
 * long as a circuit without one has nothing to notice.
 */
export function severityOfIdle(evidence: Evidence, programmed: boolean): Severity {
  const controlled = evidence.design.parts.some((p) => kindOf(p).inputs);
  if (controlled) return programmed ? 'error' : 'note';
  return wantsSomething(evidence.scene) ? 'error' : 'caution';
}
