import type { Facets } from '../../catalog/index.js';
import type { ElementOf } from '../../element/index.js';
import { terminalRef, type Part, type TerminalRef } from '../../design/index.js';
import { Draft, elementsOf } from '../../wiring/index.js';
import { allStates, voltsIn, type Evidence } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import { e12, having, refOf, resistancesBetween, setOhms } from '../lookup.js';
import { ohms, volts } from '../words.js';

type Ends = NonNullable<Facets['comparator']>;

const comparators = (
  evidence: Evidence,
): { part: Part; ends: Ends; element: ElementOf<'comparator'> }[] =>
  having(evidence, 'comparator').flatMap(({ part, has: ends }) => {
    const element = elementsOf(part).find((e) => e.type === 'comparator');
    return element ? [{ part, ends, element }] : [];
  });

export const comparatorRange: Rule = {
  code: 'comparator-range',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'Comparator inputs too near its supply',
  bench:
    'It no longer tells its inputs apart: the output stays where it is whatever the sensor does.',
  source: 'Common-mode range of the 393-type: up to 1.5 V below the supply (data sheet).',
  find: (evidence) =>
    comparators(evidence).flatMap(({ part, element }): Found[] => {
      const found = allStates(evidence).flatMap((state) => {
        const at = state.solution.parts[part.id]?.volts;
        if (!at) return [];
        const top = (at[element.supply] ?? 0) - element.headroom;
        const lower = Math.min(at[element.plus] ?? 0, at[element.minus] ?? 0);
        return lower > top && top > 0 ? [{ state, lower, top }] : [];
      })[0];
      if (!found) return [];
      return [
        {
          subject: part.id,
          title: `The inputs of ${part.name} are too high`,
          reason: `Both stand at ${volts(found.lower)} or more ${found.state.when}; they are told apart up to ${volts(found.top)}.`,
          about: [part.id],
        },
      ];
    }),
};

/** What wiring of a hand's length picks up beside a mains lead, V (common practice). */
const pickedUp = 5e-3;
const mainsHertz = 50;
/** A signal that takes this long to change by a volt, as daylight or a warming room does, s. */
const slowness = 10;
/** Hysteresis that most signals need, V. */
const usual = 0.1;

export const hysteresisMissing: Rule = {
  code: 'hysteresis-missing',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'threshold',
  title: 'A comparator with less hysteresis than noise',
  bench: 'At the threshold it switches to and fro with the mains hum: the relay rattles.',
  source:
    'Width = swing·Rs/(Rs+Rf) (closed form); 5 mV of hum, two crossings a period (common practice).',
  find: (evidence) =>
    comparators(evidence).flatMap(({ part, ends }): Found[] => {
      const [plus, out] = [refOf(part, ends.plus), refOf(part, ends.output)];
      if (!evidence.wiring.wired(plus) || !evidence.wiring.wired(out)) return [];
      const width = hysteresisOf(evidence, part, ends);
      if (width === undefined || width >= 2 * pickedUp) return [];
      const chatter = Math.round(2 * mainsHertz * slowness * (2 * pickedUp - width));
      return [
        {
          subject: part.id,
          title: `${part.name} has next to no hysteresis`,
          reason: `It is ${volts(width)} wide. With ${volts(pickedUp)} of hum, a signal that takes ${slowness} s for a volt makes it switch about ${chatter} times.`,
          about: [part.id],
          fix: feedback(evidence, part, ends),
        },
      ];
    }),
};

/** Highest and lowest output, V. */
function swing({ wiring, quiet }: Evidence, part: Part, ends: Ends): number {
  const pull = wiring
    .ends(refOf(part, ends.output))
    .filter((e) => e.kind.resistance)
    .map((e) => wiring.beyond(e))
    .find((far): far is TerminalRef => far !== undefined && wiring.nature(far) === 'supply');
  const at = pull === undefined ? undefined : voltsIn(quiet, pull);
  return at ?? quiet.solution.parts[part.id]?.volts[ends.supply] ?? 0;
}

/** Width between tripping and clearing, from the resistor that leads back from output to plus. */
function hysteresisOf(evidence: Evidence, part: Part, ends: Ends): number | undefined {
  const [plus, out] = [refOf(part, ends.plus), refOf(part, ends.output)];
  const [back] = resistancesBetween(evidence.wiring, plus, out);
  if (!back) return 0;
  const seen = evidence.seen(plus);
  if (seen === undefined) return undefined;
  const through = back.ohms;
  // What is seen has the resistor itself in parallel.
  const source = seen < through ? (seen * through) / (through - seen) : Infinity;
  return (swing(evidence, part, ends) * source) / (source + through);
}

/** A resistor back from the output, and one in front of the plus input where its source is too stiff. */
function feedback(evidence: Evidence, part: Part, ends: Ends): Fix {
  const [plus, out] = [refOf(part, ends.plus), refOf(part, ends.output)];
  const back = resistancesBetween(evidence.wiring, plus, out)[0]?.part;
  const draft = new Draft(evidence.design);
  let source = evidence.seen(plus) ?? 0;
  if (source < 1e3) {
    const front = draft.add('resistor', 'Input resistor', { ohms: 10e3 });
    draft.rewire(plus, terminalRef(front, 'a')).join(terminalRef(front, 'b'), plus);
    source += 10e3;
  }
  const value = e12((source * swing(evidence, part, ends)) / usual - source);
  if (back && source === (evidence.seen(plus) ?? 0)) return setOhms(back, value);
  if (back) draft.make({ type: 'remove-part', id: back.id });
  draft.between('resistor', 'Hysteresis resistor', { ohms: value }, out, plus);
  return {
    label: `Add ${ohms(value)} from ${out} to ${plus}`,
    edit: draft.edit('add hysteresis'),
  };
}
