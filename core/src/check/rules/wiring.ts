import { kindOf } from '../../catalog/index.js';
import { terminalRef, type Part } from '../../design/index.js';
import type { Finding, Rule } from '../finding.js';

/** Whatever kept voltages from being computed, as the solver found it. */
export const solvable: Rule = ({ rest }) =>
  rest.solution.problems.map((problem): Finding => {
    const loose = problem.kind === 'floating' && problem.message.includes('not connected');
    return {
      id: `wiring:${[...problem.parts, ...problem.nets].join('+')}`,
      severity: loose ? 'caution' : 'error',
      step: 'wire',
      title: titles[problem.kind],
      reason: `${problem.message} ${problem.cure}`,
      about: [...problem.parts, ...problem.nets],
    };
  });

const titles = {
  floating: 'No path to ground',
  'no-ground': 'No ground',
  'source-loop': 'Sources fight',
  oscillates: 'Never rests',
  unsolvable: 'No steady state',
} as const;

/** Terminals left open on parts that are otherwise in use. Controller pins may stay free. */
export const openTerminals: Rule = ({ design }) => {
  const wired = new Set(design.wires.flatMap((w) => [w.from, w.to]));
  return design.parts.flatMap((part: Part): Finding[] => {
    const terminals = kindOf(part).terminals.filter((t) => t.role !== 'pin');
    const open = terminals.filter((t) => !wired.has(terminalRef(part.id, t.id)));
    const serious = open.filter((t) => t.role !== 'supply-out');
    if (serious.length === 0 || open.length === terminals.length) return [];
    return [
      {
        id: `open:${part.id}`,
        severity: 'caution',
        step: 'wire',
        title: `${part.name}: ${serious.map((t) => t.label).join(', ')} open`,
        reason: `Nothing is wired to ${serious.map((t) => terminalRef(part.id, t.id)).join(', ')}, so no current passes there.`,
        about: [part.id],
      },
    ];
  });
};
