import { at } from './solved-values.js';
import { choice } from './choice.js';
import { usualSwitchings } from './coil.js';
import { movedByContact } from './chopped.js';
import { definePart } from './define-part.js';
import { supplyLimits } from './limit.js';
import { inner, moduleElements } from './module.js';
import type { InnerPart, Inside, SolvedPart } from './part-kind.js';
import { led } from './kinds/led.js';
import { npnTransistor } from './kinds/npn-transistor.js';
import { optocoupler } from './kinds/optocoupler.js';
import { rectifierDiode } from './kinds/rectifier-diode.js';
import { relay12v } from './kinds/relay-12v.js';
import { resistor } from './kinds/resistor.js';

/** A small 5 V relay, as the 12 V kind with other numbers. */
const relay5v = { volts: 5, ohms: 70, henries: 0.1, pullIn: 3.75, dropOut: 0.5 };

const channelParts = (n: number): InnerPart[] => [
  inner(`R${n}1`, `Input resistor ${n}`, resistor, { ohms: 1000 }),
  inner(`H${n}`, `Channel lamp ${n}`, led),
  inner(`U${n}`, `Optocoupler ${n}`, optocoupler),
  inner(`R${n}2`, `Base resistor ${n}`, resistor, { ohms: 1000 }),
  inner(`R${n}3`, `Base pull-down ${n}`, resistor, { ohms: 10e3 }),
  inner(`Q${n}`, `Transistor ${n}`, npnTransistor),
  inner(`D${n}`, `Coil diode ${n}`, rectifierDiode),
  inner(`K${n}`, `Relay ${n}`, relay12v, relay5v),
];

/** The input drives the optocoupler's LED from the supply, when low, or into ground, when high. */
const channelWires = (n: number, low: boolean): [string, string][] => [
  ...((low
    ? [
        ['VCC', `R${n}1.a`],
        [`U${n}.k`, `IN${n}`],
      ]
    : [
        [`IN${n}`, `R${n}1.a`],
        [`U${n}.k`, 'GND'],
      ]) as [string, string][]),
  [`R${n}1.b`, `H${n}.a`],
  [`H${n}.k`, `U${n}.a`],
  ['VCC', `U${n}.c`],
  [`U${n}.e`, `R${n}2.a`],
  [`R${n}2.b`, `Q${n}.b`],
  [`Q${n}.b`, `R${n}3.a`],
  [`R${n}3.b`, 'GND'],
  [`Q${n}.e`, 'GND'],
  [`Q${n}.c`, `K${n}.minus`],
  ['VCC', `K${n}.plus`],
  [`K${n}.minus`, `D${n}.a`],
  [`D${n}.k`, 'VCC'],
  [`COM${n}`, `K${n}.com`],
  [`NO${n}`, `K${n}.no`],
  [`NC${n}`, `K${n}.nc`],
];

/** A board of relays, each with optocoupler, transistor, diode and lamp. */
export function relayBoard(channels: 1 | 2 | 4 | 8) {
  const numbers = Array.from({ length: channels }, (_, i) => i + 1);
  const inside: Inside<{ active: 'low' | 'high' }> = {
    parts: () => numbers.flatMap(channelParts),
    wires: (p) => numbers.flatMap((n) => channelWires(n, p.active === 'low')),
  };
  const contacts = numbers.flatMap((n) =>
    (['COM', 'NO', 'NC'] as const).map((name) => {
      const id = `${name}${n}` as const;
      return { id, label: id, role: 'contact', optional: true } as const;
    }),
  );
  const pulled = (part: Pick<SolvedPart, 'volts'>): number[] =>
    numbers.filter((n) => at(part, `#K${n}#armature`) > 0.5);
  return definePart({
    kind: `relay-board-${channels}`,
    label: `Relay board, ${channels} channel${channels > 1 ? 's' : ''}`,
    summary: `${channels === 1 ? 'A relay' : `${channels} relays`} with optocoupler, transistor and diode: a pin switches what a pin cannot.`,
    prefix: 'K',
    words: [
      'relay',
      'board',
      'module',
      'switch',
      'load',
      'isolated',
      'mains',
      `${channels} channel`,
    ],
    stage: 'drives',
    // The smallest is enough for one thing.
    ...(channels === 1
      ? { answers: { by: 'switch', named: 'Relay', params: { active: 1 } } as const }
      : {}),
    terminals: [
      { id: 'VCC', label: 'VCC', role: 'supply-in' },
      { id: 'GND', label: 'GND', role: 'ground' },
      ...numbers.map((n) => {
        const id = `IN${n}` as const;
        return { id, label: id, role: 'signal-in', optional: true } as const;
      }),
      ...contacts,
    ],
    params: [
      choice('active', 'Pulls in when its input is', ['low', 'high'], 'low'),
      { id: 'maxAmps', label: 'Contact rating', unit: 'A', default: 10, min: 0.1, max: 40 },
    ],
    feed: { plus: 'VCC', minus: 'GND', least: () => 4.5 },
    ratings: [
      ...supplyLimits('VCC', 'GND', 5.5, 0.5),
      ...numbers.map((n) => ({
        into: `COM${n}` as const,
        limit: (p: { maxAmps: number }) => p.maxAmps,
      })),
    ],
    inside,
    elements: (p, state) => moduleElements(inside, p, state),
    phases: [
      { label: 'at rest', amps: () => 0 },
      { label: 'all pulled in', amps: () => 0.075 * channels },
    ],
    contacts: numbers.map((n) => ({
      terminals: [`COM${n}`, `NO${n}`, `NC${n}`] as const,
      movedBy: `IN${n}` as const,
      maxAmps: (p: { maxAmps: number }) => p.maxAmps,
    })),
    switchings: usualSwitchings,
    headline: (p) => (p.active === 'low' ? 'low-active' : 'high-active'),
    relays: (part) => {
      const on = pulled(part);
      return Object.fromEntries(numbers.map((n) => [`relay ${n}`, on.includes(n)]));
    },
    acts: {
      word: 'pulled in',
      does: 'switches',
      active: (part) => pulled(part).length > 0,
      because: (part) => {
        const on = pulled(part);
        return on.length > 0
          ? `Relay ${on.join(', ')} of ${channels} pulled in`
          : `None of its ${channels} relays is pulled in`;
      },
    },
    curve: {
      vary: { plus: 'IN1', minus: 'GND' },
      from: 0,
      to: 5,
      scale: 'linear',
      operating: [0, 5],
      feeds: [['VCC', 'GND', 5]],
      reads: { amps: 'VCC' },
    },
    chopped: movedByContact,
    notes: [
      'Most of these boards are low-active: the relay pulls in when the pin is low, also for a moment at power-up.',
      'A 3.3 V pin does not quite switch a low-active 5 V input off: the optocoupler’s lamp keeps glowing.',
      'Each relay takes about 75 mA at 5 V: not from a controller’s own regulator.',
      'NO closes when it pulls in, NC opens. Decide what a dead supply should do.',
    ],
    cautions: [
      'Mains on relay contacts can kill and can burn the house: keep it inside an approved, closed relay module or plug-in unit, fused; follow local codes and leave it to a licensed electrician.',
    ],
    source:
      'The circuit inside, solved; 1 kΩ, 817-type optocoupler, 70 Ω coil as usual on such boards (from memory).',
    price: channels < 4 ? '1 to 5' : '5 to 20',
    glyph: 'M2 4H22V20H2ZM5 8H11V16H5ZM8 8V4M8 16V20M15 8V11L19 15M17 20V16M11 12H14',
  });
}
