import { kindOf } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { mainStates, range, type Evidence, type Range, type State } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import {
  across,
  e12,
  having,
  inLine,
  into,
  largest,
  modeOf,
  ohmsOf,
  refOf,
  resistorsAt,
  setOhms,
  size,
  withFix,
} from '../lookup.js';
import { decimals } from '../../quantity/index.js';
import { amps, ohms, volts } from '../words.js';

/** Collector over base current at which a small transistor is safely saturated (common practice). */
const wantedGain = 10;
const thinGain = 30;

/** A transistor used as a switch, its emitter on a supply or ground. */
function switching(evidence: Evidence) {
  return evidence.design.parts.flatMap((part) => {
    const { transistor } = kindOf(part);
    if (!transistor) return [];
    const rail = evidence.wiring.nature(refOf(part, transistor.emitter)) !== 'signal';
    return rail ? [{ part, ...transistor }] : [];
  });
}

export const transistorUnsaturated: Rule = {
  code: 'transistor-unsaturated',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'drive',
  title: 'A switching transistor without enough base current',
  bench:
    'It drops volts that the load lacks, runs warm, and a weak specimen does not switch at all.',
  source: 'Solved with the gain at the ends of its spread; forced gain of 10 (common practice).',
  find: (evidence) =>
    switching(evidence).flatMap(({ part, collector, base, emitter }): Found[] => {
      const on = largest(evidence, size(into(part, collector)));
      if (!on || on.at.value < 1e-3) return [];
      const load = on.at.value;
      const drive = range(on.state, size(into(part, base))).value;
      const drop = range(on.state, size(across(part, collector, emitter)));
      if (!(drive > 1e-9)) return [];
      const gain = load / drive;
      const numbers = `${part.id} carries ${amps(load)} on ${amps(drive)} of base current ${on.state.when}: forced gain ${decimals(gain, 0)}, and drops ${volts(drop.value)}`;
      if (gain <= thinGain && drop.high < 1) {
        return [
          {
            subject: part.id,
            severity: 'fine',
            title: `${part.name} is driven well`,
            reason: `${numbers}.`,
            about: [part.id],
          },
        ];
      }
      return [
        {
          subject: part.id,
          severity: drop.value > 1 ? 'error' : 'caution',
          title: `Base current of ${part.name} is thin`,
          reason: `${numbers}, ${volts(drop.high)} at worst. Aim for a gain of ${wantedGain}.`,
          about: [part.id],
          ...withFix(
            strongerBase(
              evidence,
              part,
              base,
              on.state,
              wouldCarry(evidence, load, drop) / wantedGain,
            ),
          ),
        },
      ];
    }),
};

/** What a load would take of the transistor without its drop: as much more as it lacks volts, the highest of the design being its supply. */
function wouldCarry({ quiet }: Evidence, load: number, drop: Range): number {
  const supply = Math.max(...quiet.solution.nets.map((n) => n.volts ?? 0));
  return (load * supply) / Math.max(supply - drop.value, 0.1 * supply);
}

/** A smaller resistor in the base lead, where one stands in series with what drives it. */
function strongerBase(
  { wiring }: Evidence,
  part: Part,
  base: string,
  state: State,
  wanted: number,
): Fix | undefined {
  const drive = Math.abs(state.solution.parts[part.id]?.amps[base] ?? 0);
  const lead = resistorsAt(wiring, refOf(part, base))
    .map((e) => ({ ...e, carries: Math.abs(state.solution.parts[e.part.id]?.amps['a'] ?? 0) }))
    .sort((a, b) => b.carries - a.carries)[0];
  if (!lead) return undefined;
  const value = ohmsOf(lead.part) ?? NaN;
  // What another resistor takes from the base stays as it is.
  const fits = (value * lead.carries) / (wanted + lead.carries - drive);
  if (!(fits > 0 && Number.isFinite(fits))) return undefined;
  const smaller = e12(fits, 'below');
  return smaller < value ? setOhms(lead.part, smaller) : undefined;
}

export const baseWithoutResistor: Rule = {
  code: 'base-without-resistor',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A transistor base wired straight to a stiff voltage',
  bench: 'The base is a diode to the emitter: pin or transistor gives way.',
  source: 'Base–emitter junction; a resistor sets the base current (closed form).',
  find: (evidence) =>
    switching(evidence).flatMap(({ part, base, collector }): Found[] => {
      const ref = refOf(part, base);
      const stiff = evidence.wiring
        .ends(ref)
        .find((e) => e.terminal.role === 'supply-out' || modeOf(evidence, e.ref) === 'output');
      const worst = largest(evidence, size(into(part, base)));
      if (!stiff || !worst) return [];
      const load = largest(evidence, size(into(part, collector)))?.at.value ?? 0;
      const supply = Math.max(...worst.state.solution.nets.map((n) => n.volts ?? 0));
      const value = e12(
        Math.max(220, (Math.min(supply, 5) - 0.7) / Math.max(load / wantedGain, 1e-3)),
        'below',
      );
      return [
        {
          subject: part.id,
          title: `Nothing limits the base current of ${part.name}`,
          reason: `${stiff.ref} is joined to it: ${amps(worst.at.value)} ${worst.state.when}.`,
          about: [part.id],
          fix: inLine(evidence, ref, value, 'Base resistor'),
        },
      ];
    }),
};

/** A MOSFET that drops more than this over what its on-resistance explains is not open, V. */
const explained = 0.2;

export const gateTooLow: Rule = {
  code: 'gate-too-low',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'drive',
  title: 'A MOSFET whose gate is not driven far enough',
  bench: 'It is half open: the load is weak and the part too hot to touch, most often at 3.3 V.',
  source: 'Square law; solved with the threshold at the ends of its spread.',
  find: (evidence) =>
    having(evidence, 'mosfet').flatMap(({ part, has: mosfet, params }): Found[] => {
      const { gate: g, drain: d, source: s } = mosfet;
      const [threshold, onOhms] = [mosfet.threshold(params), mosfet.onOhms(params)];
      const states = mainStates(evidence).flatMap((state) => {
        const current = Math.abs(into(part, d)(state.solution) ?? 0);
        if (current < 1e-3) return [];
        const drop = range(state, size(across(part, d, s)));
        return [{ state, current, drop, over: drop.high - 3 * current * onOhms }];
      });
      const worst = states.sort((a, b) => b.over - a.over)[0];
      if (!worst || worst.over < explained) return [];
      const gate = Math.abs(across(part, g, s)(worst.state.solution) ?? 0);
      const most = 1.3 * threshold;
      return [
        {
          subject: part.id,
          severity: worst.drop.value > 0.5 ? 'error' : 'caution',
          title: `The gate of ${part.name} is too low`,
          reason: `${volts(gate)} at the gate, which begins to open between ${volts(0.7 * threshold)} and ${volts(most)}; it drops ${volts(worst.drop.value)} at ${amps(worst.current)} ${worst.state.when}, ${volts(worst.drop.high)} at worst, where ${ohms(onOhms)} would drop ${volts(worst.current * onOhms)}.`,
          about: [part.id],
        },
      ];
    }),
};
