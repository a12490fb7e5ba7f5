import { choice, name, set, signs, when, type Section, type Statement } from '../code/index.js';
import { tellCode } from './tell-code.js';
import type { Board } from './board.js';
import { variable, type Frame } from './frame.js';

/** Tells over the serial line what begins and ends: rules, modes. The function that does so is called once in a pass. */
export function eventCode(
  frame: Frame,
  board: Board,
): { section: Section; tells: string } | undefined {
  const { rules, machines } = frame.design;
  if (rules.length + machines.length === 0) return undefined;
  const text = (value: string) => ({ is: 'text', value }) as const;
  const holds: Section['holds'][number][] = [];
  const body: Statement[] = [];
  for (const { id } of rules) {
    const { base, active } = frame.rule(id);
    const said = frame.names.extend(base, 'Said');
    holds.push(variable(said, 'bool'));
    const told = { text: choice(name(active), text('begins'), text('ends')) };
    body.push(
      ...when(signs('!=', name(active), name(said)), [
        set(said, name(active)),
        ...tellCode(frame, board, 'rule', id, told),
      ]),
    );
  }
  for (const { id, name: called, modes, start } of machines) {
    const { base, mode, modes: names } = frame.chart(id);
    const said = frame.names.extend(base, 'Said');
    holds.push(variable(said, 'byte', name(names.get(start) ?? mode)));
    const told = modes.reduceRight<ReturnType<typeof choice>>(
      (otherwise, m) => choice(frame.inMode(id, m.id), text(m.name), otherwise),
      text(''),
    );
    body.push(
      ...when(signs('!=', name(mode), name(said)), [
        set(said, name(mode)),
        ...tellCode(frame, board, 'mode', called, { text: told }),
      ]),
    );
  }
  const tells = 'tellEvents';
  const told: Section = {
    title: 'What it tells',
    says: [],
    holds: [...holds, { declares: 'function', name: tells, takes: [], body }],
  };
  return { section: told, tells };
}
