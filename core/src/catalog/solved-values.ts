import type { SolvedPart } from './part-kind.js';

/** Volts at a terminal, or what an inner node tells; 0 where nothing is wired or solved. */
export const at = <K extends string>({ volts }: Pick<SolvedPart<K>, 'volts'>, node: K): number =>
  volts[node] ?? 0;

/** Volts from one terminal of a part to another. */
export const across = <K extends string>(
  part: Pick<SolvedPart<K>, 'volts'>,
  plus: K,
  minus: K,
): number => at(part, plus) - at(part, minus);

/** Amps into a part at a terminal. */
export const into = <K extends string>(
  { amps }: Pick<SolvedPart<K>, 'amps'>,
  terminal: K,
): number => amps[terminal] ?? 0;
