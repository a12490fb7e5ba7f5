import {
  and,
  bool,
  lasted,
  name,
  set,
  signs,
  when,
  whole,
  type Section,
  type Statement,
} from '../code/index.js';
import { sayTransition } from '../logic/index.js';
import type { Machine, Transition } from '../design/index.js';
import { actCode } from './act-code.js';
import { constant, variable, type Frame } from './frame.js';
import { Looks } from './look-code.js';

/** A thing that a round looks at and then changes. */
export interface Stepped {
  section: Section;
  /** The function that looks at everything before anything is changed; undefined where nothing has to be. */
  looks?: string;
  /** The function that changes it; it tells whether it did. */
  steps: string;
}

/** A mode chart: its mode, and the first transition that is due. */
export function chartCode(frame: Frame, machine: Machine): Stepped {
  const { id, transitions, modes, start } = machine;
  const chart = frame.chart(id);
  const looks = new Looks(frame);
  const steps = frame.names.extend(chart.base, 'Step');
  const told = frame.names.extend(chart.base, 'Changed');
  const ways = transitions.map((transition, i) => {
    const seen = transition.when && looks.at(transition.when, chart.base, `Way${i + 1}`);
    const left = transition.from === undefined ? undefined : frame.inMode(id, transition.from);
    const within = left ?? signs('!=', name(chart.mode), modeOf(frame, id, transition.to));
    const after = lasted(name(chart.since), transition.after ?? 0);
    const so = and(within, after, seen ?? bool(true));
    return {
      so,
      does: takes(frame, machine, transition, told),
      says: sayTransition(frame.design, machine, transition),
    };
  });
  const chain = ways.reduceRight<Statement[]>(
    (otherwise, { so, does, says }) => when(so, [{ do: 'note', text: says }, ...does], otherwise),
    [],
  );
  const body: Statement[] = [
    { do: 'let', name: told, type: 'bool', value: bool(false), changes: true },
    ...chain,
    { do: 'return', value: name(told) },
  ];
  const look = looks.function(chart.base);
  return {
    ...(look.called ? { looks: look.called } : {}),
    steps,
    section: {
      title: machine.name,
      about: id,
      says: [],
      holds: [
        ...modes.map((m, i) =>
          constant(chart.modes.get(m.id) ?? '', 'byte', whole(i, 'byte'), m.name),
        ),
        variable(chart.mode, 'byte', modeOf(frame, id, start)),
        variable(chart.since, 'moment'),
        ...(frame.tells ? [variable(chart.entered, 'bool')] : []),
        ...look.declares,
        {
          declares: 'function',
          name: steps,
          takes: [],
          gives: 'bool',
          body,
          note: 'Takes the first way that is open.',
        },
      ],
    },
  };
}

const modeOf = (frame: Frame, machine: string, mode: string) =>
  name(frame.chart(machine).modes.get(mode) ?? '');

function takes(
  frame: Frame,
  { id }: Machine,
  { to, then = [] }: Transition,
  told: string,
): Statement[] {
  const chart = frame.chart(id);
  return [
    set(chart.mode, modeOf(frame, id, to)),
    set(chart.since, name('now')),
    set(told, bool(true)),
    ...(frame.tells ? [set(chart.entered, bool(true))] : []),
    ...then.map((act) => actCode(frame, act)),
  ];
}
