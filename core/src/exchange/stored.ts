import type { Answer } from '../check/index.js';
import type { Design } from '../design/index.js';
import type { KeptTrial, Study } from '../trials/index.js';

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

/** What a design is made of, in the words of the catalogue, for the shelf's filters. */
export interface DesignMakeup {
  /** Quantities that its sensors feel. */
  senses: string[];
  /** Kinds of part that act. */
  acts: string[];
  controller: boolean;
  sketch: DesignSketch;
}

/** A design small: its parts as signs in columns, and which of them signals join. */
export interface DesignSketch {
  /** Place in the list of stages, and the sign of the kind. */
  parts: { stage: number; glyph: string }[];
  /** Places in `parts`. */
  wires: [number, number][];
}

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
  /** When it was last opened, ISO 8601 in UTC; empty where it never was. */
  openedAt: string;
  /** It came with the program and was not changed since. */
  example: boolean;
  makeup?: DesignMakeup;
  /** As they were computed of this very save; missing where none were. */
  answers?: ShelfAnswer[];
  /** Why the design cannot be read; it can still be exported as it is. */
  unreadable?: string;
}

/** A design in the bin. */
export interface RemovedDesign {
  id: string;
  title: string;
  /** ISO 8601, UTC. */
  removedAt: string;
}

/** For so many days a removed design can be had back. */
export const daysInBin = 30;

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
  nights: { case: number; night: KeptTrial }[];
}
