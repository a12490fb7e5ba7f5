import type { Element } from '../element/index.js';
import type { PinSkill } from '../design/index.js';
import type { Limit } from './limit.js';
import type { PinState, Terminal } from './part-kind.js';

/** As good as not there, yet keeps the list of elements the same in every pin state. */
const open = 1e9;

/** A controller pin: what it is called and what it can do besides being an input or an output. */
export function controllerPin<const I extends string>(
  id: I,
  ...can: PinSkill[]
): Terminal & { id: I } {
  const analogue = can.includes('analogue');
  return {
    id,
    label: id,
    role: 'pin',
    modes: [...(analogue ? (['analogue'] as const) : []), 'input', 'pull-up', 'output'],
    can,
  };
}

/** Current and voltage limits of every pin, and the current of all outputs together. */
export function pinRatings<K extends string>(
  pins: readonly K[],
  supply: K,
  allAmps: number,
): Limit<{ pinAmps: number }, K>[] {
  return [
    ...pins.map((pin) => ({ into: pin, limit: (p: { pinAmps: number }) => p.pinAmps })),
    ...pins.map((pin) => ({
      label: `voltage at ${pin} above the board's own`,
      from: pin,
      to: supply,
      limit: 0.5,
    })),
    {
      id: 'amps-pins',
      ofAllPins: true,
      label: 'current of all pins together',
      unit: 'A',
      limit: () => allAmps,
      stress: ({ amps }) => pins.reduce((sum, pin) => sum + Math.abs(amps[pin] ?? 0), 0),
    },
  ];
}

/** What a pin is made of: Ω, V and A. */
interface PinValues {
  pinOhms: number;
  pullUp: number;
  rail: number;
  leak: number;
}

/** What pins were made of before: they are switched to and fro between few states. */
const made = new WeakMap<PinValues, Map<string, readonly Element[]>>();

/** A pin is a resistance to the upper and one to the lower rail, with a clamp diode to each. */
export function pinElements(
  pin: string,
  { mode, high }: PinState = { mode: 'input', high: false },
  values: PinValues,
  supply: string,
): readonly Element[] {
  const pins = made.get(values) ?? new Map<string, readonly Element[]>();
  made.set(values, pins);
  const state = `${pin} ${mode} ${high} ${supply}`;
  const elements = pins.get(state) ?? elementsOf(pin, { mode, high }, values, supply);
  pins.set(state, elements);
  return elements;
}

function elementsOf(
  pin: string,
  { mode, high }: PinState,
  p: PinValues,
  supply: string,
): Element[] {
  const up =
    mode === 'output' && high ? p.pinOhms : mode === 'pull-up' ? p.pullUp : p.rail / p.leak;
  const down = mode === 'output' && !high ? p.pinOhms : open;
  const clamp = { type: 'diode', saturation: 1e-14, emission: 1 } as const;
  return [
    { type: 'resistor', a: supply, b: pin, ohms: up },
    { type: 'resistor', a: pin, b: 'GND', ohms: down },
    { ...clamp, anode: pin, cathode: supply },
    { ...clamp, anode: 'GND', cathode: pin },
  ];
}
