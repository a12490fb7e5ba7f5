import { choice } from './choice.js';
import type { Element } from '../element/index.js';
import type { Param, ValuesOf } from './part-kind.js';
import { constant, yesNo } from './sensor-output.js';

/** The capacitor that holds a motion detector's output, F; only its product with a resistance shows. */
const holding = 1e-6;
/** Shares of the inner supply at which the output goes high and low. */
const rising = 0.6;
const falling = 0.3;
/** What a diode leaves of the high level on the capacitor that blocks. */
const remembered = 0.85;
/** Inner supply, which is also the output's high level, V. */
const inner = 3.3;

/** Hold time, block time, retriggering and warm-up of a motion detector. */
export const holdParams = (hold: number, warmUp: number) =>
  [
    {
      id: 'hold',
      label: 'Hold time',
      unit: 's',
      default: hold,
      min: 0.1,
      max: 600,
      usual: [0.3, 300],
    },
    { id: 'block', label: 'Blocked after it', unit: 's', default: 2.5, min: 0.01, max: 30 },
    choice('retrigger', 'Triggers', ['once, then waits', 'again while held'], 'again while held'),
    { id: 'warmUp', label: 'Warm-up', unit: 's', default: warmUp, min: 0.1, max: 600 },
  ] as const satisfies readonly Param[];

/**
 * The output stage of a motion detector, in its own circuit: a hit charges a capacitor at once, which then
 * empties through a resistor; the output is high while it is full. After the output has fallen, hits are
 * blocked for a while; without retriggering they are blocked while it is high too. Before it has warmed up no
 * hit counts. Supplied from VCC through a 3.3 V regulator; ground is GND, the output OUT.
 *
 * @param signal signal node that is above 1 while there is motion
 */
export function holdOutput(signal: string, p: HoldValues): readonly Element[] {
  const known = stages.get(p) ?? new Map<string, readonly Element[]>();
  const stage = known.get(signal) ?? holdStage(signal, p);
  stages.set(p, known.set(signal, stage));
  return stage;
}

type HoldValues = ValuesOf<ReturnType<typeof holdParams>>;

/** Stages made before: nothing that is sensed changes them, so they are made once for the same values. */
const stages = new WeakMap<HoldValues, Map<string, readonly Element[]>>();

function holdStage(signal: string, p: HoldValues): Element[] {
  const through = { type: 'contact', ohms: 10, bounce: 0 } as const;
  // Never closed when it may retrigger.
  const whileHigh = p.retrigger === 'again while held' ? 1e9 : inner / 2;
  const rail = { supply: '#rail', ground: 'GND' } as const;
  const gate = { type: 'schmitt', ...rail, inverts: false, rising, falling } as const;
  return [
    {
      type: 'regulator',
      input: 'VCC',
      output: '#rail',
      ground: 'GND',
      volts: inner,
      dropOut: 0.2,
      outputOhms: 1,
      quiescent: 50e-6,
    },
    { type: 'capacitor', a: '#rail', b: 'GND', farads: 1e-6 },
    {
      type: 'warm-up',
      plus: '#rail',
      minus: 'GND',
      node: '#warm',
      volts: 3,
      up: p.warmUp,
      down: 5,
    },
    constant('#one', 1),
    yesNo({
      ...rail,
      signal,
      limit: '#one',
      output: '#hit',
      hysteresis: 0.02,
      stage: 'push-pull',
      whenOver: 'high',
    }),
    { ...through, a: '#rail', b: '#a', control: '#hit', rests: 'open', on: 1.5, off: 1 },
    // One time constant of warming.
    { ...through, a: '#a', b: '#b', control: '#warm', rests: 'open', on: 0.63, off: 0.4 },
    { ...through, a: '#b', b: '#full', control: '#blocked', rests: 'closed', on: 1.5, off: 1 },
    { type: 'capacitor', a: '#full', b: 'GND', farads: holding },
    { type: 'resistor', a: '#full', b: 'GND', ohms: p.hold / (holding * Math.log(1 / falling)) },
    { ...gate, input: '#full', output: '#high', ohms: 100, delay: 1e-3 },
    { type: 'resistor', a: '#high', b: 'OUT', ohms: 220 },
    // What it remembers of having been high, for as long as it blocks.
    { type: 'diode', anode: '#high', cathode: '#past', saturation: 1e-9, emission: 1.5 },
    { type: 'capacitor', a: '#past', b: 'GND', farads: holding },
    {
      type: 'resistor',
      a: '#past',
      b: 'GND',
      ohms: p.block / (holding * Math.log(remembered / falling)),
    },
    { ...gate, input: '#past', output: '#was', ohms: 100, delay: 1e-3 },
    { ...through, a: '#was', b: '#blocked', control: '#high', rests: 'closed', on: 1.5, off: 1 },
    {
      ...through,
      a: '#was',
      b: '#blocked',
      control: '#high',
      rests: 'open',
      on: whileHigh,
      off: whileHigh,
    },
    { type: 'resistor', a: '#blocked', b: 'GND', ohms: 100e3 },
  ];
}
