import { kindOf, paramsOf, type Rating } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { formatQuantity } from '../../quantity/index.js';
import type { Evidence, State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';

interface Overload {
  part: Part;
  rating: Rating;
  value: number;
  limit: number;
}

/** What is beyond its rating in a state, the worst of it. */
function overloadIn({ design }: Evidence, { solution }: State): Overload | undefined {
  return design.parts
    .flatMap((part): Overload[] => {
      const solved = solution.parts[part.id];
      const params = paramsOf(part);
      if (!solved) return [];
      return kindOf(part).ratings.map((rating) => ({
        ...{ part, rating, value: rating.stress(solved, params), limit: rating.limit(params) },
      }));
    })
    .filter(({ value, limit }) => value > limit)
    .sort((a, b) => b.value / b.limit - a.value / a.limit)[0];
}

export const turnedTooFar: Rule = {
  code: 'turned-too-far',
  severity: 'caution',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A knob that overloads something at an end of its way',
  bench:
    'Someone turns it all the way, and it smokes: the track is short there, and in the middle all was well.',
  source:
    'Solved with the part through its whole range against every rating; a resistor in line or at its end keeps the rest in bounds (common practice).',
  find: (evidence) => {
    // What is overloaded as it stands has a finding of its own.
    if (overloadIn(evidence, evidence.quiet)) return [];
    return [...evidence.sweeps].flatMap(([id, sweeps]): Found[] => {
      const turned = evidence.wiring.part(id);
      // What a generator is set to is no way of a knob.
      if (!turned || kindOf(turned).waves) return [];
      const worst = sweeps
        .filter((sweep) => !sweep.felt)
        .flatMap((sweep) => sweep.states.flatMap((s) => overloadIn(evidence, s) ?? []))
        .sort((a, b) => b.value / b.limit - a.value / a.limit)[0];
      if (!worst) return [];
      const { part, rating, value, limit } = worst;
      const [is, may] = [value, limit].map((v) => formatQuantity(v, rating.unit));
      return [
        {
          subject: id,
          title: `${turned.name} can be turned too far`,
          reason: `At an end of its way ${part.name} gets too much: ${rating.label} ${is} of ${may}.`,
          about: [...new Set([id, part.id])],
        },
      ];
    });
  },
};
