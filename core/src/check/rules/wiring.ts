import { kindOf, type Terminal } from '../../catalog/index.js';
import type { CircuitProblem } from '../../circuit/index.js';
import { terminalRef, type Part } from '../../design/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { inUse } from '../lookup.js';
import { list } from '../words.js';

/** What the solver found of one sort, as it said it. */
const solver =
  (kind: CircuitProblem['kind'], also: (problem: CircuitProblem) => boolean = () => true) =>
  ({ rest }: Evidence): Found[] =>
    rest.solution.problems
      .filter((p) => p.kind === kind && also(p))
      .map((p) => ({
        subject: [...p.parts, ...p.nets].join('+'),
        title: titles[kind],
        reason: `${p.message} ${p.cure}`,
        about: [...p.parts, ...p.nets],
      }));

const titles = {
  floating: 'No path to ground',
  'no-ground': 'No ground',
  'source-loop': 'Sources fight',
  oscillates: 'Never rests',
  unsolvable: 'No steady state',
} as const;

const unconnected = (p: CircuitProblem): boolean => p.message.includes('not connected');
/** A ground without a path to the other is `groundSplit`'s matter. */
const grounds = (p: CircuitProblem): boolean => p.message.includes('The ground of');

export const groundMissing: Rule = {
  code: 'ground-missing',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'No ground anywhere',
  bench: 'Nothing works, and no meter reading means anything: there is no return for the current.',
  source: 'Kirchhoff’s current law; the solver needs one node to count from.',
  find: solver('no-ground'),
};

export const netFloating: Rule = {
  code: 'net-floating',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A net from which no path leads to ground',
  bench: 'A meter shows stray millivolts that change with every touch; nothing can be read there.',
  source: 'Structure of the nodal equations: the matrix has no solution for such nodes.',
  find: solver('floating', (p) => !unconnected(p) && !grounds(p)),
};

export const partUnconnected: Rule = {
  code: 'part-unconnected',
  severity: 'note',
  consequence: 'untidy',
  concern: 'wiring',
  title: 'A part that nothing is wired to',
  bench: 'It does nothing.',
  source: 'Follows from the wiring.',
  find: ({ rest, wiring }) =>
    rest.solution.problems
      .filter((p) => p.kind === 'floating' && unconnected(p))
      .map((p) => ({
        subject: p.parts.join('+'),
        title: `${list(p.parts.map((id) => wiring.part(id)?.name ?? id))}: not wired yet`,
        reason: `${p.message} ${p.cure}`,
        about: [...p.parts, ...p.nets],
      })),
};

export const sourcesFight: Rule = {
  code: 'sources-fight',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'Two stiff sources on the same two wires',
  bench: 'The stronger one drives current into the weaker one until something gives way.',
  source: 'Kirchhoff’s voltage law.',
  find: solver('source-loop'),
};

export const neverRests: Rule = {
  code: 'never-rests',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'wiring',
  title: 'A circuit that switches itself on and off for ever',
  bench: 'It hums, buzzes or blinks. That is right for an oscillator and wrong for a threshold.',
  source: 'The solver finds no state of switches and comparators that agrees with itself.',
  find: solver('oscillates'),
};

export const noSteadyState: Rule = {
  code: 'no-steady-state',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'No steady voltages can be found',
  bench: 'Not known: the equations have no answer with these values.',
  source: 'Newton’s method with its fall-backs ended without a solution.',
  find: solver('unsolvable'),
};

/** Terminals that a part in use cannot leave open. Controller pins and optional ones may stay free. */
const needed = (t: Terminal): boolean =>
  t.role !== 'pin' && t.role !== 'supply-out' && t.role !== 'supply-in' && !t.optional;

export const terminalOpen: Rule = {
  code: 'terminal-open',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A terminal left open on a part in use',
  bench: 'No current passes there: the part does not do its work.',
  source: 'Follows from the wiring.',
  find: (evidence) =>
    evidence.design.parts.flatMap((part: Part): Found[] => {
      const { wiring } = evidence;
      const refs = kindOf(part)
        .terminals.filter(needed)
        .map((t) => terminalRef(part.id, t.id));
      const open = refs.filter((ref) => !wiring.wired(ref));
      if (open.length === 0 || !inUse(evidence, part)) return [];
      const labels = kindOf(part)
        .terminals.filter((t) => open.includes(terminalRef(part.id, t.id)))
        .map((t) => t.label);
      return [
        {
          subject: part.id,
          title: `${part.name}: ${labels.join(', ')} open`,
          reason: `Nothing is wired to ${list(open)}.`,
          about: [part.id],
        },
      ];
    }),
};
