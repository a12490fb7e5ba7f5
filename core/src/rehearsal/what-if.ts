import { findSurrounding, kindOf, type Quantity, numbersOf } from '../catalog/index.js';
import { Circuit, curveOf } from '../circuit/index.js';
import {
  applyEdit,
  consecutive,
  type Design,
  type Happening,
  type Part,
  type Scene,
} from '../design/index.js';
import { happeningSpan } from '../scene/index.js';
import { entry, preferredValues, type Unit } from '../quantity/index.js';
import { liveProbe } from './live-probe.js';
import { exactReadings, readingsIn, type Probe } from './readings.js';
import { Rig } from './rig.js';

/** What a channel would read, by the circuit alone: no noise, nothing measured. */
export interface WouldRead {
  /** The value that was tried. */
  value: number;
  /** Counts at rest; undefined when it reads nothing. */
  rest: number | undefined;
  /** Counts farthest from rest in the course of each happening. */
  during: { happening: string; name: string; intent: Happening['intent']; counts: number }[];
}

/** Moments of a happening that are looked at, as shares of its duration. */
const moments = [0.1, 0.3, 0.5, 0.7, 0.9];

/**
 * What a channel would read if a parameter of a part had other values: another load resistor, a shroud that narrows
 * what a sensor sees, another gain.
 */
export function whatIf(
  design: Design,
  scene: Scene,
  channel: string,
  { part, param, values }: { part: string; param: string; values: readonly number[] },
): WouldRead[] {
  return values.map((value) => {
    const changed = applyEdit(design, { type: 'set-param', id: part, param, value });
    return { value, ...readingsOf(changed, scene, channel) };
  });
}

/** What a channel would read of a happening in several shapes: nearer, from the side, with another surface. */
export function ifInstead(
  design: Design,
  scene: Scene,
  channel: string,
  variants: readonly { value: number; happening: Happening }[],
): WouldRead[] {
  return variants.map(({ value, happening }) => ({
    value,
    ...readingsOf(design, { ...scene, happenings: [happening] }, channel),
  }));
}

function readingsOf(design: Design, scene: Scene, channel: string): Omit<WouldRead, 'value'> {
  const rig = new Rig(design);
  const still = { ...scene, happenings: [] };
  const logic = rig.restingLogic(still);
  const read = (at: Scene, t: number): number | undefined =>
    rig.readings.counts(rig.settle(at, t, logic)).get(channel);
  const rest = read(still, 0);
  const during = scene.happenings.flatMap((happening) => {
    const { start, end } = happeningSpan(happening);
    const alone = { ...scene, happenings: [happening] };
    const counts = moments.flatMap((share) => read(alone, start + share * (end - start)) ?? []);
    if (counts.length === 0) return [];
    const far = (c: number): number => Math.abs(c - (rest ?? 0));
    const { id, name, intent } = happening;
    return [
      { happening: id, name, intent, counts: counts.reduce((a, b) => (far(b) > far(a) ? b : a)) },
    ];
  });
  return { rest, during };
}

/** How a channel's reading follows what its sensor feels, all else at rest. */
export interface Response {
  quantity: Quantity;
  label: string;
  unit: Unit;
  scale: 'linear' | 'log';
  /** Where the sensor is meant to work, in the quantity's unit. */
  operating: readonly [number, number];
  points: { stimulus: number; counts: number }[];
}

/** Over what a sensor is followed: all that it is made for, or all that can be felt. */
type Range = Omit<Response, 'points'> & { from: number; to: number };

function rangeOf(sensor: Part): Range | undefined {
  const kind = kindOf(sensor);
  const quantity = kind.senses?.quantities[0];
  if (quantity === undefined) return undefined;
  const { label = quantity, unit = '', max = 1, floor = 1e-3 } = findSurrounding(quantity) ?? {};
  const curve = curveOf(kind);
  const own = 'stimulus' in curve.vary && curve.vary.stimulus === quantity ? curve : undefined;
  const [from, to] = own ? [own.from, own.to] : [floor, max];
  const operating = own?.operating ?? [from, to];
  return { quantity, label, unit, scale: own?.scale ?? 'log', operating, from, to };
}

/** What all channels read as one sensor feels one thing or another, all else at rest. */
export class SensorSweep {
  readonly range: Range | undefined;
  private readonly circuit: Circuit;
  private readonly readings: ReturnType<typeof readingsIn>;
  private readonly probe: Probe;

  constructor(
    design: Design,
    private readonly sensor: Part,
  ) {
    this.range = rangeOf(sensor);
    this.circuit = new Circuit(design);
    this.readings = readingsIn(design);
    this.probe = liveProbe(this.circuit);
  }

  /** Counts by channel, of those that are wanted and read anything. */
  at(stimulus: number, wanted?: (channel: string) => boolean): ReadonlyMap<string, number> {
    const { circuit, range, sensor } = this;
    if (range) circuit.setState(sensor.id, { stimulus: { [range.quantity]: stimulus } });
    circuit.settle();
    return exactReadings(this.readings, this.probe, wanted);
  }

  /** Values over all of its range, evenly spread on its scale. */
  values(steps: number): number[] {
    const { from = 0, to = 0, scale = 'linear' } = this.range ?? {};
    return Array.from({ length: steps + 1 }, (_, i) =>
      scale === 'log' ? from * (to / from) ** (i / steps) : from + ((to - from) * i) / steps,
    );
  }
}

/** The reading over all that a sensor is made for; undefined for a sensor without such a curve, or without a reading. */
export function responseOf(
  design: Design,
  channel: string,
  sensor: Part,
  steps = 60,
): Response | undefined {
  const sweep = new SensorSweep(design, sensor);
  if (!sweep.range) return undefined;
  const points = sweep.values(steps).flatMap((stimulus) => {
    const counts = sweep.at(stimulus).get(channel);
    return counts === undefined ? [] : [{ stimulus, counts }];
  });
  const { from: _from, to: _to, ...told } = sweep.range;
  return points.length > 0 ? { ...told, points } : undefined;
}

/** What is felt at a count, by straight lines between the points; undefined outside them. */
export function stimulusAt(
  { points }: Pick<Response, 'points'>,
  counts: number,
): number | undefined {
  for (const [a, b] of consecutive(points)) {
    if ((a.counts - counts) * (b.counts - counts) > 0 || a.counts === b.counts) continue;
    return a.stimulus + ((b.stimulus - a.stimulus) * (counts - a.counts)) / (b.counts - a.counts);
  }
  return undefined;
}

/** The count that is read at something felt. */
export function countsAt(
  { points }: Pick<Response, 'points'>,
  stimulus: number,
): number | undefined {
  for (const [a, b] of consecutive(points)) {
    if (stimulus < a.stimulus || stimulus > b.stimulus) continue;
    return a.counts + ((b.counts - a.counts) * (stimulus - a.stimulus)) / (b.stimulus - a.stimulus);
  }
  return undefined;
}

/** The parameters of a part that may be tried: resistances, and what a sensor sees and how much it amplifies. */
export function tryable(
  part: Part,
): { id: string; label: string; value: number; values: number[] }[] {
  const params = numbersOf(kindOf(part).params, part.params);
  const { params: all, tunable = [] } = kindOf(part);
  return all
    .filter(({ id }) => tunable.includes(id))
    .map(({ id, label, unit, min = 0, max = Infinity }) => ({
      id,
      label,
      value: entry(params, id),
      values: around(entry(params, id), unit).filter((v) => v >= min && v <= max),
    }));
}

/** A decade up and down in steps of about E6; resistances that can be bought, and the present value as it is. */
function around(value: number, unit: Unit): number[] {
  const steps = factors.map((f) => (f === 1 ? value : f * value));
  if (!(value > 0)) return steps;
  const offered = unit === 'Ω' ? (v: number) => preferredValues(v).nearest : round;
  return steps.map((v) => (v === value ? v : offered(v)));
}

const factors = [0.1, 0.15, 0.22, 0.33, 0.47, 0.68, 1, 1.5, 2.2, 3.3, 4.7, 6.8, 10];
const round = (value: number): number => Number(value.toPrecision(2));
