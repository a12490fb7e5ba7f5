import { kindOf, paramsOf } from '../../catalog/index.js';
import type { Solution } from '../../circuit/index.js';
import type { Part } from '../../design/index.js';
import { formatQuantity } from '../../quantity/index.js';
import type { Evidence, Finding, Rule } from '../finding.js';

/** Above this share of a rating there is little left for tolerances and heat. */
const close = 0.8;

/** The part and rating that come nearest to their limit, at rest or fired. */
export interface Stress {
  part: Part;
  label: string;
  /** Stress over limit; above 1 the rating is exceeded. */
  share: number;
  text: string;
  when: 'at rest' | 'while firing';
}

/** Every rated stress of every part in both states, steady values only. */
export function stresses({ design, rest, fired }: Evidence): Stress[] {
  const states: [Stress['when'], Solution][] = [
    ['at rest', rest.solution],
    ['while firing', fired],
  ];
  return states.flatMap(([when, solution]) =>
    design.parts.flatMap((part) => {
      const solved = solution.parts[part.id];
      if (!solved) return [];
      const params = paramsOf(part);
      return kindOf(part).ratings.map((rating): Stress => {
        const value = rating.stress(solved, params);
        const limit = rating.limit(params);
        const text = `${formatQuantity(value, rating.unit)} of ${formatQuantity(limit, rating.unit)}`;
        return { part, label: rating.label, share: value / limit, text, when };
      });
    }),
  );
}

/** Ratings that are exceeded or nearly so, the worst of each part. */
export const withinRatings: Rule = (evidence) => {
  const worst = new Map<string, Stress>();
  for (const stress of stresses(evidence)) {
    const known = worst.get(stress.part.id);
    if (stress.share > close && stress.share > (known?.share ?? 0))
      worst.set(stress.part.id, stress);
  }
  return [...worst.values()].map(({ part, label, share, text, when }): Finding => ({
    id: `rating:${part.id}`,
    severity: share > 1 ? 'error' : 'caution',
    step: 'drive',
    title: share > 1 ? `${part.name} is overloaded` : `${part.name} is close to its limit`,
    reason: `Its ${label} is ${text} ${when}.`,
    about: [part.id],
  }));
};
