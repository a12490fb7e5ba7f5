import { kindOf, paramsOf } from '../../catalog/index.js';
import { formatQuantity } from '../../quantity/index.js';
import type { Evidence, State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { stresses, type Stress } from './ratings.js';

/** What is beyond its rating in some states. */
const beyond = (evidence: Evidence, states: readonly State[]): Stress[] =>
  stresses(evidence, states).filter(({ share }) => share > 1);

export const turnedTooFar: Rule = {
  code: 'turned-too-far',
  severity: 'caution',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A knob that can be turned to where something is overloaded',
  bench:
    'Someone turns it all the way, and it smokes: the track is short there, and in the middle all was well.',
  source:
    'Solved with the part through its whole range against every rating; a resistor in line or at its end keeps the rest in bounds (common practice).',
  find: (evidence) => {
    // What is overloaded as it stands has a finding of its own.
    const known = beyond(evidence, [evidence.quiet]);
    return [...evidence.sweeps].flatMap(([id, sweeps]): Found[] => {
      const turned = evidence.wiring.part(id);
      // What a generator is set to is no way of a knob.
      if (!turned || kindOf(turned).waves) return [];
      const states = sweeps.filter((sweep) => !sweep.felt).flatMap((sweep) => sweep.states);
      const [worst] = beyond(evidence, states)
        .filter((s) => !known.some((k) => k.part === s.part && k.rating === s.rating))
        .sort((a, b) => b.share - a.share);
      if (!worst) return [];
      const { part, rating, share } = worst;
      const limit = rating.limit(paramsOf(part));
      const [is, may] = [share * limit, limit].map((v) => formatQuantity(v, rating.unit));
      return [
        {
          subject: id,
          title: `${turned.name} can be turned too far`,
          reason: `On its way ${part.name} gets too much: ${rating.label} ${is} of ${may}.`,
          about: [...new Set([id, part.id])],
        },
      ];
    });
  },
};
