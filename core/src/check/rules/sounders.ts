import { kindOf, terminalOf } from '../../catalog/index.js';
import type {
  Action,
  Design,
  Drive,
  Edit,
  Part,
  Rule as ProgramRule,
  Transition,
} from '../../design/index.js';
import { branchOf, Draft, drivesOf } from '../../wiring/index.js';
import type { Fix, Found, Rule } from '../finding.js';
import type { Evidence } from '../evidence.js';
import { inUse, swungBy, withFix } from '../lookup.js';
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

/** Slower than this, each beat is a click by itself, s. */
const slowBeat = 0.01;

/** Whether nothing swings while an output is driven so. */
const isSteady = (drive: Drive): boolean =>
  drive.as === 'level'
    ? drive.level === 0 || drive.level === 1
    : drive.as !== 'pattern' || drive.beats.some((beat) => beat > slowBeat);

export const steadyTone: Rule = {
  code: 'steady-tone',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'A sounder that needs a tone and gets a steady voltage',
  bench: 'It clicks once when it is switched on, and then there is silence.',
  source:
    'What its outputs are told to do: on, off and slow patterns are no tone; a dimmed pin swings at the frequency of its timer (common practice).',
  find: (evidence) =>
    evidence.design.parts
      .filter((part) => kindOf(part).acts?.inTime && inUse(evidence, part))
      .filter((part) => !swungBy(evidence, part))
      .flatMap((part) => clicksOnly(evidence, part)),
};

function clicksOnly({ design }: Evidence, part: Part): Found[] {
  const outputs = design.outputs.filter((o) => branchOf(design, o.pin).includes(part.id));
  const drives = outputs.flatMap((o) => drivesOf(design, o.id));
  if (drives.length === 0 || outputs.some((o) => o.fade) || !drives.every(isSteady)) return [];
  const dimmable = outputs.every((o) => terminalOf(design, o.pin)?.can?.includes('pwm'));
  return [
    {
      subject: part.id,
      title: `${part.name} only clicks`,
      reason: `${list(outputs.map((o) => o.name))} gives it a steady voltage; it sounds while that swings hundreds of times a second.`,
      about: [part.id],
      ...withFix(
        dimmable
          ? toneInstead(
              design,
              outputs.map((o) => o.id),
            )
          : undefined,
      ),
    },
  ];
}

/** Rules that switch outputs on switch them on and off at the frequency of a dimmed pin instead. */
function toneInstead(design: Design, outputs: readonly string[]): Fix | undefined {
  const draft = new Draft(design);
  for (const rule of design.rules) {
    const then = rule.then.map((act) =>
      act.do === 'drive' && act.drive.as === 'on' && outputs.includes(act.output)
        ? { ...act, drive: { as: 'level' as const, level: 0.5 } }
        : act,
    );
    if (then.some((act, i) => act !== rule.then[i]))
      draft.make({ type: 'put-rule', rule: { ...rule, then } });
  }
  const left = outputs.flatMap((o) => drivesOf(draft.design, o)).every(isSteady);
  return left ? undefined : { label: 'Drive it half of the time', edit: draft.edit('give a tone') };
}
