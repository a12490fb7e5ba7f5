import {
  bool,
  choice,
  name,
  set,
  signs,
  when,
  whole,
  type Section,
  type Statement,
} from '../code/index.js';
import { tellCode } from './tell-code.js';
import type { Board } from './board.js';
import type { Frame } from './frame.js';

/** Tells over the serial line what begins and ends: rules, modes. The function that does so is called once in a pass. */
export function eventCode(
  frame: Frame,
  board: Board,
): { section: Section; tells: string } | undefined {
  const { rules, machines } = frame.design;
  if (rules.length + machines.length === 0) return undefined;
  const text = (value: string) => ({ is: 'text', value }) as const;
  const body: Statement[] = [];
  for (const { id } of rules) {
    const { active, turns } = frame.rule(id);
    const even = signs('==', signs('%', name(turns), whole(2)), whole(0));
    const what = choice(signs('==', name(active), even), text('begins'), text('ends'));
    // One that ended in the pass in which it began is told with both.
    body.push({
      do: 'while',
      when: signs('>', name(turns), whole(0)),
      body: [
        set(turns, signs('-', name(turns), whole(1))),
        ...tellCode(frame, board, 'rule', id, { text: what }),
      ],
    });
  }
  for (const { id, name: called, modes } of machines) {
    const { entered } = frame.chart(id);
    const told = modes.reduceRight<ReturnType<typeof choice>>(
      (otherwise, m) => choice(frame.inMode(id, m.id), text(m.name), otherwise),
      text(''),
    );
    body.push(
      ...when(name(entered), [
        set(entered, bool(false)),
        ...tellCode(frame, board, 'mode', called, { text: told }),
      ]),
    );
  }
  const tells = 'tellEvents';
  const told: Section = {
    title: 'What it tells',
    says: [],
    holds: [{ declares: 'function', name: tells, takes: [], body }],
  };
  return { section: told, tells };
}
