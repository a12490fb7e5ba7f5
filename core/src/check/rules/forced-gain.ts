import { kindOf, paramsOf, type SolvedPart } from '../../catalog/index.js';
import { deriveNets, netIndex, terminalRef, type Design, type Part } from '../../design/index.js';
import { formatNominal, formatQuantity, preferredValues } from '../../quantity/index.js';
import type { Finding, Rule } from '../finding.js';

/** Collector over base current at which a small transistor is safely saturated (common practice). */
const wantedGain = 10;
const thinGain = 30;

/** A transistor used as a switch must be driven hard enough while it fires. */
export const forcedGain: Rule = ({ design, fired }) =>
  design.parts.flatMap((part): Finding[] => {
    const { transistor } = kindOf(part);
    const solved = fired.parts[part.id];
    if (!transistor || !solved) return [];
    const collector = solved.amps[transistor.collector] ?? 0;
    const base = solved.amps[transistor.base] ?? 0;
    if (collector < 1e-3 || base <= 0) return [];
    const drop = solved.volts[transistor.collector] - solved.volts[transistor.emitter];
    const gain = collector / base;
    const numbers = `${part.id} carries ${formatQuantity(collector, 'A')} on ${formatQuantity(base, 'A')} of base current: forced gain ${gain.toFixed(0)}, and drops ${formatQuantity(drop, 'V')}`;
    if (gain <= thinGain) {
      return [
        {
          ...about(part),
          severity: 'fine',
          title: `${part.name} is driven well`,
          reason: `${numbers}.`,
        },
      ];
    }
    return [
      {
        ...about(part),
        severity: drop > 1 ? 'error' : 'caution',
        title: `Base current of ${part.name} is thin`,
        reason: `${numbers}. Aim for a gain of ${wantedGain}, or it runs warm and a weak specimen does not switch.`,
        ...fixFor(design, part, transistor.base, solved, collector / wantedGain),
      },
    ];
  });

const about = (part: Part): Pick<Finding, 'id' | 'step' | 'about'> => ({
  id: `gain:${part.id}`,
  step: 'drive',
  about: [part.id],
});

/** A smaller resistor in the base lead, if exactly one stands there. */
function fixFor(
  design: Design,
  part: Part,
  base: string,
  solved: SolvedPart,
  wanted: number,
): Pick<Finding, 'fix'> {
  const net = netIndex(deriveNets(design));
  const baseNet = net(terminalRef(part.id, base));
  const resistors = design.parts.filter(
    (p) => p.kind === 'resistor' && ['a', 'b'].some((t) => net(terminalRef(p.id, t)) === baseNet),
  );
  if (resistors.length !== 1) return {};
  const ohms = paramsOf(resistors[0])['ohms'];
  const across = ohms * (solved.amps[base] ?? 0);
  const { below } = preferredValues(across / wanted, 'E12');
  if (!(below < ohms)) return {};
  return {
    fix: {
      label: `${resistors[0].id} → ${formatNominal(below, 'Ω')}`,
      edit: { type: 'set-param', id: resistors[0].id, param: 'ohms', value: below },
    },
  };
}
