import { findKind, surroundings, type Quantity } from '@yurei/core/catalog';
import type { Drive } from '@yurei/core/circuit';
import type { Design, Part } from '@yurei/core/design';
import { parseQuantity, type Unit } from '@yurei/core/quantity';
import { BadInput } from './bad-input.js';

/** A parameter of a part, something it feels, or the temperature of everything. */
export interface Target {
  part: Part | undefined;
  of: Drive['of'];
  name: string;
  unit: Unit;
  min: number;
  max: number;
}

export interface SweepRange extends Target {
  from: number;
  to: number;
  points: number;
}

/** What the models hold for, °C. */
const temperature: Target = {
  part: undefined,
  of: { stimulus: 'temperature' },
  name: 'temperature',
  unit: '°C',
  min: -60,
  max: 150,
};

/** "B1.felt=0:100:51" → the target and the range. */
export function parseSweep(design: Design, text: string): SweepRange {
  const [name, range] = halves(text, '--sweep', 'PART.PARAM=from:to:points');
  const target = name === 'temperature' ? temperature : findTarget(design, name, '--sweep');
  const [from, to, count] = range.split(':');
  const points = Number(count);
  if (
    range.split(':').length !== 3 ||
    !Number.isInteger(points) ||
    points < 2 ||
    points > 100_000
  ) {
    throw new BadInput(
      `--sweep ${text}: "${range}" is not a range. Write from:to:points with 2 to 100000 points, for example 0:100:51.`,
    );
  }
  const value = (v = ''): number => withinTarget(target, v, '--sweep');
  return { ...target, from: value(from), to: value(to), points };
}

/** "S1.gap=0:0,0.01:0,0.01:1" → value against time. */
export function parseDrive(design: Design, text: string): Drive {
  const [name, list] = halves(text, '--drive', 'PART.PARAM=time:value,time:value');
  const target = findTarget(design, name, '--drive');
  const id = target.part?.id ?? '';
  const points = list.split(',').map((pair) => pair.split(':'));
  const times = points.map(([t = '']) => quantity(t, 's', '--drive'));
  const values = points.map((pair) => {
    const [, value] = pair;
    if (value === undefined || pair.length !== 2) {
      throw new BadInput(`--drive ${text}: "${pair.join(':')}" is not time:value.`);
    }
    return withinTarget(target, value, '--drive');
  });
  if (times.some((t, i) => t < 0 || t < (times[i - 1] ?? 0))) {
    throw new BadInput(`--drive ${text}: the times must not be negative and must ascend.`);
  }
  return { part: id, of: target.of, times, values };
}

/** A typed value with the option's name in front of what is wrong with it. */
export function quantity(text: string, unit: Unit, option: string): number {
  const parsed = parseQuantity(text ?? '', unit);
  if (!parsed.ok) throw new BadInput(`${option}: ${parsed.reason}`);
  return parsed.value;
}

function halves(text: string, option: string, form: string): [string, string] {
  const at = text.indexOf('=');
  if (at < 1) throw new BadInput(`${option} ${text}: write ${form}.`);
  return [text.slice(0, at), text.slice(at + 1)];
}

function findTarget(design: Design, name: string, option: string): Target {
  const dot = name.lastIndexOf('.');
  const [id, param] = [name.slice(0, Math.max(0, dot)), name.slice(dot + 1)];
  const part = design.parts.find((p) => p.id === id);
  if (!part) {
    const ids = design.parts.map((p) => p.id).join(', ');
    throw new BadInput(`${option}: there is no part "${id || name}". The design has ${ids}.`);
  }
  const kind = findKind(part.kind);
  const senses = kind?.senses?.quantities ?? [];
  // "felt" stands for the main thing that a sensor feels.
  const quantity = param === 'felt' ? senses[0] : senses.find((q) => q === param);
  if (quantity) return { part, of: { stimulus: quantity }, name, ...limitsOf(quantity) };
  const found = kind?.params.find((p) => p.id === param);
  if (!found) {
    const names = [...senses, ...(kind?.params ?? []).map((p) => p.id)];
    throw new BadInput(`${option}: ${id} has no "${param}". It has ${names.join(', ')}.`);
  }
  const { unit, min, max } = found;
  return { part, of: { param }, name, unit, min, max };
}

function limitsOf(quantity: Quantity): Pick<Target, 'unit' | 'min' | 'max'> {
  const { unit, min, max } = surroundings[quantity];
  return { unit, min, max };
}

/** °C, where the models hold. */
export const celsius = (text: string): number => withinTarget(temperature, text, '--temperature');

function withinTarget({ name, unit, min, max }: Target, text: string, option: string): number {
  const value = quantity(text, unit, option);
  if (value < min || value > max) {
    throw new BadInput(`${option}: ${name} can be ${min} to ${max}, not ${value}.`);
  }
  return value;
}
