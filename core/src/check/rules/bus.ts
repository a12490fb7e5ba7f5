import { kindOf, paramsOf } from '../../catalog/index.js';
import { terminalRef, type Part, type TerminalRef } from '../../design/index.js';
import { Draft, swapEnds } from '../../wiring/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { refOf, withFix } from '../lookup.js';
import { list } from '../words.js';
import { moveTo } from './pins.js';

/** Chips that are asked by address over two lines. */
const chips = ({ design, wiring }: Evidence): Part[] =>
  design.parts.filter((p) => {
    const ids = kindOf(p).terminals.map((t) => t.id);
    return ids.includes('SDA') && ids.includes('SCL') && wiring.wired(refOf(p, 'SDA'));
  });

/** Chips by the net of their data line. */
function buses(evidence: Evidence): Map<string, Part[]> {
  const found = new Map<string, Part[]>();
  for (const chip of chips(evidence)) {
    const net = evidence.wiring.net(refOf(chip, 'SDA'));
    found.set(net, [...(found.get(net) ?? []), chip]);
  }
  return found;
}

/** Whether a resistor leads from a line to a supply. */
const pulledUp = ({ wiring }: Evidence, line: TerminalRef): boolean =>
  wiring.ends(line).some((e) => {
    const far = e.part.kind === 'resistor' && wiring.beyond(e);
    return far && wiring.nature(far) === 'supply';
  });

export const busPullUpMissing: Rule = {
  code: 'bus-pull-up-missing',
  severity: 'error',
  step: 'wire',
  title: 'A two-wire bus without pull-ups',
  bench: 'No chip answers, or each of them sometimes.',
  source: 'Open-drain lines need a resistor to the supply (I²C-bus specification UM10204).',
  find: (evidence) =>
    [...buses(evidence).values()].flatMap(([chip]): Found[] => {
      const lines = ['SDA', 'SCL'].map((t) => refOf(chip, t));
      const bare = lines.filter((line) => evidence.wiring.wired(line) && !pulledUp(evidence, line));
      if (bare.length === 0) return [];
      const supply = refOf(chip, 'VCC');
      const draft = new Draft(evidence.design);
      for (const line of bare)
        draft.between('resistor', `Pull-up ${line.split('.')[1]}`, { ohms: 4.7e3 }, supply, line);
      return [
        {
          subject: chip.id,
          title: `The bus of ${chip.name} has no pull-up`,
          reason: `No resistor leads from ${list(bare)} to a supply.`,
          about: [chip.id],
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
  step: 'wire',
  title: 'Two chips with one address on a bus',
  bench: 'Both answer at once: readings are the AND of two numbers.',
  source: 'I²C-bus specification UM10204: addresses are unique on a bus.',
  find: (evidence) =>
    [...buses(evidence).values()].flatMap((bus): Found[] => {
      const by = new Map<number, Part[]>();
      for (const chip of bus) {
        const address = paramsOf(chip)['address'];
        by.set(address, [...(by.get(address) ?? []), chip]);
      }
      return [...by]
        .filter(([, same]) => same.length > 1)
        .map(([address, same]): Found => {
          const free = free7bit(address, [...by.keys()]);
          const [, second] = same;
          return {
            subject: same.map((c) => c.id).join('+'),
            title: `${list(same.map((c) => c.name))} have one address`,
            reason: `Both answer to ${address} (0x${address.toString(16)}).`,
            about: same.map((c) => c.id),
            fix: {
              label: `${second.id} to ${free}, if it can be set so`,
              edit: { type: 'set-param', id: second.id, param: 'address', value: free },
            },
          };
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

const skills = { SDA: 'data', SCL: 'clock' } as const;

export const busPinWrong: Rule = {
  code: 'bus-pin-wrong',
  severity: 'error',
  step: 'wire',
  title: 'A bus line on a pin without bus',
  bench: 'The chip is not found.',
  source: 'Functions of the controller’s pins.',
  find: (evidence) =>
    [...buses(evidence).values()].flatMap(([chip]) =>
      (['SDA', 'SCL'] as const).flatMap((line): Found[] => {
        const pins = evidence.wiring
          .ends(refOf(chip, line))
          .filter((e) => e.terminal.role === 'pin');
        const wrong = pins.find((e) => !e.terminal.can?.includes(skills[line]));
        const other = line === 'SDA' ? 'clock' : 'data';
        if (!wrong || wrong.terminal.can?.includes(other)) return [];
        return [
          {
            subject: refOf(chip, line),
            title: `${wrong.ref} cannot be ${line}`,
            reason: `${line} of ${chip.name} is on ${wrong.ref}, which has no ${skills[line]} line.`,
            about: [chip.id, wrong.part.id],
            ...withFix(moveTo(evidence, wrong.ref, (t) => t.can?.includes(skills[line]) ?? false)),
          },
        ];
      }),
    ),
};

export const linesCrossed: Rule = {
  code: 'lines-crossed',
  severity: 'error',
  step: 'wire',
  title: 'Data and clock, or sender and sender, joined',
  bench: 'Nothing answers; a minute with the wires exchanged cures it.',
  source: 'SDA to data, SCL to clock; a sender goes to a receiver.',
  find: (evidence) => [...crossedBuses(evidence), ...crossedSerial(evidence)],
};

const crossedBuses = (evidence: Evidence): Found[] =>
  chips(evidence).flatMap((chip): Found[] => {
    const [sda, scl] = [refOf(chip, 'SDA'), refOf(chip, 'SCL')];
    const on = (ref: TerminalRef, skill: 'data' | 'clock', id: string): boolean =>
      evidence.wiring
        .ends(ref)
        .some((e) => e.part !== chip && (e.terminal.can?.includes(skill) || e.terminal.id === id));
    if (!on(sda, 'clock', 'SCL') || on(sda, 'data', 'SDA')) return [];
    const draft = new Draft(evidence.design);
    swapEnds(draft, sda, scl);
    return [
      {
        subject: chip.id,
        title: `SDA and SCL of ${chip.name} are exchanged`,
        reason: `${sda} is joined to a clock line.`,
        about: [chip.id],
        fix: { label: `Swap ${sda} and ${scl}`, edit: draft.edit('swap bus lines') },
      },
    ];
  });

const crossedSerial = (evidence: Evidence): Found[] =>
  evidence.design.parts.flatMap((part): Found[] => {
    const ids = kindOf(part).terminals.map((t) => t.id);
    if (!ids.includes('TX') || !ids.includes('RX')) return [];
    const [tx, rx] = [terminalRef(part.id, 'TX'), terminalRef(part.id, 'RX')];
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
