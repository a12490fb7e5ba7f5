import type { Edit } from '../design/index.js';
import type { Evidence } from './evidence.js';

/** What a finding is about: how things are wired, where a threshold stands, a rule, or what drives and feeds a load. */
export type Concern = 'wiring' | 'threshold' | 'rule' | 'drive';

/** `note` is worth knowing while building; `safety` is the usual caution of a part. */
export type Severity = 'error' | 'caution' | 'note' | 'fine' | 'safety';

/** A change that cures a finding; it undoes as one. */
export interface Fix {
  label: string;
  edit: Edit;
}

/** One place at which a rule has something to say. */
export interface Found {
  /** What it is about, for the finding's id: the same for the same trouble in the same place. */
  subject: string;
  title: string;
  /** The number, and against what it is held. */
  reason: string;
  /** Ids of the parts, wires, nets and channels it is about. */
  about: readonly string[];
  /** Where it is not the rule's own. */
  severity?: Severity;
  fix?: Fix;
}

/** Something a check has to say about a design, with the number behind it. */
export interface Finding extends Omit<Found, 'subject' | 'severity'> {
  id: string;
  code: string;
  severity: Severity;
  concern: Concern;
  /** What would happen on the bench; empty where nothing does. */
  bench: string;
}

/** A rule reads the solved circuit and says where something is wrong, or near to it. */
export interface Rule {
  code: string;
  severity: Severity;
  concern: Concern;
  /** What it looks for, in a few words. */
  title: string;
  /** What happens on the bench. */
  bench: string;
  /** A standard, a closed form, or "common practice". */
  source: string;
  find: (evidence: Evidence) => Found[];
}
