import { kindOf } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { allStates, type Evidence, type State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { bridge, e12, having, into, reaches, refOf, resistancesBetween } from '../lookup.js';
import { amps, ohms, volts } from '../words.js';

/** Thyristors with what they want, A. */
const thyristors = (evidence: Evidence) =>
  having(evidence, 'thyristor').map(({ part, has, params }) => ({
    part,
    ends: has,
    trigger: has.trigger(params),
    latching: has.latching(params),
    holding: has.holding(params),
  }));
/** Half of a typical value more or less, as its spread is given. */
const spread = 1.5;

const anodeAmps = (part: Part, state: State): number =>
  Math.max(0, into(part, kindOf(part).thyristor?.anode ?? '')(state.solution) ?? 0);

/** The states in which one conducts, by its anode current. */
const conducting = (evidence: Evidence, part: Part): State[] =>
  allStates(evidence)
    .filter((s) => anodeAmps(part, s) > 0.5e-3)
    .sort((a, b) => anodeAmps(part, a) - anodeAmps(part, b));

export const thyristorGateWeak: Rule = {
  code: 'thyristor-gate-weak',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'drive',
  title: 'A thyristor whose gate gets too little',
  bench: 'It fires when it is warm, or never.',
  source: 'Gate trigger current at the upper end of its spread against the largest solved one.',
  find: (evidence) =>
    thyristors(evidence).flatMap(({ part, ends, trigger }): Found[] => {
      const wanted = spread * trigger;
      const best = allStates(evidence)
        .map((state) => ({ state, at: into(part, ends.gate)(state.solution) ?? 0 }))
        .sort((a, b) => b.at - a.at)[0];
      if (!best || best.at < 1e-6 || best.at >= wanted) return [];
      const fires = conducting(evidence, part).length > 0;
      return [
        {
          subject: part.id,
          severity: fires ? 'caution' : 'error',
          title: `${part.name} may not fire`,
          reason: `Its gate gets at most ${amps(best.at)}, ${best.state.when}; the least sensitive specimen wants ${amps(wanted)}.`,
          about: [part.id],
        },
      ];
    }),
};

export const thyristorGateOpen: Rule = {
  code: 'thyristor-gate-open',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'drive',
  title: 'A sensitive gate without a resistor to its cathode',
  bench: 'It fires by itself: when the mains switches nearby, or when it gets warm.',
  source: '1 kΩ and 10 to 100 nF from gate to cathode (common practice for sensitive gates).',
  find: (evidence) =>
    thyristors(evidence).flatMap(({ part, ends }): Found[] => {
      const [gate, cathode] = [refOf(part, ends.gate), refOf(part, ends.cathode)];
      const held = resistancesBetween(evidence.wiring, gate, cathode).map((r) => r.ohms);
      if (!evidence.wiring.wired(gate) || held.some((r) => r <= 10e3)) return [];
      const least = held.length > 0 ? ohms(Math.min(...held)) : 'nothing';
      return [
        {
          subject: part.id,
          title: `The gate of ${part.name} is open to noise`,
          reason: `Between ${gate} and ${cathode} stands ${least}.`,
          about: [part.id],
          fix: bridge(
            evidence,
            'resistor',
            'Gate resistor',
            { ohms: 1e3 },
            [gate, cathode],
            'Add 1 kΩ to its cathode',
          ),
        },
      ];
    }),
};

export const thyristorLatching: Rule = {
  code: 'thyristor-latching',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'drive',
  title: 'A load too small for a thyristor to latch',
  bench: 'The alarm is on while the contact is open and off as soon as it closes.',
  source: 'Latching current against the solved one.',
  find: (evidence) =>
    thyristors(evidence).flatMap(({ part, latching }): Found[] => {
      const state = conducting(evidence, part).at(-1);
      const at = state ? anodeAmps(part, state) : Infinity;
      if (!state || at >= latching) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} does not latch`,
          reason: `${amps(at)} flow ${state.when}; it stays on from ${amps(latching)}.`,
          about: [part.id],
        },
      ];
    }),
};

export const thyristorHolding: Rule = {
  code: 'thyristor-holding',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'drive',
  title: 'A thyristor close to letting go',
  bench: 'It lets go when the battery is low, when a contact bounces, or on a cold day.',
  source: 'Twice the holding current at the upper end of its spread (common practice).',
  find: (evidence) =>
    thyristors(evidence).flatMap(({ part, latching, holding }): Found[] => {
      const wanted = 2 * spread * holding;
      const state = conducting(evidence, part)[0];
      const at = state ? anodeAmps(part, state) : Infinity;
      if (!state || at < latching || at >= wanted) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} holds only just`,
          reason: `${amps(at)} flow ${state.when}; ${amps(wanted)} hold the worst specimen with something to spare.`,
          about: [part.id],
        },
      ];
    }),
};

/** Whether something that sounds is on a net. */
const soundsThrough = ({ wiring }: Evidence, ref: string): boolean =>
  wiring.ends(ref).some((e) => e.kind.acts?.does === 'sounds');

export const thyristorNoReset: Rule = {
  code: 'thyristor-no-reset',
  severity: 'note',
  consequence: 'cries wolf',
  concern: 'rule',
  title: 'A latched thyristor that nothing can switch off',
  bench: 'Once it has fired, only pulling the plug ends it.',
  source: 'On direct current a thyristor ends only when its current is cut.',
  find: (evidence) =>
    thyristors(evidence).flatMap(({ part, ends }): Found[] => {
      const ref = refOf(part, ends.anode);
      const cut = (p: Part): boolean =>
        p !== part && kindOf(p).terminals.some((t) => t.role === 'contact');
      const fed = reaches(
        evidence.wiring,
        ref,
        (e) => e.terminal.role === 'supply-out' && e.kind.stage === 'feeds',
        (p) => p === part || cut(p),
      );
      if (!fed || !evidence.wiring.wired(ref)) return [];
      return [
        {
          subject: part.id,
          ...(soundsThrough(evidence, ref) ? { severity: 'caution' as const } : {}),
          title: `Nothing ends what ${part.name} has begun`,
          reason: `From ${ref} the supply is reached without passing a switch.`,
          about: [part.id],
        },
      ];
    }),
};

export const bellOnThyristor: Rule = {
  code: 'bell-on-thyristor',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'drive',
  title: 'A self-interrupting bell on a thyristor',
  bench:
    'One stroke, then silence: the bell’s own contact cuts the current that holds the thyristor.',
  source:
    'Holding current has to flow while the bell’s contact is open: a bleed resistor beside the bell.',
  find: (evidence) =>
    having(evidence, 'interruptsItself').flatMap(({ part: bell, has }): Found[] => {
      const { wiring } = evidence;
      const [plus, minus] = [refOf(bell, has.plus), refOf(bell, has.minus)];
      const found = thyristors(evidence).find(({ part, ends }) =>
        [plus, minus].some((end) =>
          [refOf(part, ends.anode), refOf(part, ends.cathode)].some(
            (k) => wiring.same(end, k) && wiring.nature(k) === 'signal',
          ),
        ),
      );
      if (!found) return [];
      const { part: on, latching, holding } = found;
      const supply = Math.max(...evidence.quiet.solution.nets.map((n) => n.volts ?? 0));
      const wanted = 2 * latching;
      const beside = resistancesBetween(wiring, plus, minus).reduce(
        (sum, r) => sum + (supply - 1) / r.ohms,
        0,
      );
      if (beside >= spread * holding || !(supply > 1.5)) return [];
      const value = e12((supply - 1) / wanted, 'below');
      const fix = bridge(
        evidence,
        'resistor',
        'Bleed resistor',
        { ohms: value, watts: (supply - 1) ** 2 / value > 0.12 ? 0.5 : 0.25 },
        [plus, minus],
        `Add ${ohms(value)} beside the bell`,
      );
      return [
        {
          subject: bell.id,
          title: `${bell.name} puts ${on.name} out`,
          reason: `While its contact is open ${amps(beside)} flow at ${volts(supply)}; ${on.name} wants ${amps(spread * holding)} at worst to stay on.`,
          about: [bell.id, on.id],
          fix,
        },
      ];
    }),
};
