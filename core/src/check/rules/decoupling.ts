import { kindOf, paramsOf } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { formatNominal } from '../../quantity/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { bridge, refOf } from '../lookup.js';
import { amps, list } from '../words.js';

/** Capacitance across a part's supply, all capacitors between its two nets together, F. */
function across({ wiring }: Evidence, part: Part, plus: string, minus: string): number {
  return wiring
    .between(refOf(part, plus), refOf(part, minus))
    .reduce((sum, p) => sum + (kindOf(p).capacitance?.farads(paramsOf(p)) ?? 0), 0);
}

const capacitance = (farads: number): string => formatNominal(farads, 'F');

export const decouplingMissing: Rule = {
  code: 'decoupling-missing',
  severity: 'note',
  consequence: 'cries wolf',
  concern: 'wiring',
  title: 'A bare chip without a capacitor across its supply',
  bench: 'It oscillates, resets, or switches at the moment something else does.',
  source: '100 nF at each chip, leads short (common practice).',
  find: (evidence) =>
    evidence.design.parts.flatMap((part): Found[] => {
      const { feed, decouple } = kindOf(part);
      if (!feed || decouple === undefined) return [];
      const [plus, minus] = [refOf(part, feed.plus), refOf(part, feed.minus)];
      if (!evidence.wiring.wired(plus) || !evidence.wiring.wired(minus)) return [];
      const there = across(evidence, part, feed.plus, feed.minus);
      if (there >= 0.5 * decouple) return [];
      return [
        {
          subject: part.id,
          title: `No capacitor across the supply of ${part.name}`,
          reason: `${there > 0 ? capacitance(there) : 'Nothing'} between ${plus} and ${minus}; ${capacitance(decouple)} is usual.`,
          about: [part.id],
          fix: bridge(
            evidence,
            'capacitor',
            'Decoupling',
            { farads: decouple },
            [plus, minus],
            `Add ${capacitance(decouple)}`,
          ),
        },
      ];
    }),
};

/** A step of current from which on a supply wants a store beside the part, A. */
const burst = 0.1;
/** Charge kept per ampere of step: what a burst takes in its first millisecond for a fall of 0.5 V, F/A. */
const perAmp = 1e-3 / 0.5;
const largest = 2200e-6;
const sold = [10, 22, 47, 100, 220, 470, 1000].map((uF) => uF * 1e-6);

export const bulkMissing: Rule = {
  code: 'bulk-missing',
  severity: 'note',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A part that draws in bursts without a store beside it',
  bench: 'Its supply dips at each burst: controllers restart, radios lose their message.',
  source: 'C = I·t/ΔV for 1 ms and 0.5 V (closed form; times are common practice).',
  find: (evidence) =>
    evidence.design.parts.flatMap((part): Found[] => {
      const { feed, phases = [], terminals } = kindOf(part);
      // A board with a regulator of its own has its store on it.
      const board = terminals.some((t) => t.role === 'supply-out');
      if (!feed || board || phases.length < 2) return [];
      const [plus, minus] = [refOf(part, feed.plus), refOf(part, feed.minus)];
      if (!evidence.wiring.wired(plus) || !evidence.wiring.wired(minus)) return [];
      const drawn = phases.map((p) => p.amps(paramsOf(part)));
      const step = Math.max(...drawn) - Math.min(...drawn);
      const wanted = step * perAmp;
      const there = across(evidence, part, feed.plus, feed.minus);
      if (step < burst || there >= 0.5 * wanted) return [];
      const farads = sold.find((f) => f >= wanted) ?? largest;
      return [
        {
          subject: part.id,
          title: `${part.name} draws in bursts`,
          reason: `Between ${list([...new Set(phases.map((p) => p.label))])} its current changes by ${amps(step)}; that wants about ${capacitance(farads)} across its supply, there is ${there > 0 ? capacitance(there) : 'none'}.`,
          about: [part.id],
          fix: bridge(
            evidence,
            'electrolytic-capacitor',
            'Store',
            { farads },
            [plus, minus],
            `Add ${capacitance(farads)}`,
          ),
        },
      ];
    }),
};
