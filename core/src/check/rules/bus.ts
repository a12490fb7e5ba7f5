import { splitRef } from '../../design/index.js';
import type { Facets } from '../../catalog/index.js';
import type { Part, TerminalRef } from '../../design/index.js';
import { Draft, swapEnds } from '../../wiring/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { having, refOf, withFix } from '../lookup.js';
import { list } from '../words.js';
import { moveTo } from './pins.js';

/** A chip that is asked by address over two lines. */
interface Chip {
  part: Part;
  bus: NonNullable<Facets['bus']>;
  sda: TerminalRef;
  scl: TerminalRef;
  address: number;
}

const chips = (evidence: Evidence): Chip[] =>
  having(evidence, 'bus')
    .map(({ part, has: bus, params }) => ({
      part,
      bus,
      sda: refOf(part, bus.data),
      scl: refOf(part, bus.clock),
      address: bus.address(params),
    }))
    .filter(({ sda }) => evidence.wiring.wired(sda));

/** Chips by the net of their data line. */
function buses(evidence: Evidence): Map<string, Chip[]> {
  const found = new Map<string, Chip[]>();
  for (const chip of chips(evidence)) {
    const net = evidence.wiring.net(chip.sda);
    found.set(net, [...(found.get(net) ?? []), chip]);
  }
  return found;
}

/** Whether a resistor leads from a line to a supply. */
const pulledUp = ({ wiring }: Evidence, line: TerminalRef): boolean =>
  wiring.ends(line).some((e) => {
    const far = e.kind.resistance && wiring.beyond(e);
    return far !== undefined && wiring.nature(far) === 'supply';
  });

export const busPullUpMissing: Rule = {
  code: 'bus-pull-up-missing',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A two-wire bus without pull-ups',
  bench: 'No chip answers, or each of them sometimes.',
  source: 'Open-drain lines need a resistor to the supply (I²C-bus specification UM10204).',
  find: (evidence) =>
    [...buses(evidence).values()].flatMap(([chip]): Found[] => {
      if (!chip) return [];
      const lines = [chip.sda, chip.scl];
      const bare = lines.filter((line) => evidence.wiring.wired(line) && !pulledUp(evidence, line));
      if (bare.length === 0) return [];
      const supply = refOf(chip.part, chip.bus.supply);
      const draft = new Draft(evidence.design);
      for (const line of bare)
        draft.between(
          'resistor',
          `Pull-up ${splitRef(line).terminal}`,
          { ohms: 4.7e3 },
          supply,
          line,
        );
      return [
        {
          subject: chip.part.id,
          title: `The bus of ${chip.part.name} has no pull-up`,
          reason: `No resistor leads from ${list(bare)} to a supply.`,
          about: [chip.part.id],
          ...(evidence.wiring.wired(supply)
            ? { fix: { label: 'Add 4.7 kΩ each', edit: draft.edit('add pull-ups') } }
            : {}),
        },
      ];
    }),
};

export const busAddressClash: Rule = {
  code: 'bus-address-clash',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'Two chips with one address on a bus',
  bench: 'Both answer at once: readings are the AND of two numbers.',
  source: 'I²C-bus specification UM10204: addresses are unique on a bus.',
  find: (evidence) =>
    [...buses(evidence).values()].flatMap((bus): Found[] => {
      const by = new Map<number, Chip[]>();
      for (const chip of bus) {
        const { address } = chip;
        by.set(address, [...(by.get(address) ?? []), chip]);
      }
      return [...by].flatMap(([address, same]): Found[] => {
        const [, second] = same;
        if (!second) return [];
        const free = free7bit(address, [...by.keys()]);
        return [
          {
            subject: same.map((c) => c.part.id).join('+'),
            title: `${list(same.map((c) => c.part.name))} have one address`,
            reason: `Both answer to ${address} (0x${address.toString(16)}).`,
            about: same.map((c) => c.part.id),
            fix: {
              label: `${second.part.id} to ${free}, if it can be set so`,
              edit: {
                type: 'set-param',
                id: second.part.id,
                param: second.bus.param,
                value: free,
              },
            },
          },
        ];
      });
    }),
};

/** The next address up that nothing on the bus has; address pins usually move it by ones. */
function free7bit(from: number, taken: readonly number[]): number {
  for (let address = from + 1; address <= 119; address++) {
    if (!taken.includes(address)) return address;
  }
  return 8;
}

export const busPinWrong: Rule = {
  code: 'bus-pin-wrong',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A bus line on a pin without bus',
  bench: 'The chip is not found.',
  source: 'Functions of the controller’s pins.',
  find: (evidence) =>
    [...buses(evidence).values()].flatMap(([chip]) => {
      if (!chip) return [];
      const lines = [
        { name: 'SDA', ref: chip.sda, skill: 'data', other: 'clock' },
        { name: 'SCL', ref: chip.scl, skill: 'clock', other: 'data' },
      ] as const;
      return lines.flatMap(({ name, ref, skill, other }): Found[] => {
        const pins = evidence.wiring.ends(ref).filter((e) => e.terminal.role === 'pin');
        const wrong = pins.find((e) => !e.terminal.can?.includes(skill));
        if (!wrong || wrong.terminal.can?.includes(other)) return [];
        return [
          {
            subject: ref,
            title: `${wrong.ref} cannot be ${name}`,
            reason: `${name} of ${chip.part.name} is on ${wrong.ref}, which has no ${skill} line.`,
            about: [chip.part.id, wrong.part.id],
            ...withFix(moveTo(evidence, wrong.ref, (t) => t.can?.includes(skill) ?? false)),
          },
        ];
      });
    }),
};

export const linesCrossed: Rule = {
  code: 'lines-crossed',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'Data and clock, or sender and sender, joined',
  bench: 'Nothing answers; a minute with the wires exchanged cures it.',
  source: 'SDA to data, SCL to clock; a sender goes to a receiver.',
  find: (evidence) => [...crossedBuses(evidence), ...crossedSerial(evidence)],
};

const crossedBuses = (evidence: Evidence): Found[] =>
  chips(evidence).flatMap(({ part, sda, scl }): Found[] => {
    const on = (ref: TerminalRef, skill: 'data' | 'clock'): boolean =>
      evidence.wiring
        .ends(ref)
        .some(
          (e) =>
            e.part !== part &&
            (e.terminal.can?.includes(skill) || e.kind.bus?.[skill] === e.terminal.id),
        );
    if (!on(sda, 'clock') || on(sda, 'data')) return [];
    const draft = new Draft(evidence.design);
    swapEnds(draft, sda, scl);
    return [
      {
        subject: part.id,
        title: `SDA and SCL of ${part.name} are exchanged`,
        reason: `${sda} is joined to a clock line.`,
        about: [part.id],
        fix: { label: `Swap ${sda} and ${scl}`, edit: draft.edit('swap bus lines') },
      },
    ];
  });

const crossedSerial = (evidence: Evidence): Found[] =>
  having(evidence, 'serial').flatMap(({ part, has: { sends, receives } }): Found[] => {
    const [tx, rx] = [refOf(part, sends), refOf(part, receives)];
    const sender = evidence.wiring.ends(tx).find((e) => e.terminal.can?.includes('serial out'));
    if (!sender) return [];
    const draft = new Draft(evidence.design);
    swapEnds(draft, tx, rx);
    return [
      {
        subject: part.id,
        title: `Two senders are joined at ${tx}`,
        reason: `${tx} sends and ${sender.ref} sends.`,
        about: [part.id, sender.part.id],
        fix: { label: `Swap ${tx} and ${rx}`, edit: draft.edit('swap serial lines') },
      },
    ];
  });
