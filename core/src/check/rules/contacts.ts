import { kindOf, paramsOf } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { solvedIn, type Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { having, into, largest, refOf, size, withWorst } from '../lookup.js';
import { amps, list } from '../words.js';

/** Contacts that switch a load, with what they are rated for. */
const contacts = ({ design }: Evidence) =>
  design.parts.flatMap((part) => {
    const { ratings, terminals, stage } = kindOf(part);
    if (stage === 'acts') return [];
    return terminals
      .filter((t) => t.role === 'contact')
      .flatMap(({ id }) => {
        const rating = ratings.find((r) => r.into === id);
        return rating ? [{ part, terminal: id, limit: rating.limit(paramsOf(part)) }] : [];
      });
  });

export const contactOverload: Rule = {
  code: 'contact-overload',
  severity: 'error',
  consequence: 'burns',
  concern: 'drive',
  title: 'A contact that carries more than it is rated for',
  bench: 'It heats up, burns and in the end welds shut: the load cannot be switched off any more.',
  source: 'Rated contact current against the solved one, tolerances included.',
  find: (evidence) =>
    contacts(evidence).flatMap(({ part, terminal, limit }): Found[] => {
      const worst = largest(evidence, size(into(part, terminal)));
      if (!worst || worst.at.high <= limit) return [];
      return [
        {
          subject: refOf(part, terminal),
          severity: worst.at.value > limit ? 'error' : 'caution',
          title: `The contact of ${part.name} is overloaded`,
          reason: `${withWorst(worst, amps)}, of ${amps(limit)}.`,
          about: [part.id],
        },
      ];
    }),
};

/** What a load takes in its first moments, A; undefined where that is not more than later. */
function inrush({ fired }: Evidence, part: Part): number | undefined {
  const solved = solvedIn(fired, part.id);
  return solved && kindOf(part).inrush?.(solved, paramsOf(part));
}

/** Loads that a terminal switches: on its own net, or on that of the contact's other side. */
function loadsAt({ wiring }: Evidence, part: Part): Part[] {
  const found = kindOf(part)
    .terminals.filter((t) => t.role === 'contact' || t.role === 'signal-out')
    .map((t) => refOf(part, t.id))
    .filter((ref) => wiring.nature(ref) === 'signal')
    .flatMap((ref) => wiring.ends(ref))
    .filter((e) => e.kind.stage === 'acts')
    .map((e) => e.part);
  return [...new Set(found)];
}

export const contactInrush: Rule = {
  code: 'contact-inrush',
  severity: 'caution',
  consequence: 'wears out',
  concern: 'drive',
  title: 'A contact that the first moment of its load overloads',
  bench: 'It works a hundred times and then sticks: the inrush has welded it.',
  source: 'Cold tungsten, R ∝ T^1.2 (handbook value); stall current of motors.',
  find: (evidence) => {
    const parts = [...new Map(contacts(evidence).map((c) => [c.part.id, c])).values()];
    return parts.flatMap(({ part, limit }): Found[] => {
      const loads = loadsAt(evidence, part).map((load) => ({
        load,
        at: inrush(evidence, load) ?? 0,
      }));
      const sum = loads.reduce((total, { at }) => total + at, 0);
      if (sum <= limit) return [];
      return [
        {
          subject: part.id,
          title: `The inrush is too much for ${part.name}`,
          reason: `${list(loads.filter((l) => l.at > 0).map((l) => l.load.name))} take about ${amps(sum)} at first, of ${amps(limit)}.`,
          about: [part.id, ...loads.map((l) => l.load.id)],
        },
      ];
    });
  },
};

export const motorStall: Rule = {
  code: 'motor-stall',
  severity: 'caution',
  consequence: 'burns',
  concern: 'drive',
  title: 'A driver that a stalled motor overloads',
  bench: 'The day the pump jams, the transistor dies with it.',
  source: 'Stall current of the motor against the driver’s rating.',
  find: (evidence) =>
    having(evidence, 'driver').flatMap(({ part, has: driver, params }): Found[] => {
      const maxAmps = driver.maxAmps(params);
      const loads = loadsAt(evidence, part).filter((l) => kindOf(l).stall);
      const sum = loads.reduce((total, l) => total + (kindOf(l).stall?.(paramsOf(l)) ?? 0), 0);
      if (sum <= maxAmps) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} is too small for a motor that stalls`,
          reason: `${list(loads.map((l) => l.name))} take ${amps(sum)} when held, of ${amps(maxAmps)}.`,
          about: [part.id, ...loads.map((l) => l.id)],
        },
      ];
    }),
};

export const contactAlone: Rule = {
  code: 'contact-alone',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A contact with one side wired',
  bench: 'The relay clicks and switches nothing.',
  source: 'Follows from the wiring: a contact switches between two terminals.',
  find: ({ design, wiring }) =>
    design.parts.flatMap((part) =>
      (kindOf(part).contacts ?? []).flatMap(({ terminals }): Found[] => {
        const wired = terminals.map((t) => refOf(part, t)).filter((ref) => wiring.wired(ref));
        const [only, ...more] = wired;
        if (!only || more.length > 0) return [];
        return [
          {
            subject: only,
            title: `Only ${only} of a contact of ${part.name} is wired`,
            reason: `Nothing is wired to the other terminals of that contact: what is at ${only} is never switched.`,
            about: [part.id, only],
          },
        ];
      }),
    ),
};
