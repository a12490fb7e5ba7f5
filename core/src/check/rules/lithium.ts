import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { momentIn } from '../../scene/index.js';
import { allStates } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { having, into } from '../lookup.js';

/** Less is what a meter finds of a battery that rests, A. */
const charging = 1e-3;

export const chargedInFrost: Rule = {
  code: 'charged-in-frost',
  severity: 'error',
  consequence: 'danger',
  concern: 'drive',
  title: 'A cell that is charged in the cold',
  bench: 'Metal grows inside the cell: it loses capacity for good, and may short and burn later.',
  source: 'Charging of lithium-ion cells from 0 °C up only (IEC 61960-3, data sheets of cells).',
  find: (evidence) => {
    const { scene } = evidence;
    if (!scene) return [];
    const states = allStates(evidence).map((state) => ({
      ...state,
      celsius: momentIn(scene, state.t ?? 0).air,
    }));
    return having(evidence, 'store').flatMap(({ part, has: { chargedFrom } }): Found[] => {
      if (chargedFrom === undefined) return [];
      const charged = states
        .map(({ solution, celsius, when }) => ({
          ...{ celsius, when },
          amps: into(part, 'plus')(solution) ?? 0,
        }))
        .filter(({ amps, celsius }) => celsius < chargedFrom && amps >= charging)
        .sort((a, b) => b.amps - a.amps);
      return charged.slice(0, 1).map(({ amps, celsius, when }): Found => ({
        subject: part.id,
        title: `${part.name} is charged in the cold`,
        reason: `${formatQuantity(amps, 'A')} flow into it ${when} at ${formatNominal(celsius, '°C')}; from ${formatNominal(chargedFrom, '°C')} up it may be charged.`,
        about: [part.id],
      }));
    });
  },
};
