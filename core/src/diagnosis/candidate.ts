import type { Finding, Fix } from '../check/index.js';
import type { Edit } from '../design/index.js';

/** A change that may cure something. */
export interface Candidate {
  /** "mistake" undoes a usual slip; "remedy" is what a rule proposes. */
  kind: 'mistake' | 'remedy';
  /** What would have gone wrong, or what is done about it. */
  says: string;
  /** What the button says. */
  label: string;
  /** Ids of the parts and refs of the terminals it changes. */
  about: readonly string[];
  edit: Edit;
  /** Of candidates that are alike, the one with more of this is likelier, below 1. */
  usual?: number;
  /** Where it is made of more: the change itself, and what that makes necessary. */
  alone?: Pick<Candidate, 'label' | 'edit'>;
  besides?: readonly Fix[];
}

/** A change that was tried: it clears something and harms nothing that is found. */
export interface Cure extends Omit<Candidate, 'usual' | 'alone' | 'besides'> {
  /** So many findings it clears. */
  clears: number;
  /** What a meter shows as it is, and should show. */
  meter?: string;
  /** Nothing moves by it beyond the islands it is made on. */
  local?: true;
}

/** How many single changes an edit is made of. */
export const changesOf = (edit: Edit): number =>
  edit.type === 'batch' ? edit.edits.reduce((sum, e) => sum + changesOf(e), 0) : 1;

/**
 * How likely a change is before it is tried, the likeliest first: one slip is one change, however many wires it moves; what
 * rules propose counts by its changes.
 */
export const rankOf = ({ kind, edit, usual = 0 }: Candidate): number =>
  (kind === 'mistake' ? 1 : 0.5 + changesOf(edit)) - usual;

/** Whether an edit only adds and takes away wires and adds parts. */
export const isWiring = (edit: Edit): boolean =>
  edit.type === 'batch'
    ? edit.edits.every(isWiring)
    : ['add-wire', 'remove-wire', 'add-part'].includes(edit.type);

/** Ids of the parts and refs of the terminals that an edit changes. */
export function placesOf(edit: Edit): string[] {
  switch (edit.type) {
    case 'batch':
      return [...new Set(edit.edits.flatMap(placesOf))];
    case 'set-param':
    case 'remove-part':
    case 'set-indicates':
      return [edit.id];
    case 'add-part':
      return [edit.part.id];
    case 'add-wire':
      return [edit.wire.from, edit.wire.to];
    case 'set-pin':
    case 'clear-pin':
      return [edit.pin];
    case 'put-channel':
      return [edit.channel.id, edit.channel.pin];
    case 'put-output':
      return [edit.output.id, edit.output.pin];
    default:
      return [];
  }
}

/** Ids of the parts that an edit adds. */
const addedBy = (edit: Edit): string[] =>
  edit.type === 'batch'
    ? edit.edits.flatMap(addedBy)
    : edit.type === 'add-part'
      ? [edit.part.id]
      : [];

/**
 * What else has to be done where a change brings harm: what the rules propose against all of it. Of a change that undoes a
 * mistake only parts that it adds are set otherwise.
 *
 * @returns undefined where that does not do
 */
export function mending({ kind, edit }: Candidate, harm: readonly Finding[]): Fix[] | undefined {
  const added = new Set(addedBy(edit));
  const fixes = harm.flatMap((f) => f.fix ?? []);
  const fits = (fix: Fix): boolean =>
    kind === 'remedy' || placesOf(fix.edit).every((place) => added.has(place));
  return fixes.length === harm.length && fixes.every(fits) ? fixes : undefined;
}

/** A change and what it makes necessary, as one: what is set twice is set as it is last. */
export function together(candidate: Candidate, fixes: readonly Fix[]): Candidate {
  const { alone = candidate, besides: before = [] } = candidate;
  const kept = before.filter((b) => !fixes.some((f) => setsSame(f.edit, b.edit)));
  const all = [...kept, ...fixes];
  const label = [alone.label, ...all.map((f) => f.label)].join(', and ');
  const edit: Edit = { type: 'batch', label, edits: [alone.edit, ...all.map((f) => f.edit)] };
  const { kind, says, usual } = candidate;
  return {
    ...{ kind, says, label, edit, alone, besides: all, about: placesOf(edit) },
    ...(usual === undefined ? {} : { usual }),
  };
}

const setsSame = (a: Edit, b: Edit): boolean =>
  a.type === 'set-param' && b.type === 'set-param' && a.id === b.id && a.param === b.param;
