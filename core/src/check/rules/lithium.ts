import { formatNominal, formatQuantity } from '../../quantity/index.js';
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
  find: (evidence) =>
    having(evidence, 'store').flatMap(({ part, has: { chargedFrom } }): Found[] => {
      const celsius = evidence.scene?.ambient['temperature'];
      if (chargedFrom === undefined || celsius === undefined || celsius >= chargedFrom) return [];
      const amps = Math.max(...allStates(evidence).map((s) => into(part, 'plus')(s.solution) ?? 0));
      if (amps < charging) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} is charged in the cold`,
          reason: `${formatQuantity(amps, 'A')} flow into it at ${formatNominal(celsius, '°C')}; from ${formatNominal(chargedFrom, '°C')} up it may be charged.`,
          about: [part.id],
        },
      ];
    }),
};
