import type { Scene } from '../design/index.js';
import { findHappeningKind, happeningSpan } from '../scene/index.js';

/** A stretch in which nobody hears a radio, s. */
export interface Jam {
  start: number;
  end: number;
}

/** When no message by radio is heard. */
export const jamsIn = ({ happenings }: Pick<Scene, 'happenings'>): Jam[] =>
  happenings.filter((h) => findHappeningKind(h.kind)?.jams).map(happeningSpan);

/** Whether what is sent at a moment is heard by nobody. */
export const isJammed = (jams: readonly Jam[], t: number): boolean =>
  jams.some(({ start, end }) => t >= start && t < end);
