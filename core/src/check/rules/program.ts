import { boardOf, firmwareOf, offTones, type Firmware, type Lack } from '../../firmware/index.js';
import type { Design, Part } from '../../design/index.js';
import { formatQuantity } from '../../quantity/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';

/** What comes of writing the program of a design's one board; undefined where it has none, or several. */
interface Outcome {
  part: Part;
  lacks: readonly Lack[];
  firmware?: Firmware;
}

/** What a program is written from: where none of it is another, it is the same program. */
const sourcesOf = (design: Design, part: Part): readonly unknown[] => [
  ...[part, design.title, design.channels, design.outputs, design.rules, design.machines],
  ...[design.counters, design.sequences, design.notices, design.controller, design.readings],
  // What is asked, and what is driven, over wires.
  ...[design.parts, design.wires],
];

let last: { sources: readonly unknown[]; outcome: Outcome } | undefined;

function outcomeOf({ design }: Evidence): Outcome | undefined {
  const target = boardOf(design);
  if (!('board' in target)) return undefined;
  const { board, part } = target;
  const sources = sourcesOf(design, part);
  const known = last;
  if (known?.sources.length === sources.length && sources.every((s, i) => s === known.sources[i]))
    return known.outcome;
  const found = firmwareOf(design, board);
  const outcome = 'lacks' in found ? { part, ...found } : { part, lacks: [], firmware: found };
  last = { sources, outcome };
  return outcome;
}

export const programLacks: Rule = {
  code: 'program-lacks',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'Something that the program of the board cannot do',
  bench: 'No program can be loaded that does what was rehearsed.',
  source: 'Functions and memory of the board, as docs/firmware.md tells.',
  find: (evidence) => {
    const { part, lacks = [] } = outcomeOf(evidence) ?? {};
    if (!part) return [];
    const { channels } = evidence.design;
    // What reads nothing has a finding of its own, and so has a pin that is used twice.
    const blind = channels.filter((c) => evidence.rest.counts[c.id] === undefined);
    return lacks
      .filter(
        ({ place }) => !/^pin /.test(place) && !blind.some((c) => place === `channel ${c.name}`),
      )
      .map(({ place, reason, cure }): Found => ({
        subject: place,
        title: `${part.name} cannot do this: ${place}`,
        reason: `${reason}. ${cure}`,
        about: [part.id, ...channels.filter((c) => place === `channel ${c.name}`).map((c) => c.id)],
      }));
  },
};

const micro = 1e-6;

export const programSlow: Rule = {
  code: 'program-slow',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'A program that may not keep up with its readings',
  bench: 'Short pulses are missed now and then, and times come out longer than they were set.',
  source:
    'Longest pass by a reckoning of its steps, held against measured passes in docs/firmware.md.',
  find: (evidence) => {
    const { part, firmware } = outcomeOf(evidence) ?? {};
    if (!part || firmware?.pass === undefined) return [];
    const { decides } = firmware.pass;
    const pass = decides * micro;
    return evidence.design.channels
      .filter((c) => !c.remembers && c.every < pass)
      .map((channel): Found => ({
        subject: channel.id,
        title: `${part.name} may not keep up with ${channel.name}`,
        reason: `It is to be read every ${formatQuantity(channel.every, 's')}; a pass with all readings may take ${formatQuantity(pass, 's')}.`,
        about: [channel.id, part.id],
      }));
  },
};

export const toneOffResonance: Rule = {
  code: 'tone-off-resonance',
  severity: 'note',
  consequence: 'unnoticed',
  concern: 'rule',
  title: 'A tone far from where its sounder is loudest',
  bench: 'It is heard beside the board, and not from the next room.',
  source:
    'A dimmed pin swings at the one frequency of its timer; a piezo disc is loudest within a third of an octave of its resonance (common practice).',
  find: ({ design }) => {
    const target = boardOf(design);
    if (!('board' in target)) return [];
    return offTones(design, target.part).map(({ part, says }): Found => ({
      subject: part.id,
      title: `${part.name} is not as loud as it could be`,
      reason: `${says.reason}. ${says.cure}`,
      about: [part.id],
    }));
  },
};
