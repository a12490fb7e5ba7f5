import type { Part } from '../design/index.js';
import { adapter } from './kinds/adapter.js';
import { controller5v8bit } from './kinds/controller-5v-8bit.js';
import { infraredEmitter } from './kinds/infrared-emitter.js';
import { led } from './kinds/led.js';
import { npnTransistor } from './kinds/npn-transistor.js';
import { photoresistor } from './kinds/photoresistor.js';
import { phototransistor } from './kinds/phototransistor.js';
import { rectifierDiode } from './kinds/rectifier-diode.js';
import { resistor } from './kinds/resistor.js';
import { sounder12v } from './kinds/sounder-12v.js';
import type { Params, PartKind } from './part-kind.js';

/** Every part kind, in stage order. */
export const catalog: readonly PartKind[] = [
  phototransistor,
  photoresistor,
  infraredEmitter,
  resistor,
  controller5v8bit,
  npnTransistor,
  rectifierDiode,
  sounder12v,
  led,
  adapter,
];

const byName = new Map(catalog.map((kind) => [kind.kind, kind]));

/** The kind of that name, if there is one. */
export const findKind = (kind: string): PartKind | undefined => byName.get(kind);

/**
 * The kind of a part.
 *
 * @throws RangeError for a kind that is not in the catalogue; documents are checked for that on reading
 */
export function kindOf(part: Pick<Part, 'kind'>): PartKind {
  const kind = byName.get(part.kind);
  if (!kind) throw new RangeError(`There is no part kind "${part.kind}" in the catalogue.`);
  return kind;
}

/** A part's parameters with the kind's defaults filled in. */
export function paramsOf(part: Part): Params {
  const defaults = kindOf(part).params.map((p) => [p.id, p.default] as const);
  return { ...Object.fromEntries(defaults), ...part.params };
}
