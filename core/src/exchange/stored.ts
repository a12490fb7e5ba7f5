import type { Answer } from '../check/index.js';
import type { Design } from '../design/index.js';
import type { KeptNight, Study } from '../nights/index.js';

/** A design as a server keeps it: with an identity and the count of its saves. */
export interface StoredDesign {
  id: string;
  version: number;
  /** ISO 8601, UTC. */
  savedAt: string;
  design: Design;
}

/** What the shelf shows of an answer to one of the five questions. */
export type ShelfAnswer = Pick<Answer, 'id' | 'label' | 'state' | 'value'>;

/** What the shelf shows of a stored design. */
export interface DesignSummary {
  id: string;
  title: string;
  purpose: string;
  site: string;
  parts: number;
  scenes: number;
  version: number;
  savedAt: string;
  /** As they were computed of this very save; missing where none were. */
  answers?: ShelfAnswer[];
  /** Why the design cannot be read; it can still be exported as it is. */
  unreadable?: string;
}

/** How far a study on the server is: `stopped` says that the server ended meanwhile. */
export type StudyState = 'running' | 'done' | 'cancelled' | 'failed' | 'stopped';

/** What the list of kept studies shows of one. */
export interface StudySummary {
  id: string;
  design: string;
  /** ISO 8601, UTC. */
  madeAt: string;
  state: StudyState;
  /** The name of the scene. */
  scene: string;
  ask: Study['ask']['for'];
  /** Nights rehearsed, and how many there are to be. */
  done: number;
  wanted: number;
  /** What went wrong, where it failed. */
  trouble?: string;
}

/** A study as it is kept, with the design it was made of. */
export interface StoredStudy extends StudySummary {
  document: Design;
  study: Study;
  nights: { case: number; night: KeptNight }[];
}
