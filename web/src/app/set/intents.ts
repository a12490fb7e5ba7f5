import type { ReadingSet } from '@yurei/core/design';
import type { Choice } from '../common/choice-field';

/** What readings can be, as a maker chooses it. */
export const intentChoices: readonly (Choice & { value: ReadingSet['intent'] })[] = [
  { value: 'quiet', label: 'quiet' },
  { value: 'nuisance', label: 'must not fire' },
  { value: 'wanted', label: 'wanted' },
];
