import { splitRef } from '../../design/index.js';
import { CannotBuild, sensorPower } from '../../blocks/index.js';
import { endsOf, kindOf } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { formatQuantity } from '../../quantity/index.js';
import { allStates, type Evidence } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import { across, bridge, reaches, refOf, withFix } from '../lookup.js';
import { volts } from '../words.js';

/** Below this water is not split, V (standard potential of 1.23 V; corrosion begins well below: common practice). */
const eats = 0.3;

export const probeCorrodes: Rule = {
  code: 'probe-corrodes',
  severity: 'caution',
  consequence: 'wears out',
  concern: 'wiring',
  title: 'A wet probe under constant direct current',
  bench:
    'One of its electrodes is eaten within weeks; the reading drifts and then stays dry for ever.',
  source:
    'Faraday’s law of electrolysis; power it only while reading, or alternate its polarity (common practice).',
  find: (evidence) =>
    evidence.design.parts.flatMap((part): Found[] => {
      const ends = electrodeEnds(part);
      if (!ends || fedWhileRead(evidence, part)) return [];
      const worst = allStates(evidence)
        .map((state) => ({ state, at: across(part, ...ends)(state.solution) ?? 0 }))
        .sort((a, b) => Math.abs(b.at) - Math.abs(a.at))[0];
      if (!worst || Math.abs(worst.at) < eats) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} stands under direct current`,
          reason: `${volts(Math.abs(worst.at))} across it ${worst.state.when}, all the time and in one direction. Feed it from a pin or transistor that is on only while it is read.`,
          about: [part.id],
          ...withFix(pulsed(evidence, part)),
        },
      ];
    }),
};

/** Above this a disc holds its charge for longer than a knock lasts: with 20 nF some tenths of a second, Ω (common practice). */
const bleeds = 20e6;

export const chargeStays: Rule = {
  code: 'charge-stays',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'wiring',
  title: 'A piezo disc without a resistor across it',
  bench:
    'Its charge has nowhere to go: warmth and old knocks move the reading for minutes, and a hard blow reaches tens of volts.',
  source:
    'τ = R·C of the disc with what lies across it; about 1 MΩ across the disc (common practice).',
  find: (evidence) =>
    evidence.design.parts.flatMap((part): Found[] => {
      const { frontEnd, terminals } = kindOf(part);
      if (frontEnd !== 'charge') return [];
      const [a, b] = terminals.map((t) => refOf(part, t.id));
      if (!a || !b || !evidence.wiring.wired(a) || !evidence.wiring.wired(b)) return [];
      const ohms = Math.max(evidence.seen(a) ?? 0, evidence.seen(b) ?? 0);
      if (ohms < bleeds) return [];
      return [
        {
          subject: part.id,
          title: `Nothing bleeds the charge of ${part.name}`,
          reason: `${formatQuantity(ohms, 'Ω')} are seen from it, its own leakage among them.`,
          about: [part.id],
          fix: bridge(
            evidence,
            'resistor',
            'Bleed resistor',
            { ohms: 1e6 },
            [a, b],
            'Put 1 MΩ across it',
          ),
        },
      ];
    }),
};

/** Its power through a pin, where a pin is free and nothing else hangs on its supply. */
function pulsed({ design }: Evidence, part: Part): Fix | undefined {
  try {
    const { edit } = sensorPower.build(design, { part: part.id });
    return { label: 'Feed it only while it is read', edit };
  } catch (error) {
    if (error instanceof CannotBuild) return undefined;
    throw error;
  }
}

/** The two terminals between which a part's electrodes stand, or between which its module feeds them. */
function electrodeEnds(part: Part): readonly [string, string] | undefined {
  const { electrodes, feed } = kindOf(part);
  if (!electrodes) return undefined;
  if (feed) return [feed.plus, feed.minus];
  const [first, second] = endsOf(part.kind);
  return [first.id, second.id];
}

/** Whether the supply is reached only through an output that feeds sensors. */
function fedWhileRead({ design, wiring }: Evidence, part: Part): boolean {
  const pins = new Set(design.outputs.filter((o) => o.feeds).map((o) => o.pin));
  if (pins.size === 0) return false;
  const start = electrodeEnds(part)?.[0] ?? '';
  const boards = new Set([...pins].map((p) => splitRef(p).part));
  const blocks = (p: Part): boolean =>
    p !== part && (boards.has(p.id) || kindOf(p).stage === 'feels');
  const fed = reaches(wiring, refOf(part, start), (e) => pins.has(e.ref), blocks);
  const always = reaches(
    wiring,
    refOf(part, start),
    (e) => e.terminal.role === 'supply-out',
    (p) => p === part || blocks(p),
  );
  return fed && !always;
}
