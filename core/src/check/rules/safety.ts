import { kindOf } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { allStates } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { having, reaches, refOf } from '../lookup.js';
import { list, volts } from '../words.js';

export const partCautions: Rule = {
  code: 'part-cautions',
  severity: 'safety',
  consequence: 'burns',
  concern: 'wiring',
  title: 'The usual cautions of the parts in use',
  bench: 'Follow them before switching on.',
  source: 'Catalogue of parts (docs/catalog.md).',
  find: ({ design }) => {
    const kinds = [...new Set(design.parts.map((p) => kindOf(p)))];
    return kinds.flatMap((kind) =>
      kind.cautions.map((caution, i): Found => ({
        subject: `${kind.kind}:${i}`,
        title: kind.label,
        reason: caution,
        ...(kind.grave || kind.lifeSafety ? { consequence: 'danger' as const } : {}),
        about: design.parts.filter((p) => kindOf(p) === kind).map((p) => p.id),
      })),
    );
  },
};

/** Direct voltage that counts as safe to touch in dry places, V (IEC 61140, ripple-free). */
const safeToTouch = 60;

export const voltsDangerous: Rule = {
  code: 'volts-dangerous',
  severity: 'error',
  consequence: 'danger',
  concern: 'wiring',
  title: 'A voltage that is dangerous to touch',
  bench: 'It can kill. Do not build this on a breadboard.',
  source: 'IEC 61140: 60 V ripple-free direct voltage.',
  find: (evidence) => {
    const nets = allStates(evidence).flatMap((state) =>
      state.solution.nets
        .filter((n) => Math.abs(n.volts ?? 0) > safeToTouch)
        .map((net) => ({ net, state })),
    );
    return [...new Map(nets.map((n) => [n.net.id, n])).values()].map(({ net, state }): Found => ({
      subject: net.id,
      title: `${net.name} is dangerous to touch`,
      reason: `It stands at ${volts(net.volts ?? 0)} ${state.when}; up to ${safeToTouch} V count as safe in dry places. A licensed electrician, a closed enclosure and local codes come first.`,
      about: [net.id],
    }));
  },
};

export const contactsOutside: Rule = {
  code: 'contacts-outside',
  severity: 'safety',
  consequence: 'danger',
  concern: 'wiring',
  title: 'Contacts whose load is not in the design',
  bench: 'If that load is mains, a loose wire or a damp board makes the whole circuit live.',
  source: 'Separation of mains and low voltage (IEC 60664, IEC 60364; local codes).',
  find: ({ design, wiring }) =>
    design.parts.flatMap((part): Found[] => {
      const { terminals, stage } = kindOf(part);
      const contacts = terminals.filter((t) => t.role === 'contact');
      const relay = stage === 'drives' && contacts.length > 0;
      if (!relay || contacts.some((t) => wiring.wired(refOf(part, t.id)))) return [];
      return [
        {
          subject: part.id,
          title: `What ${part.name} switches is not in the design`,
          reason: `Nothing is wired to ${list(contacts.map((t) => t.label))}. If mains goes there: an enclosed, certified relay module, strain relief and a fuse, its tracks and terminals kept apart from everything else, wired by a licensed person; the part “Mains appliance” then stands for what it switches.`,
          about: [part.id],
        },
      ];
    }),
};

const isSwitch = (part: Part): boolean => kindOf(part).operatedByHand === true;

export const lockWithoutRelease: Rule = {
  code: 'lock-without-release',
  severity: 'error',
  consequence: 'danger',
  concern: 'wiring',
  title: 'A magnetic lock without a release button in its own feed',
  bench: 'When the electronics hang, the door stays shut with people behind it.',
  source:
    'Exits open by a button that breaks the feed itself (EN 13637; local codes on escape routes).',
  find: (evidence) =>
    having(evidence, 'locks').flatMap(({ part, has: lock }): Found[] => {
      const ref = refOf(part, lock.plus);
      const way = (blocks: (p: Part) => boolean): boolean =>
        reaches(
          evidence.wiring,
          ref,
          (e) => e.terminal.role === 'supply-out' && e.part !== part,
          (p) => p === part || blocks(p),
        );
      const back = reaches(
        evidence.wiring,
        refOf(part, lock.minus),
        (e) => e.terminal.role === 'ground',
        (p) => p === part || isSwitch(p),
      );
      const fed = way(() => false);
      if (!fed || !way(isSwitch) || !back) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} has no release in its feed`,
          reason: `From the supply through ${ref} and back no push-button or switch is passed.`,
          about: [part.id],
        },
      ];
    }),
};

export const lockStays: Rule = {
  code: 'lock-stays-locked',
  severity: 'error',
  consequence: 'danger',
  concern: 'wiring',
  title: 'A lock that stays locked when the mains fails',
  bench:
    'In a power cut, or a fire that takes the mains, the door holds until the battery is empty.',
  source: 'Fail-safe locking on escape routes (EN 13637; local codes).',
  find: (evidence) =>
    having(evidence, 'locks').flatMap(({ part, has: lock }): Found[] => {
      const battery = evidence.design.parts.find(
        (p) =>
          kindOf(p).store &&
          reaches(
            evidence.wiring,
            refOf(part, lock.plus),
            (e) => e.part === p && e.terminal.role === 'supply-out',
            (other) => other === part,
          ),
      );
      if (!battery) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} is held by ${battery.name}`,
          reason: `Its feed is reached from ${battery.id}, which goes on when the mains fails. A lock on an exit is fed from the mains adapter alone.`,
          about: [part.id, battery.id],
        },
      ];
    }),
};

/** Words by which the notice is recognised in a design's notes. */
const notice =
  'This is not a certified alarm. It supplements and never replaces certified smoke, gas, carbon monoxide or intruder alarms and the local codes for them.';

export const lifeSafetyNotice: Rule = {
  code: 'life-safety-notice',
  severity: 'caution',
  consequence: 'danger',
  concern: 'rule',
  title: 'A fire or gas detector without its notice',
  bench: 'Someone who did not build it relies on it.',
  source:
    'EN 14604, EN 50291, UL 217, UL 2034: certified alarms are tested for what a hobby detector is not.',
  find: ({ design }) => {
    const parts = design.parts.filter((p) => kindOf(p).lifeSafety);
    if (parts.length === 0 || /certified/i.test(`${design.notes} ${design.purpose}`)) return [];
    const notes = design.notes === '' ? notice : `${design.notes}\n\n${notice}`;
    return [
      {
        subject: 'design',
        title: 'Say that this is not a certified alarm',
        reason: `${list(parts.map((p) => p.name))} ${parts.length > 1 ? 'watch' : 'watches'} over fire or gas, and the notes do not say that no one may rely on it alone.`,
        about: parts.map((p) => p.id),
        fix: { label: 'Add the notice', edit: { type: 'describe', fields: { notes } } },
      },
    ];
  },
};
