import { kindOf, type SolvedPart } from '../../catalog/index.js';
import type { Output } from '../../design/index.js';
import { drivesOf } from '../../wiring/index.js';
import { everyState, type Evidence, type State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { list } from '../words.js';
import { wantsSomething } from './progress.js';

/** A change of current that is more than what leaks, A, and one of voltage that is more than stray, V. */
const leak = 20e-6;
const stray = 0.1;

type Values = Readonly<Record<string, number | undefined>>;

/** Whether switching an output on changes what any part takes that acts or drives what acts. */
function switchesAnything({ alone, wiring, off }: Evidence, { id }: Output): boolean {
  const on = alone.get(id);
  if (!on || on.solution.method === 'none') return true;
  return Object.keys(on.solution.parts).some((other) => {
    const part = wiring.part(other);
    return part && ['acts', 'drives'].includes(kindOf(part).stage) && movedBy(on, off, other);
  });
}

/** Whether a part takes another current in one state than in another, or stands at another voltage. */
function movedBy(on: State, off: State, part: string): boolean {
  const [now, rest] = [on, off].map((s) => s.solution.parts[part] as SolvedPart | undefined);
  if (!now || !rest) return false;
  const moved = (a: Values, b: Values, least: number): boolean =>
    Object.keys(a).some((t) => Math.abs((a[t] ?? 0) - (b[t] ?? 0)) > least);
  return moved(now.amps, rest.amps, leak) || moved(now.volts, rest.volts, stray);
}

export const outputWithoutEffect: Rule = {
  code: 'output-without-effect',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'An output that switches nothing',
  bench: 'The alarm is decided and nobody hears it.',
  source:
    'Solved with this output alone on, against rest: no part that acts, or drives one, takes another current or stands at another voltage.',
  find: (evidence) => {
    const { design, wiring, rest } = evidence;
    if (evidence.fired.solution.method === 'none') return [];
    const idle = design.outputs.filter((o) => !o.feeds && !((rest.decided.outputs[o.id] ?? 0) > 0));
    return idle.flatMap((output): Found[] => {
      const bare = wiring.ends(output.pin).every((e) => e.ref === output.pin);
      if (!bare && switchesAnything(evidence, output)) return [];
      return [
        {
          subject: output.id,
          title: `${output.name} switches nothing`,
          reason: bare
            ? `Nothing is wired to ${output.pin}.`
            : 'With it on, nothing that acts or drives stands otherwise than with it off. If it only powers a sensor, say that it feeds.',
          about: [output.id, output.pin],
        },
      ];
    });
  },
};

export const outputIdle: Rule = {
  code: 'output-idle',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'wiring',
  title: 'An output that moves something and makes nothing act',
  bench: 'A lamp that glimmers or glows in the wrong colour, a relay that twitches.',
  source:
    'Solved with this output alone on, against rest: a part that can act is moved, and none acts.',
  find: (evidence) => {
    const { alone, off, design, rest } = evidence;
    if (off.solution.method === 'none') return [];
    return design.outputs.flatMap((output): Found[] => {
      const on = alone.get(output.id);
      const idle = !output.feeds && !((rest.decided.outputs[output.id] ?? 0) > 0);
      if (!on || !idle || on.solution.method === 'none') return [];
      const idlers = design.parts.filter(
        (p) =>
          kindOf(p).acts &&
          movedBy(on, off, p.id) &&
          !on.acting.has(p.id) &&
          // What acts at rest or in no state at all is told of by itself.
          !off.acting.has(p.id) &&
          everyState(evidence).some((s) => s.acting.has(p.id)),
      );
      if (idlers.length === 0) return [];
      return [
        {
          subject: output.id,
          title: `${output.name} does not make ${list(idlers.map((p) => p.name))} act`,
          reason: `With it alone on, ${list(idlers.map((p) => p.name))} stands otherwise than with it off, and does not act.`,
          about: [output.id, output.pin, ...idlers.map((p) => p.id)],
        },
      ];
    });
  },
};

export const outputInverted: Rule = {
  code: 'output-inverted',
  severity: 'error',
  consequence: 'cries wolf',
  concern: 'rule',
  title: 'A load that is on at rest and off when it should fire',
  bench:
    'The siren sounds from power-on and falls silent at the alarm: an active-low module driven as active-high.',
  source: 'Solved at rest against solved with every output on.',
  find: (evidence) => {
    const { design, wiring, quiet, fired } = evidence;
    return [...quiet.acting]
      .filter((id) => !fired.acting.has(id))
      .flatMap((id): Found[] => {
        const part = wiring.part(id);
        if (!part || fired.solution.method === 'none') return [];
        const direct = design.outputs.find((o) =>
          wiring.ends(o.pin).some((e) => e.part === part && e.terminal.role === 'signal-in'),
        );
        const output = direct ?? (design.outputs.length === 1 ? design.outputs[0] : undefined);
        const active = output?.active === 'high' ? 'low' : 'high';
        const word = kindOf(part).acts?.word ?? 'on';
        return [
          {
            subject: id,
            severity: direct ? 'error' : 'caution',
            title: `${part.name} is ${word} at rest`,
            reason: `It is ${word} at rest and not while firing. If that is meant, as with a contact that opens for the alarm, leave it.`,
            about: [id, ...(output ? [output.id] : [])],
            ...(output
              ? {
                  fix: {
                    label: `${output.name}: on when ${active}`,
                    edit: { type: 'put-output', output: { ...output, active } } as const,
                  },
                }
              : {}),
          },
        ];
      });
  },
};

export const outputUndriven: Rule = {
  code: 'output-undriven',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'An output that nothing drives',
  bench: 'It is wired and ready, and stays as it is whatever happens.',
  source: 'No rule, mode or sequence of the design names it.',
  find: ({ design, scene }) =>
    design.outputs
      .filter((output) => !output.feeds && drivesOf(design, output.id).length === 0)
      .map(({ id, name, pin }): Found => ({
        subject: id,
        severity: wantsSomething(scene) ? 'caution' : 'note',
        title: `Nothing drives ${name}`,
        reason: 'No rule, mode or sequence says when it is to be on.',
        about: [id, pin],
      })),
};
