import type { Edit } from '../design/index.js';
import type { Evidence } from './evidence.js';

/** What a finding is about: how things are wired, where a threshold stands, a rule, or what drives and feeds a load. */
export type Concern = 'wiring' | 'threshold' | 'rule' | 'drive';

/** What comes of it, the worst first: someone is hurt, something burns, an alarm is missed or false, it wears out, or nothing much. */
export const consequences = [
  'danger',
  'burns',
  'unnoticed',
  'cries wolf',
  'wears out',
  'untidy',
] as const;
export type Consequence = (typeof consequences)[number];

/** `note` is worth knowing while building; `safety` is the usual caution of a part; `accepted` is no mistake in this design. */
export type Severity = 'error' | 'caution' | 'note' | 'fine' | 'safety' | 'accepted';

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
  consequence?: Consequence;
  fix?: Fix;
}

/** Something a check has to say about a design, with the number behind it. */
export interface Finding extends Omit<Found, 'subject' | 'severity' | 'consequence'> {
  id: string;
  code: string;
  severity: Severity;
  consequence: Consequence;
  concern: Concern;
  /** Why it is no mistake here, where the maker said so. */
  accepted?: string;
  /** What would happen on the bench; empty where nothing does. */
  bench: string;
}

/** A rule reads the solved circuit and says where something is wrong, or near to it. */
export interface Rule {
  code: string;
  severity: Severity;
  consequence: Consequence;
  concern: Concern;
  /** What it looks for, in a few words. */
  title: string;
  /** What happens on the bench. */
  bench: string;
  /** A standard, a closed form, or "common practice". */
  source: string;
  find: (evidence: Evidence) => Found[];
}
