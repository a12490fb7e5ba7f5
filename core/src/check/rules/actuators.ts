import { endsOf, kindOf, paramsOf, type SolvedPart } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { indicates } from '../../rehearsal/index.js';
import { everyState, type Evidence, type State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { across, answersInTime, inUse, refOf, swungBy } from '../lookup.js';
import { list } from '../words.js';
import { severityOfIdle, wantsSomething } from './progress.js';

/** Parts that do something for those around: in use, and made to act in the circuit rather than by a message. */
const actuators = (evidence: Evidence): Part[] =>
  evidence.design.parts.filter((part) => {
    const { acts, stage, phases = [] } = kindOf(part);
    return (
      acts && stage === 'acts' && inUse(evidence, part) && !phases.some((p) => p.sends ?? p.keeps)
    );
  });

export const actuatorDead: Rule = {
  code: 'actuator-dead',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'Something that is to act and never does',
  bench: 'The alarm is decided, and nothing is heard, seen or moved.',
  source:
    'Solved at rest, with each output alone, with all of them, in each happening and with each sensor through its range: it acts in none.',
  find: (evidence) => {
    if (evidence.quiet.solution.method === 'none') return [];
    const states = everyState(evidence);
    return actuators(evidence)
      .filter((part) => !states.some((s) => s.acting.has(part.id)))
      .filter(
        (part) => !kindOf(part).terminals.some((t) => answersInTime(evidence, refOf(part, t.id))),
      )
      .filter(
        (part) => !kindOf(part).acts?.inTime || !(isMoved(part, states) || swungBy(evidence, part)),
      )
      .map((part): Found => {
        const best = nearest(evidence, part);
        return {
          subject: part.id,
          severity: severityOfIdle(evidence, evidence.design.outputs.length > 0),
          title: `${part.name} never acts`,
          reason: `${tried(evidence)} makes it act${best ? `: ${best}` : ''}.`,
          about: [part.id],
        };
      });
  },
};

/** Less than this is none, V. */
const leastMove = 0.3;

/** Whether what drives a part is not always the same: of what only a swing moves, steady states tell no more. */
function isMoved(part: Part, states: readonly State[]): boolean {
  const [first, second] = endsOf(part.kind);
  const read = across(part, first.id, second.id);
  const volts = states.flatMap(({ solution }) => read(solution) ?? []);
  return Math.max(...volts) - Math.min(...volts) > leastMove;
}

/** What was tried, in words. */
function tried({ design, sweeps }: Evidence): string {
  const outputs = design.outputs.filter((o) => !o.feeds).map((o) => o.name);
  if (outputs.length > 0) return `None of the outputs (${list(outputs)})`;
  return sweeps.size > 0 ? 'Nothing that a sensor is made to feel' : 'Nothing in the circuit';
}

/** Why it does not act in the state that comes nearest to it: where the most power reaches it. */
function nearest(evidence: Evidence, part: Part): string | undefined {
  const { acts } = kindOf(part);
  const solved = everyState(evidence).flatMap((s) => s.solution.parts[part.id] ?? []);
  const [most] = [...solved].sort((a, b) => b.watts - a.watts);
  return most && acts?.because(most, paramsOf(part));
}

export const actsAtRest: Rule = {
  code: 'acts-at-rest',
  severity: 'error',
  consequence: 'cries wolf',
  concern: 'wiring',
  title: 'Something that acts all the time',
  bench: 'It sounds, shines or runs from power-on, and an alarm cannot be told from none.',
  source:
    'Solved with every output off, and with all of them on: it acts in both; without outputs and a scene, in every state.',
  find: (evidence) => {
    const { off, fired, design, scene } = evidence;
    if (off.solution.method === 'none') return [];
    // Without outputs only a scene says what rest is: a lamp for the night is lit where no light falls.
    const resting = design.outputs.length > 0 || wantsSomething(scene);
    const states = resting ? [off, fired] : everyState(evidence);
    return actuators(evidence)
      .filter((part) => states.every((s) => s.acting.has(part.id)) && !indicates(part))
      .map((part): Found => {
        const { acts } = kindOf(part);
        const solved = off.solution.parts[part.id];
        const because = solved ? acts?.because(solved, paramsOf(part)) : undefined;
        return {
          subject: part.id,
          title: `${part.name} acts at rest`,
          reason: `With nothing there and every output off it is ${acts?.word ?? 'on'}: ${because ?? ''}. If it only shows that power is there, say so in its panel.`,
          about: [part.id],
        };
      });
  },
};

export const emitterDark: Rule = {
  code: 'emitter-dark',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A light that a sensor waits for and that is never on',
  bench: 'The beam is broken for good, or nothing ever reflects: no threshold helps.',
  source: 'Solved at rest, with each output, in each happening: it gives no light in any.',
  find: (evidence) => {
    if (evidence.quiet.solution.method === 'none') return [];
    return evidence.design.parts.flatMap((part): Found[] => {
      const { emits, acts } = kindOf(part);
      if (!emits || acts || !inUse(evidence, part)) return [];
      const shines = everyState(evidence).some((s) => {
        const solved = s.solution.parts[part.id] as SolvedPart | undefined;
        return solved && emits.intensity(solved, paramsOf(part)) > 0;
      });
      if (shines) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} gives no light`,
          reason: 'No current flows through its emitter in any state.',
          about: [part.id],
        },
      ];
    });
  },
};
