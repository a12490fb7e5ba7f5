import { paramsOf, type Junction } from '../../catalog/index.js';
import { terminalRef, type Part } from '../../design/index.js';
import { Draft, swapEnds } from '../../wiring/index.js';
import { allStates, mainStates, type Evidence, type State } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import {
  across,
  e12,
  having,
  inLine,
  into,
  largest,
  ohmsOf,
  refOf,
  resistorsAt,
  setOhms,
  withFix,
  withWorst,
} from '../lookup.js';
import { amps, volts } from '../words.js';

/** A light-emitting junction in use. */
interface Lit extends Omit<Junction, 'volts' | 'maxAmps'> {
  part: Part;
  /** It is one of several in its part. */
  oneOfMany: boolean;
  forward: number;
  most: number;
}

const junctions = (evidence: Evidence): Lit[] =>
  having(evidence, 'junctions').flatMap(({ part, has, params }) =>
    has
      .filter(({ anode }) => evidence.wiring.wired(refOf(part, anode)))
      .map(({ volts: forward, maxAmps, ...junction }) => ({
        ...junction,
        part,
        oneOfMany: has.length > 1,
        forward: forward(params),
        most: maxAmps(params),
      })),
  );

/** The resistor in line with a junction, if one stands on either side. */
const inLineWith = ({ wiring }: Evidence, { part, anode, cathode }: Lit): Part | undefined =>
  [anode, cathode].flatMap((t) =>
    resistorsAt(wiring, refOf(part, t)).filter((e) => wiring.beyond(e)),
  )[0]?.part;

const named = ({ part, name }: Lit): string => (name ? `${part.name}, ${name}` : part.name);

/** Current that is bright enough for most uses and cool enough for all, as a share of the rating. */
const comfortable = 0.6;

export const ledWithoutResistor: Rule = {
  code: 'led-without-resistor',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'An LED without a resistor',
  bench: 'A flash, a smell, and darkness; or the pin that feeds it gives way first.',
  source: 'Shockley equation: nothing but the source limits the current.',
  find: (evidence) =>
    junctions(evidence).flatMap((junction): Found[] => {
      const { part, anode, most } = junction;
      const worst = largest(evidence, into(part, anode));
      if (!worst || worst.at.value <= 0.9 * most || inLineWith(evidence, junction)) return [];
      return [
        {
          subject: refOf(part, anode),
          title: `${named(junction)} has no resistor`,
          reason: `${withWorst(worst, amps)}, of ${amps(most)}.`,
          about: [part.id],
          fix: inLine(evidence, refOf(part, anode), seriesFor(evidence, junction), 'LED resistor'),
        },
      ];
    }),
};

/** R = (V − Vf)/I with the highest voltage of the design, or the board's own where a pin drives it. */
function seriesFor(evidence: Evidence, { part, anode, forward, most }: Lit): number {
  const { wiring, fired } = evidence;
  const pin = wiring.ends(refOf(part, anode)).find((e) => e.terminal.role === 'pin');
  const supply = pin
    ? (pin.kind.inputs?.nominal(paramsOf(pin.part)) ?? 5)
    : Math.max(...fired.solution.nets.map((n) => n.volts ?? 0));
  return e12((supply - forward) / (comfortable * most), 'above');
}

export const ledOverdriven: Rule = {
  code: 'led-overdriven',
  severity: 'error',
  consequence: 'wears out',
  concern: 'drive',
  title: 'An LED with more current than it stands',
  bench: 'It is bright for some weeks and dim after that.',
  source: 'Absolute maximum of the forward current against the solved one, tolerances included.',
  find: (evidence) =>
    junctions(evidence).flatMap((junction): Found[] => {
      const { part, anode, most } = junction;
      const worst = largest(evidence, into(part, anode), allStates(evidence));
      const resistor = inLineWith(evidence, junction);
      if (!worst || worst.at.high <= most || !resistor) return [];
      return [
        {
          subject: refOf(part, anode),
          severity: worst.at.value > most ? 'error' : 'caution',
          title: `${named(junction)} is overdriven`,
          reason: `${withWorst(worst, amps)}, of ${amps(most)}.`,
          about: [part.id],
          ...withFix(scaled(resistor, worst.state, comfortable * most, 'above')),
        },
      ];
    }),
};

/** Another value for the resistor in line that brings its current about to a wanted one. */
function scaled(
  resistor: Part,
  state: State,
  wanted: number,
  side: 'above' | 'below',
): Fix | undefined {
  const carries = Math.abs(state.solution.parts[resistor.id]?.amps['a'] ?? 0);
  if (!(carries > 0)) return undefined;
  const value = ohmsOf(resistor) ?? NaN;
  return setOhms(resistor, e12((value * carries) / wanted, side));
}

/** Below this share of its rated current an LED is hard to see by day (common practice). */
const dim = 0.05;

export const ledDim: Rule = {
  code: 'led-dim',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'drive',
  title: 'An LED too dim to be seen',
  bench: 'In a dark room it glows; on a bright day nobody can tell whether it is on.',
  source: '5 % of the rated current (common practice).',
  find: (evidence) =>
    junctions(evidence).flatMap((junction): Found[] => {
      const { part, anode, most, visible } = junction;
      if (!visible) return [];
      // What is dim acts nowhere: it is looked for in every happening.
      const worst = largest(evidence, into(part, anode), allStates(evidence));
      if (!worst || worst.at.value < 20e-6 || worst.at.value >= dim * most) return [];
      const resistor = inLineWith(evidence, junction);
      return [
        {
          subject: refOf(part, anode),
          title: `${named(junction)} is dim`,
          reason: `${amps(worst.at.value)} ${worst.state.when}; it is seen by day from about ${amps(dim * most)}.`,
          about: [part.id],
          ...withFix(resistor && scaled(resistor, worst.state, 0.25 * most, 'below')),
        },
      ];
    }),
};

export const ledReversed: Rule = {
  code: 'led-reversed',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'An LED the wrong way round',
  bench: 'It stays dark; above 5 V it does not survive that.',
  source: 'Solved voltage against the diode’s direction, at rest and fired.',
  find: (evidence) =>
    junctions(evidence).flatMap((junction): Found[] => {
      const { part, anode, cathode, oneOfMany } = junction;
      const forward = mainStates(evidence).map(
        (s) => across(part, anode, cathode)(s.solution) ?? 0,
      );
      const back = -Math.min(...forward);
      if (Math.max(...forward) > 0.5 || back < 1 || oneOfMany) return [];
      const draft = new Draft(evidence.design);
      swapEnds(draft, terminalRef(part.id, anode), terminalRef(part.id, cathode));
      return [
        {
          subject: part.id,
          title: `${part.name} is the wrong way round`,
          reason: `${volts(back)} stand against it, and it never conducts.`,
          about: [part.id],
          fix: { label: `Turn ${part.id} round`, edit: draft.edit('turn LED') },
        },
      ];
    }),
};
