import { CannotBuild } from '../blocks/index.js';
import { channelReader, kindOf, paramsOf } from '../catalog/index.js';
import { Circuit } from '../circuit/index.js';
import {
  splitRef,
  type Channel,
  type Design,
  type Part,
  type TerminalRef,
} from '../design/index.js';
import { wiringOf, type Draft } from '../wiring/index.js';

/** The line of a channel as a comparator would have it. */
export interface VoltLine {
  /** V. */
  trip: number;
  width: number;
  /** Where the channel tells rules yes. */
  high: 'above' | 'below';
}

/** A comparator has at least so much hysteresis, V: less takes a resistor that is as good as none. */
const leastWidth = 0.02;

/**
 * What a channel's line is in volts at its pin, with the circuit at rest.
 *
 * @throws CannotBuild for what takes a program to tell: a number over a bus, a baseline that is learnt, either side of one
 */
export function lineInVolts(design: Design, channel: Channel): VoltLine {
  const { name, pin, trips, threshold, hysteresis, invert, baseline } = channel;
  const reader = channelReader(design, pin);
  const part = controllerAt(design, pin);
  if (!reader || reader.by === 'readout' || !part)
    throw new CannotBuild(`${name} is read as a number, not as a voltage: a comparator has none.`);
  if (trips === 'away' || baseline)
    throw new CannotBuild(`${name} is measured from a baseline: a comparator learns none.`);
  const volts =
    reader.by === 'level' ? railOf(part) : referenceVolts(design, part, reader.reference);
  return {
    trip: (volts * threshold) / reader.full,
    width: Math.max(leastWidth, (volts * hysteresis) / reader.full),
    high: (trips === 'above') === (invert === true) ? 'below' : 'above',
  };
}

/** Whose pin it is. */
export const controllerAt = (design: Design, pin: TerminalRef): Part | undefined =>
  design.parts.find((p) => p.id === splitRef(pin).part);

/** What the pins of a controller work at, V. */
export const railOf = (board: Part): number => kindOf(board).inputs?.nominal(paramsOf(board)) ?? 5;

type Reference = Extract<ReturnType<typeof channelReader>, { by: 'converter' }>['reference'];

/** What a converter takes for its full range, with the circuit at rest, V. */
export function referenceVolts(design: Design, { id }: Part, reference: Reference): number {
  const circuit = new Circuit(design);
  circuit.solve();
  return reference(circuit.values(id).update());
}

/**
 * Takes a pin off its net, of which the rest stays together.
 *
 * @returns a terminal of the rest
 * @throws CannotBuild where the pin is joined to nothing
 */
export function freed(draft: Draft, pin: TerminalRef): TerminalRef {
  const other = wiringOf(draft.design)
    .ends(pin)
    .find(({ part }) => part.id !== splitRef(pin).part);
  if (!other) throw new CannotBuild(`${pin} is joined to nothing.`);
  draft.rewire(pin, other.ref);
  return other.ref;
}
