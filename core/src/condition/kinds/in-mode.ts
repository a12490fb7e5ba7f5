import { defineCondition } from '../condition-kind.js';
import { name } from '../field.js';

export interface InMode {
  is: 'mode';
  machine: string;
  mode: string;
}

export const inMode = defineCondition<InMode>({
  is: 'mode',
  fields: { machine: name('machine', 'Mode chart'), mode: { type: 'mode', label: 'Mode' } },
  look: (c, { view }) => view.modes[c.machine]?.mode === c.mode,
  told: (c, told) => told.mode(c.machine) === c.mode,
  why: ({ machine, mode }, asked) => asked.mode({ machine, mode }),
  modes: ({ machine, mode }) => [{ machine, mode }],
  code: ({ machine, mode }, { inMode: is }) => is(machine, mode),
  say: (c, words) => words.mode(c.machine, c.mode),
  phrase: () => [{ field: 'mode' }],
  written: { call: 'In' },
  offer: {
    label: 'a mode',
    alone: ({ machines: [first] }) => {
      const mode = first?.modes[0];
      return first && mode && { is: 'mode', machine: first.id, mode: mode.id };
    },
  },
});
