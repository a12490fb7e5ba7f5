import type { Element } from './element.js';
import type { PinSkill } from '../design/index.js';
import type { Params, PinState, Rating, Terminal } from './part-kind.js';

/** As good as not there, yet keeps the list of elements the same in every pin state. */
const open = 1e9;

/** A controller pin: what it is called and what it can do besides being an input or an output. */
export function controllerPin(id: string, ...can: PinSkill[]): Terminal {
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
export function pinRatings(
  pins: readonly string[],
  supply: string,
  allAmps: number,
): readonly Rating[] {
  return [
    ...pins.map((pin): Rating => ({
      id: `amps-${pin}`,
      label: `current at ${pin}`,
      unit: 'A',
      limit: (p) => p['pinAmps'],
      stress: (part) => Math.abs(part.amps[pin] ?? 0),
    })),
    ...pins.map((pin): Rating => ({
      id: `volts-${pin}`,
      label: `voltage at ${pin} above the board's own`,
      unit: 'V',
      limit: () => 0.5,
      stress: (part) => (part.volts[pin] ?? 0) - (part.volts[supply] ?? 0),
    })),
    {
      id: 'amps-pins',
      label: 'current of all pins together',
      unit: 'A',
      limit: () => allAmps,
      stress: (part) => pins.reduce((sum, pin) => sum + Math.abs(part.amps[pin] ?? 0), 0),
    },
  ];
}

/** A pin is a resistance to the upper and one to the lower rail, with a clamp diode to each. */
export function pinElements(
  pin: string,
  pinState: PinState | undefined,
  p: Params,
  supply: string,
): Element[] {
  const { mode, high } = pinState ?? { mode: 'input', high: false };
  const up =
    mode === 'output' && high
      ? p['pinOhms']
      : mode === 'pull-up'
        ? p['pullUp']
        : p['rail'] / p['leak'];
  const down = mode === 'output' && !high ? p['pinOhms'] : open;
  const clamp = { type: 'diode', saturation: 1e-14, emission: 1 } as const;
  return [
    { type: 'resistor', a: supply, b: pin, ohms: up },
    { type: 'resistor', a: pin, b: 'GND', ohms: down },
    { ...clamp, anode: pin, cathode: supply },
    { ...clamp, anode: 'GND', cathode: pin },
  ];
}
