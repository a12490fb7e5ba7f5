import { kindOf, paramsOf } from '../../catalog/index.js';
import type { Part, TerminalRef } from '../../design/index.js';
import { isMainsContact, type End } from '../../wiring/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { refOf } from '../lookup.js';
import { amps, list } from '../words.js';

/** Largest fuse for one appliance on a lead of 1.5 mm², A (IEC 60364-4-43; local codes). */
const mostFuse = 16;

/** Parts beyond the boundary, with everything else that stands on their leads. */
const appliances = ({ design, wiring }: Evidence): { part: Part; ends: readonly End[] }[] =>
  design.parts.flatMap((part) => {
    const leads = kindOf(part).terminals.filter((t) => t.role === 'mains');
    const ends = leads.flatMap((t) => wiring.ends(refOf(part, t.id)));
    return leads.length > 0
      ? [{ part, ends: ends.filter((e) => e.terminal.role !== 'mains') }]
      : [];
  });

/** Contacts of a part that are wired, but not to mains: of the relay that an end is of, or of the others. */
function lowContacts({ wiring }: Evidence, at: End, same: boolean): TerminalRef[] {
  return (at.kind.contacts ?? [])
    .filter(({ terminals }) => terminals.includes(at.terminal.id) === same)
    .flatMap(({ terminals }) => terminals.map((t) => refOf(at.part, t)))
    .filter((ref) => wiring.wired(ref) && wiring.nature(ref) !== 'mains');
}

export const mainsWithoutBoundary: Rule = {
  code: 'mains-without-boundary',
  severity: 'error',
  consequence: 'danger',
  concern: 'wiring',
  title: 'Mains joined to something that is not made for it',
  bench: 'The whole circuit is live. Touching it can kill.',
  source: 'Separation of mains and low voltage (IEC 60664, IEC 61140; local codes).',
  find: (evidence) =>
    appliances(evidence).flatMap(({ part, ends }): Found[] => {
      const wrong = ends.flatMap((end) =>
        isMainsContact(end) ? lowContacts(evidence, end, true) : [end.ref],
      );
      if (wrong.length === 0) return [];
      return [
        {
          subject: part.id,
          title: `Mains of ${part.name} meets low voltage`,
          reason: `Its leads reach ${list([...new Set(wrong)])}. Join them to the contacts of one relay made for mains, and nothing else to those.`,
          about: [part.id],
        },
      ];
    }),
};

export const mainsBesideLow: Rule = {
  code: 'mains-beside-low',
  severity: 'caution',
  consequence: 'danger',
  concern: 'wiring',
  title: 'Mains and low voltage on contacts of one board',
  bench: 'A stray strand or a wet board joins the two.',
  source: 'Clearance and creepage between mains and touchable circuits (IEC 60664-1).',
  find: (evidence) =>
    appliances(evidence).flatMap(({ ends }) =>
      ends.filter(isMainsContact).flatMap((end): Found[] => {
        const low = lowContacts(evidence, end, false);
        if (low.length === 0) return [];
        return [
          {
            subject: end.ref,
            title: `${end.part.name} switches mains and low voltage side by side`,
            reason: `${end.ref} is on mains, ${list(low)} beside it ${low.length === 1 ? 'is' : 'are'} not. Take a board of its own for mains.`,
            about: [end.part.id],
          },
        ];
      }),
    ),
};

export const mainsContactLoad: Rule = {
  code: 'mains-contact-load',
  severity: 'error',
  consequence: 'danger',
  concern: 'drive',
  title: 'A mains load too large for the contact',
  bench: 'The contact burns or welds shut: the appliance cannot be switched off any more.',
  source: 'Rated contact current against what the appliance is said to take, at once and later.',
  find: (evidence) =>
    appliances(evidence).flatMap(({ part, ends }) => {
      const { appliance } = kindOf(part);
      if (!appliance) return [];
      const steady = appliance.amps(paramsOf(part));
      const inrush = appliance.inrush(paramsOf(part));
      return ends.filter(isMainsContact).flatMap((end): Found[] => {
        const limit = end.kind.contacts
          ?.find((c) => c.terminals.includes(end.terminal.id))
          ?.maxAmps(paramsOf(end.part));
        if (limit === undefined || steady * inrush <= limit) return [];
        return [
          {
            subject: end.ref,
            severity: steady > limit ? 'error' : 'caution',
            title: `${part.name} is too much for ${end.part.name}`,
            reason: `It takes ${amps(steady)}, ${amps(steady * inrush)} in the first moment; the contact is rated for ${amps(limit)}.`,
            about: [end.part.id, part.id],
          },
        ];
      });
    }),
};

export const mainsUnfused: Rule = {
  code: 'mains-unfused',
  severity: 'error',
  consequence: 'danger',
  concern: 'wiring',
  title: 'A mains lead without a fitting fuse',
  bench: 'A fault heats the lead until it burns.',
  source: 'Overcurrent protection (IEC 60364-4-43; local codes).',
  find: (evidence) =>
    appliances(evidence).flatMap(({ part }): Found[] => {
      const { appliance } = kindOf(part);
      if (!appliance) return [];
      const [steady, fuse] = [appliance.amps(paramsOf(part)), appliance.fuse(paramsOf(part))];
      const why =
        fuse === 0
          ? 'There is no fuse in its lead.'
          : fuse > mostFuse
            ? `A fuse of ${amps(fuse)} lets more through than a lead of 1.5 mm² stands; ${amps(mostFuse)} at most.`
            : fuse < steady
              ? `It takes ${amps(steady)}, its fuse blows above ${amps(fuse)}.`
              : '';
      return why
        ? [
            {
              subject: part.id,
              title: `${part.name} has no fitting fuse`,
              reason: why,
              about: [part.id],
            },
          ]
        : [];
    }),
};
