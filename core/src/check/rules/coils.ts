import { kindOf, paramsOf } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { formatQuantity } from '../../quantity/index.js';
import { Draft, swapEnds, type Wiring } from '../../wiring/index.js';
import { allStates, range, type Evidence } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import { across, bridge, having, into, largest, refOf, size } from '../lookup.js';
import { amps, volts } from '../words.js';

/** A coil that something switches, with its two wired ends. */
function coils({ design, wiring }: Evidence) {
  return design.parts.flatMap((part) => {
    const { coil } = kindOf(part);
    if (!coil) return [];
    const [plus, minus] = [refOf(part, coil.plus), refOf(part, coil.minus)];
    const switched = wiring.nature(plus) === 'signal' || wiring.nature(minus) === 'signal';
    return wiring.wired(plus) && wiring.wired(minus) && switched ? [{ part, plus, minus }] : [];
  });
}

/** Parts that let current through from one net to another. */
const conducting = (wiring: Wiring, from: string, to: string): Part[] =>
  wiring.between(from, to).filter((p) => {
    const { conducts, clamps } = kindOf(p);
    const way = conducts ?? clamps;
    return way && wiring.same(refOf(p, way.from), from) && wiring.same(refOf(p, way.to), to);
  });

export const coilWithoutDiode: Rule = {
  code: 'coil-without-diode',
  severity: 'error',
  consequence: 'burns',
  concern: 'drive',
  title: 'A switched coil without a diode across it',
  bench:
    'At switch-off it lifts its driver to a hundred volts or more; the driver fails at once or after a week, and the controller restarts.',
  source: 'v = −L·di/dt; energy ½·L·I² of the solved current.',
  find: (evidence) =>
    coils(evidence).flatMap(({ part, plus, minus }): Found[] => {
      const { wiring } = evidence;
      const guarded =
        conducting(wiring, minus, plus).length > 0 || conducting(wiring, plus, minus).length > 0;
      if (guarded) return [];
      const current =
        largest(evidence, size(into(part, kindOf(part).coil?.plus ?? '')))?.at.value ?? 0;
      const { coil, load } = kindOf(part);
      const params = paramsOf(part);
      const henries = coil?.henries?.(params);
      const stored = henries && `; ${formatQuantity((henries * current ** 2) / 2, 'J')} are stored`;
      // Where something else keeps it from being driven, that current is not the one to fear.
      const driven = load?.amps?.(params) ?? 0;
      const flow =
        current < driven / 10
          ? `${amps(driven)} will flow in it once it is driven`
          : `${amps(current)} flow in it when it is switched off${stored ?? ''}`;
      return [
        {
          subject: part.id,
          title: `No diode across ${part.name}`,
          reason: `${flow}, and have nowhere to go.`,
          about: [part.id],
          fix: bridge(
            evidence,
            'rectifier-diode',
            'Coil diode',
            {},
            [minus, plus],
            'Add 1N4007, band to +',
          ),
        },
      ];
    }),
};

export const coilDiodeReversed: Rule = {
  code: 'coil-diode-reversed',
  severity: 'error',
  consequence: 'burns',
  concern: 'drive',
  title: 'A coil diode the wrong way round',
  bench: 'It shorts the supply through the driver as soon as that switches on.',
  source: 'Cathode to the supply’s side of the coil (common practice).',
  find: (evidence) =>
    coils(evidence).flatMap(({ part, plus, minus }) =>
      conducting(evidence.wiring, plus, minus)
        .filter((d) => kindOf(d).conducts && kindOf(d).terminals.length === 2)
        .map((diode): Found => {
          const { from, to } = kindOf(diode).conducts ?? { from: '', to: '' };
          const current = largest(evidence, size(into(diode, from)))?.at.value ?? 0;
          const draft = new Draft(evidence.design);
          swapEnds(draft, refOf(diode, from), refOf(diode, to));
          const fix: Fix = { label: `Turn ${diode.id} round`, edit: draft.edit('turn diode') };
          return {
            subject: diode.id,
            title: `${diode.name} across ${part.name} is the wrong way round`,
            reason: `Its band belongs to ${plus}; as it is, it carries ${amps(current)} when the coil is on.`,
            about: [diode.id, part.id],
            fix,
          };
        }),
    ),
};

export const coilWeak: Rule = {
  code: 'coil-weak',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'drive',
  title: 'A coil that gets too little to pull in',
  bench:
    'The relay hums or hesitates, most of all when the load sags the supply or the coil is warm.',
  source: 'Pull-in voltage against the solved one, supply and coil at the ends of their spread.',
  find: (evidence) =>
    having(evidence, 'coil').flatMap(({ part, has: coil, params }): Found[] => {
      const wanted = coil.pullIn?.(params);
      if (wanted === undefined) return [];
      const best = largest(
        evidence,
        size(across(part, coil.plus, coil.minus)),
        allStates(evidence),
      );
      // What is not driven in any state is another rule's matter.
      if (!best || best.at.value < 0.25 * wanted || best.at.low >= wanted) return [];
      return [
        {
          subject: part.id,
          // What has pulled in holds with less: its load may have pulled the supply down since.
          severity: best.at.value < wanted && !best.state.acting.has(part.id) ? 'error' : 'caution',
          title: `${part.name} may not pull in`,
          reason: `${volts(best.at.value)} ${best.state.when}, ${volts(best.at.low)} at worst; it wants ${volts(wanted)}.`,
          about: [part.id],
        },
      ];
    }),
};

export const coilStays: Rule = {
  code: 'coil-stays',
  severity: 'error',
  consequence: 'cries wolf',
  concern: 'drive',
  title: 'A relay that does not let go',
  bench: 'Once pulled in it stays: what leaks through its driver is enough to hold it.',
  source: 'Drop-out voltage against the solved one at rest.',
  find: (evidence) =>
    having(evidence, 'coil').flatMap(({ part, has: coil, params }): Found[] => {
      const [pulls, holds] = [coil.pullIn?.(params), coil.dropOut?.(params)];
      if (pulls === undefined || holds === undefined) return [];
      const over = size(across(part, coil.plus, coil.minus));
      const at = range(evidence.quiet, over);
      const moved = allStates(evidence).some((s) => (over(s.solution) ?? 0) >= pulls);
      if (!(at.high > holds) || at.value >= pulls || !moved) return [];
      return [
        {
          subject: part.id,
          severity: at.value > holds ? 'error' : 'caution',
          title: `${part.name} does not let go`,
          reason: `${volts(at.value)} stay on its coil at rest, ${volts(at.high)} at worst; it lets go below ${volts(holds)}.`,
          about: [part.id],
        },
      ];
    }),
};
