import type { Brief } from '../design/index.js';
import { findHappeningKind, type Danger } from '../scene/index.js';

/** What has to be read once before such a thing is built, in plain words. */
export interface Notice {
  id: string;
  title: string;
  says: readonly string[];
  /** Standards and rules behind it. */
  source: string;
}

interface Told extends Notice {
  concerns(brief: Brief, dangers: ReadonlySet<Danger>): boolean;
}

const notices: readonly Told[] = [
  {
    id: 'fire',
    title: 'Fire and smoke',
    says: [
      'A detector that you build never replaces a certified smoke or heat alarm: have those first, and this beside them.',
      'Try it with a small flame only, out of doors or over a metal tray, an extinguisher at hand and never alone.',
    ],
    source: 'EN 14604, UL 217; local fire codes come first.',
    concerns: (_, dangers) => dangers.has('fire'),
  },
  {
    id: 'gas',
    title: 'Gas and carbon monoxide',
    says: [
      'A detector that you build never replaces a certified gas or carbon monoxide alarm. Leave gas pipes and appliances to licensed people.',
      'Never release gas to try it. Heated sensors and relays can ignite vapour: keep them out of where it gathers.',
      'What shuts off or ventilates has to do so when the supply fails.',
    ],
    source: 'EN 50291, EN 50194, UL 2034; local gas codes come first.',
    concerns: (_, dangers) => dangers.has('gas'),
  },
  {
    id: 'intruder',
    title: 'Alarms that neighbours hear',
    says: [
      'A sounder has to stop by itself: fifteen to twenty minutes at most in most places, less by night in some. Ask what holds where you are.',
      'Nobody may be locked in or hurt by it.',
    ],
    source: 'EN 50131-4 and local noise rules (from memory).',
    concerns: ({ answer }, dangers) => dangers.has('intruder') && (answer ?? 'sound') === 'sound',
  },
  {
    id: 'lock',
    title: 'Locks and ways out',
    says: [
      'A way out has to open from within without a key, and when power, program or battery fails.',
      'Locks on doors that people escape through belong to licensed trade.',
    ],
    source: 'EN 179, EN 1125 and local building codes.',
    concerns: ({ answer }) => answer === 'lock',
  },
  {
    id: 'mains',
    title: 'Mains',
    says: [
      'Mains kills and sets houses on fire. Here only the low-voltage side is planned: switch mains by a closed, approved unit, with fuse, earth and a residual-current device.',
      'What is wired to mains belongs to a licensed electrician; local codes come first.',
    ],
    source: 'IEC 60364 and the local wiring code.',
    // A closed adapter is none of it; what is switched may be.
    concerns: ({ answer }) => answer === 'switch' || answer === 'pump' || answer === 'valve',
  },
  {
    id: 'battery',
    title: 'Cells',
    says: [
      'Never charge cells that are not made for it, never mix old and new ones, and fuse close to the cells.',
      'Lithium cells want protection, their own charger, and no charging in frost.',
    ],
    source: 'IEC 60086-4, IEC 62133-2.',
    concerns: ({ feed }) => feed === 'battery',
  },
  {
    id: 'near',
    title: 'Children and animals',
    says: [
      'Keep cords, small parts and button cells out of reach; nothing that gets hot, moves hard or shines a laser may be where they get to.',
      'A loud sounder close by harms hearing: theirs first.',
    ],
    source: 'common practice; IEC 60825-1 for lasers.',
    concerns: ({ children, animals }) => children === true || animals === true,
  },
];

/** What of it the brief calls for; what people depend on for life or health is beyond what can be planned here. */
export function noticesFor(brief: Brief): Notice[] {
  const dangers = new Set(
    brief.needs.flatMap((need) =>
      need.intent === 'wanted' ? (findHappeningKind(need.kind)?.danger ?? []) : [],
    ),
  );
  return notices.filter((n) => n.concerns(brief, dangers));
}

/** Those that were not said to be read yet. */
export const unreadNotices = (brief: Brief): Notice[] =>
  noticesFor(brief).filter(({ id }) => !brief.read?.includes(id));
