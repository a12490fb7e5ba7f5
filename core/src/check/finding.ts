import type { Solution } from '../circuit/index.js';
import type { Design, Edit, Scene } from '../design/index.js';
import type { Snapshot } from '../rehearsal/index.js';

/** The step of the work in which a finding is best dealt with. */
export type Step = 'wire' | 'set' | 'act' | 'drive';

/** Something a check has to say about a design, with the number behind it. */
export interface Finding {
  /** Stable for the same rule and subject. */
  id: string;
  severity: 'error' | 'caution' | 'fine' | 'safety';
  step: Step;
  title: string;
  /** Why, with numbers, and what would happen on the bench. */
  reason: string;
  /** Ids of the parts, nets and channels it is about. */
  about: readonly string[];
  /** A change that cures it. */
  fix?: { label: string; edit: Edit };
}

/** What the rules look at: the design and its circuit solved in its two main states. */
export interface Evidence {
  design: Design;
  scene: Scene | undefined;
  /** Nothing happening, controller at rest. */
  rest: Snapshot;
  /** Every output switched on. */
  fired: Solution;
}

/** A rule reads the evidence and returns what it finds. */
export type Rule = (evidence: Evidence) => Finding[];
