import type { Param } from './part-kind.js';

/** A parameter that is one of a few words. In a document it stands as the place of its word, from 0 up. */
export const choice = <const I extends string, const W extends string>(
  id: I,
  label: string,
  choices: readonly [W, ...W[]],
  usual: NoInfer<W>,
): Omit<Param, 'id' | 'choices'> & { id: I; choices: readonly W[] } => ({
  id,
  label,
  unit: '',
  default: choices.indexOf(usual),
  min: 0,
  max: choices.length - 1,
  whole: true,
  choices,
});
