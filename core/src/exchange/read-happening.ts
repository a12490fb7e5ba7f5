import type { Design, Happening } from '../design/index.js';
import { checkScenes } from '../scene/index.js';
import { happeningShape } from './design-shape.js';

/**
 * Reads one happening from JSON, as a live scene is told to let it happen, and holds it against the plan and the
 * kinds of happening. Its start is not asked.
 */
export function readHappening(
  text: string,
  design: Design,
): { ok: true; happening: Happening } | { ok: false; reason: string } {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return { ok: false, reason: 'a happening is one line of complete JSON' };
  }
  const { error, value } = happeningShape.validate(document, { convert: false });
  if (error) return { ok: false, reason: error.message };
  const happening = value as Happening;
  const scene = { id: 'live', name: '', seed: 1, duration: 1e7, ambient: {} };
  const faults = checkScenes({
    ...design,
    parts: [],
    recordings: [],
    scenes: [{ ...scene, happenings: [happening] }],
  });
  const fault = faults.find((f) => f.severity === 'refuse');
  return fault ? { ok: false, reason: `${fault.reason}. ${fault.cure}` } : { ok: true, happening };
}
