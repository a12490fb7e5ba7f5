import { kindOf, paramsOf, restStimulus, type PinState } from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import { splitRef, type Design, type Output, type Part } from '../design/index.js';
import { outputDuty, type LogicState } from '../logic/index.js';
import { branchOf } from '../wiring/index.js';

/**
 * How every pin in use is set up and, for outputs, which way it is driven, by controller.
 *
 * @param levelOf share of the time an output is on: between 0 and 1 only its average counts
 */
export function pinStates(
  design: Design,
  levelOf: (output: Output) => number,
): Map<string, Record<string, PinState>> {
  const pins = new Map<string, Record<string, PinState>>();
  for (const { pin, mode } of design.controller.pins) {
    const { part, terminal } = splitRef(pin);
    const output = design.outputs.find((o) => o.pin === pin);
    const on = output ? levelOf(output) : 0;
    const share = output?.active === 'low' ? 1 - on : on;
    const state: PinState = { mode, high: output !== undefined && share > 0 };
    pins.set(part, {
      ...pins.get(part),
      [terminal]: share > 0 && share < 1 ? { ...state, share } : state,
    });
  }
  return pins;
}

/** Drives the pins of a circuit's controller, with the level of each output in the order of the design's outputs. */
export function turnPins(design: Design, circuit: Circuit, levels: readonly number[]): void {
  const levelOf = (output: Output): number => levels[design.outputs.indexOf(output)] ?? 0;
  for (const [part, pins] of pinStates(design, levelOf)) circuit.setState(part, { pins });
}

/** What stands at the mean of what it does while it is switched fast. */
const linear: ReadonlySet<string> = new Set(['resistor', 'capacitor', 'inductor']);

const atRest = { stimulus: restStimulus, celsius: 25, pins: {}, wired: () => true };

const isLinear = (part: Part): boolean =>
  kindOf(part)
    .elements(paramsOf(part), atRest)
    .every(({ type }) => linear.has(type));

/** How far each output is on: its share of the time where all that its pin reaches is linear, else whether it is on at all. */
export class PinLevels {
  private readonly averaged: readonly boolean[];

  constructor(private readonly design: Design) {
    this.averaged = design.outputs.map(({ pin, feeds }) => {
      const reached = new Set(branchOf(design, pin));
      const parts = design.parts.filter((p) => reached.has(p.id));
      return !feeds && parts.length > 0 && parts.every(isLinear);
    });
  }

  /** In the order of the design's outputs. */
  at(logic: LogicState, t: number): number[] {
    return this.design.outputs.map((output, i) => {
      const duty = outputDuty(logic, output, t);
      return this.averaged[i] ? duty : Number(duty > 0);
    });
  }
}
