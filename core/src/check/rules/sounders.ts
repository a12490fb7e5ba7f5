import { kindOf } from '../../catalog/index.js';
import type {
  Action,
  Design,
  Drive,
  Edit,
  Part,
  Rule as ProgramRule,
  Transition,
} from '../../design/index.js';
import { branchOf } from '../../wiring/index.js';
import type { Fix, Found, Rule } from '../finding.js';
import { withFix } from '../lookup.js';
import { list } from '../words.js';

/** An outdoor sounder is usually to be silent after so long, s (common practice; local rules differ). */
const longEnough = 900;

const sounds = (part: Part): boolean => kindOf(part).acts?.does === 'sounds';

/** Parts that sound when an output is driven. */
function soundersAt(design: Design, output: string): Part[] {
  const pin = design.outputs.find((o) => o.id === output)?.pin;
  const reached = pin === undefined ? [] : branchOf(design, pin);
  return design.parts.filter((part) => reached.includes(part.id) && sounds(part));
}

/** Outputs that a rule drives as long as it is active, if nothing ever ends it. */
const drivenOn = ({ latch, until, atMost, then }: ProgramRule): string[] =>
  latch && !until && atMost === undefined
    ? then.flatMap((act) => (act.do === 'drive' && !endsItself(act.drive) ? [act.output] : []))
    : [];

const endsItself = (drive: Drive): boolean =>
  drive.as === 'off' ||
  (drive.as === 'pattern' && drive.times !== undefined && drive.pause === undefined);

/** Outputs in sequences that some acts begin, that go on until they are stopped, and that nothing stops. */
function playedOn(design: Design, acts: readonly Action[]): string[] {
  const all = [...design.rules.map((r) => r.then), ...transitions(design).map((t) => t.then ?? [])];
  const stopped = all.flat().flatMap((act) => (act.do === 'stop' ? [act.sequence] : []));
  const begun = acts.flatMap((act) => (act.do === 'play' ? [act.sequence] : []));
  return design.sequences
    .filter((s) => s.times === 0 && begun.includes(s.id) && !stopped.includes(s.id))
    .flatMap((s) => s.lanes.map((lane) => lane.output));
}

const transitions = ({ machines }: Design): Transition[] => machines.flatMap((m) => m.transitions);

function found(design: Design, subject: string, outputs: readonly string[], fix?: Fix): Found[] {
  const parts = [...new Set(outputs.flatMap((id) => soundersAt(design, id)))];
  if (parts.length === 0) return [];
  return [
    {
      subject,
      title: `Nothing ends ${list(parts.map((p) => p.name))}`,
      reason: `What starts it goes on until a reset of the controller. Give it an end, or a longest time.`,
      about: parts.map((p) => p.id),
      ...withFix(fix),
    },
  ];
}

export const sounderWithoutEnd: Rule = {
  code: 'sounder-without-end',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'rule',
  title: 'A sounder that nothing ends',
  bench:
    'It sounds through the night until someone pulls the plug; neighbours and local rules object.',
  source:
    'A rule that latches without reset or longest time, or a sequence without end that nothing stops; 15 min as usual outdoors (common practice).',
  find: ({ design }) => [
    ...design.rules.flatMap((rule): Found[] => {
      const edit: Edit = { type: 'put-rule', rule: { ...rule, atMost: longEnough } };
      return found(design, rule.id, drivenOn(rule), { label: 'End it after 15 min', edit });
    }),
    ...design.rules.flatMap((rule) =>
      found(design, `${rule.id}:played`, playedOn(design, rule.then)),
    ),
    ...design.machines.flatMap((machine) => {
      const acts = machine.transitions.flatMap((t) => t.then ?? []);
      return found(design, machine.id, playedOn(design, acts));
    }),
  ],
};
