import { splitRef } from '../../design/index.js';
import { kindOf, readoutOf, terminalOf } from '../../catalog/index.js';
import type { Design, PinMode, PinSkill, TerminalRef } from '../../design/index.js';
import { Draft, impliedSkill } from '../../wiring/index.js';
import type { Evidence } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import { modeOf, refOf, withFix } from '../lookup.js';
import { list } from '../words.js';

/** Modes of a pin that will do, the usual one first. */
type Fitting = readonly [PinMode, ...PinMode[]];

/** What channels and outputs want a pin to be: see `Fitting`. */
function wants({ design }: Evidence) {
  const channels = design.channels
    .filter((c) => !readoutOf(design, c.pin))
    .map((c) => {
      const analogue = terminalOf(design, c.pin)?.modes?.includes('analogue') ?? false;
      const fitting: Fitting = analogue ? ['analogue', 'input', 'pull-up'] : ['input', 'pull-up'];
      return { pin: c.pin, fitting, use: `Channel ${c.name} reads` };
    });
  const outputs = design.outputs.map((o) => ({
    pin: o.pin,
    fitting: ['output'] as Fitting,
    use: `Output ${o.name} drives`,
  }));
  return [...channels, ...outputs];
}

const able = ({ design }: Evidence, pin: TerminalRef, mode: PinMode): boolean =>
  terminalOf(design, pin)?.modes?.includes(mode) ?? false;

export const pinUnable: Rule = {
  code: 'pin-unable',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'A pin used for what it cannot do',
  bench: 'The firmware compiles and the pin does nothing.',
  source: 'Functions of the controller’s pins.',
  find: (evidence) => {
    const modes = evidence.design.controller.pins.map(({ pin, mode }) => ({
      pin,
      fitting: [mode] as Fitting,
      use: 'The firmware sets up',
    }));
    const asked = [...wants(evidence), ...modes].filter(
      (w) => !able(evidence, w.pin, w.fitting[0]),
    );
    return [...new Map(asked.map((w) => [w.pin, w])).values()].map(
      ({ pin, fitting, use }): Found => ({
        subject: pin,
        title: `${pin} cannot be ${fitting[0]}`,
        reason: `${use} ${pin}, which has no such function.`,
        about: [splitRef(pin).part],
        ...withFix(moveTo(evidence, pin, (t) => t.modes?.includes(fitting[0]) ?? false)),
      }),
    );
  },
};

export const pinNotSetUp: Rule = {
  code: 'pin-not-set-up',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'A pin that the firmware does not set up as it is used',
  bench: 'A relay that only twitches, a reading that is always the same.',
  source: 'Follows from channels, outputs and pin settings.',
  find: (evidence) =>
    wants(evidence).flatMap(({ pin, fitting, use }): Found[] => {
      const mode = modeOf(evidence, pin);
      if (!able(evidence, pin, fitting[0]) || (mode && fitting.includes(mode))) return [];
      const [wanted] = fitting;
      return [
        {
          subject: pin,
          title: `${pin} is not set up`,
          reason: `${use} ${pin}, but the firmware sets it up as ${mode ?? 'nothing'}.`,
          about: [splitRef(pin).part],
          fix: { label: `Set ${pin} to ${wanted}`, edit: { type: 'set-pin', pin, mode: wanted } },
        },
      ];
    }),
};

export const pinTwice: Rule = {
  code: 'pin-used-twice',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'One pin for reading and for driving',
  bench: 'The controller reads its own output.',
  source: 'Follows from channels and outputs.',
  find: ({ design }) =>
    design.outputs.flatMap((output, i): Found[] => {
      const channel = design.channels.find((c) => c.pin === output.pin);
      const other = design.outputs.slice(0, i).find((o) => o.pin === output.pin);
      const rival = channel ?? other;
      if (!rival) return [];
      return [
        {
          subject: output.id,
          title: `${output.pin} is used twice`,
          reason: `${channel ? `Channel ${channel.name} reads it` : `Output ${rival.name} drives it`} and output ${output.name} drives it.`,
          about: [output.id, rival.id],
        },
      ];
    }),
};

export const skillMissing: Rule = {
  code: 'skill-missing',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'Interrupt, PWM or bus on a pin that has none',
  bench: 'An interrupt that never comes: the pulse is over before the loop looks again.',
  source: 'Functions of the controller’s pins.',
  find: (evidence) =>
    skillsWanted(evidence.design).flatMap(({ pin, skill, why }): Found[] => {
      const terminal = terminalOf(evidence.design, pin);
      if (!terminal || terminal.role !== 'pin' || terminal.can?.includes(skill)) return [];
      const fit = siblings(evidence, pin)
        .filter((t) => t.can?.includes(skill))
        .map((t) => t.id);
      return [
        {
          subject: pin,
          title: `${pin} has no ${skill}`,
          reason: `${why}: that wants ${skill}; ${fit.length > 0 ? `${list(fit)} ${fit.length > 1 ? 'have' : 'has'} it` : 'no pin of this board has it'}.`,
          about: [splitRef(pin).part, pin],
          ...withFix(moveTo(evidence, pin, (t) => t.can?.includes(skill) ?? false)),
        },
      ];
    }),
};

/** What pins are asked for: as they are set up, and by what the program does with them. */
function skillsWanted(design: Design): { pin: TerminalRef; skill: PinSkill; why: string }[] {
  const asked = design.controller.pins.flatMap(({ pin, skill }) =>
    skill ? [{ pin, skill, why: 'The firmware sets it up so' }] : [],
  );
  const used = [...new Set([...design.channels, ...design.outputs].map((use) => use.pin))];
  const implied = used.flatMap((pin) => {
    const need = impliedSkill(design, pin);
    return need && !asked.some((a) => a.pin === pin && a.skill === need.skill)
      ? [{ pin, ...need }]
      : [];
  });
  return [...asked, ...implied];
}

const siblings = ({ wiring }: Evidence, pin: TerminalRef) => {
  const owner = wiring.owner(pin);
  return owner ? kindOf(owner).terminals.filter((t) => t.role === 'pin') : [];
};

/** Moves wires, setting, channels and outputs of a pin to a free one that fits. */
export function moveTo(
  evidence: Evidence,
  pin: TerminalRef,
  fits: (terminal: ReturnType<typeof siblings>[number]) => boolean,
): Fix | undefined {
  const owner = evidence.wiring.owner(pin);
  const used = new Set([
    ...evidence.design.controller.pins.map((p) => p.pin),
    ...evidence.design.channels.map((c) => c.pin),
    ...evidence.design.outputs.map((o) => o.pin),
  ]);
  const free = siblings(evidence, pin).find((t) => {
    const ref = owner && refOf(owner, t.id);
    return ref && fits(t) && !t.reserved && !used.has(ref) && !evidence.wiring.wired(ref);
  });
  if (!owner || !free) return undefined;
  const to = refOf(owner, free.id);
  return {
    label: `Move to ${to}`,
    edit: new Draft(evidence.design).movePins(new Map([[pin, to]])).edit('move pin'),
  };
}

export const pinReserved: Rule = {
  code: 'pin-reserved',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A pin that the board needs for itself',
  bench: 'The board does not start, or firmware cannot be loaded while the part is connected.',
  source: 'Boot and loading pins of controller boards.',
  find: (evidence) =>
    evidence.design.parts.flatMap((part) =>
      kindOf(part)
        .terminals.filter((t) => t.reserved && evidence.wiring.wired(refOf(part, t.id)))
        .map((t): Found => ({
          subject: refOf(part, t.id),
          title: `${refOf(part, t.id)} is better left alone`,
          reason: `It is ${t.reserved ?? ''}.`,
          about: [part.id],
          ...withFix(
            moveTo(evidence, refOf(part, t.id), (other) =>
              (t.modes ?? []).every((m) => other.modes?.includes(m)),
            ),
          ),
        })),
    ),
};
