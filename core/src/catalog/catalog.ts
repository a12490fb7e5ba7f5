import type { Part } from '../design/index.js';
import { adapter } from './kinds/adapter.js';
import { leadBattery } from './kinds/lead-battery.js';
import { capacitor } from './kinds/capacitor.js';
import { comparator393 } from './kinds/comparator-393.js';
import { controller5v8bit } from './kinds/controller-5v-8bit.js';
import { electrolyticCapacitor } from './kinds/electrolytic-capacitor.js';
import { filamentLamp } from './kinds/filament-lamp.js';
import { fuse } from './kinds/fuse.js';
import { infraredEmitter } from './kinds/infrared-emitter.js';
import { led } from './kinds/led.js';
import { logicMosfet } from './kinds/logic-mosfet.js';
import { loopContact } from './kinds/loop-contact.js';
import { npnTransistor } from './kinds/npn-transistor.js';
import { photoresistor } from './kinds/photoresistor.js';
import { phototransistor } from './kinds/phototransistor.js';
import { probeRods } from './kinds/probe-rods.js';
import { pump12v } from './kinds/pump-12v.js';
import { pushButton } from './kinds/push-button.js';
import { rectifierDiode } from './kinds/rectifier-diode.js';
import { relay12v } from './kinds/relay-12v.js';
import { resistor } from './kinds/resistor.js';
import { sounder12v } from './kinds/sounder-12v.js';
import { thyristor } from './kinds/thyristor.js';
import { timer555 } from './kinds/timer-555.js';
import { trimmer } from './kinds/trimmer.js';
import { zenerDiode } from './kinds/zener-diode.js';
import type { Params, PartKind } from './part-kind.js';

/** Every part kind, in stage order. */
export const catalog: readonly PartKind[] = [
  phototransistor,
  photoresistor,
  probeRods,
  loopContact,
  pushButton,
  infraredEmitter,
  resistor,
  trimmer,
  capacitor,
  electrolyticCapacitor,
  zenerDiode,
  controller5v8bit,
  comparator393,
  timer555,
  npnTransistor,
  logicMosfet,
  thyristor,
  relay12v,
  rectifierDiode,
  sounder12v,
  filamentLamp,
  pump12v,
  led,
  adapter,
  leadBattery,
  fuse,
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
