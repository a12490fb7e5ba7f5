import { formatNominal } from '../quantity/index.js';
import { joinsParts, kindOfCondition, type Condition } from './condition.js';
import type { Words } from './condition-kind.js';

interface Item {
  id: string;
  name: string;
}

/** The names of what conditions are about. */
export interface Names {
  channels: readonly Item[];
  counters: readonly Item[];
  sequences: readonly Item[];
  machines: readonly (Item & { modes: readonly Item[] })[];
}

const nameIn = (list: readonly Item[], id: string): string =>
  list.find((item) => item.id === id)?.name || id;

/** "300 ms", and whole minutes as such. */
export const sayDuration = (s: number): string =>
  s >= 60 && s % 60 === 0 ? `${s / 60} min` : formatNominal(s, 's');

/** A mode by its name, and by its chart's where there are several charts. */
export function sayMode(
  { machines }: Pick<Names, 'machines'>,
  machine: string,
  mode: string,
): string {
  const chart = machines.find((m) => m.id === machine);
  const name = nameIn(chart?.modes ?? [], mode);
  return machines.length > 1 ? `${chart?.name ?? machine} is ${name}` : name;
}

/** A condition in words: "north or east for 300 ms". */
export function sayCondition(names: Names, condition: Condition): string {
  const say = (c: Condition): string => kindOfCondition(c).say(c, words);
  const words: Words = {
    part: (c) => (joinsParts(c) ? `(${say(c)})` : say(c)),
    channel: (id) => nameIn(names.channels, id),
    counter: (id) => nameIn(names.counters, id),
    sequence: (id) => nameIn(names.sequences, id),
    mode: (machine, mode) => sayMode(names, machine, mode),
    time: sayDuration,
  };
  return say(condition);
}
