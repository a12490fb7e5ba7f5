import type { PinState } from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import { splitRef, type Design, type Output } from '../design/index.js';
import { outputDuty, type LogicState } from '../logic/index.js';

/** How every pin in use is set up and, for outputs, which way it is driven, by controller. */
export function pinStates(
  design: Design,
  isOn: (output: Output) => boolean,
): Map<string, Record<string, PinState>> {
  const pins = new Map<string, Record<string, PinState>>();
  for (const { pin, mode } of design.controller.pins) {
    const { part, terminal } = splitRef(pin);
    const output = design.outputs.find((o) => o.pin === pin);
    const high = output ? isOn(output) === (output.active === 'high') : false;
    pins.set(part, { ...pins.get(part), [terminal]: { mode, high } });
  }
  return pins;
}

/** Share of the time that each output is on, in so many steps. */
export const dutySteps = (
  { outputs }: Design,
  logic: LogicState,
  t: number,
  steps: number,
): number[] => outputs.map((o) => Math.round(outputDuty(logic, o, t) * steps) / steps);

/** Drives the pins of a circuit's controller, with each output on or off in the order of the design's outputs. */
export function turnPins(design: Design, circuit: Circuit, on: readonly boolean[]): void {
  const isOn = (output: Output): boolean => on[design.outputs.indexOf(output)] ?? false;
  for (const [part, pins] of pinStates(design, isOn)) circuit.setState(part, { pins });
}
