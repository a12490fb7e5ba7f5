import type { Scene } from '../design/index.js';
import { findHappeningKind, happeningSpan, type Span } from '../scene/index.js';

/** When no message by radio is heard. */
export const jamsIn = ({ happenings }: Pick<Scene, 'happenings'>): Span[] =>
  happenings.filter((h) => findHappeningKind(h.kind)?.jams).map(happeningSpan);

/** Whether what is sent at a moment is heard by nobody. */
export const isJammed = (jams: readonly Span[], t: number): boolean =>
  jams.some(({ start, end }) => t >= start && t < end);
