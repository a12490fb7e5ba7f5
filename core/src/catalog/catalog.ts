import type { Part } from '../design/index.js';
import { activeBuzzer } from './kinds/active-buzzer.js';
import { adapter } from './kinds/adapter.js';
import { bell } from './kinds/bell.js';
import { cable } from './kinds/cable.js';
import { capacitor } from './kinds/capacitor.js';
import { comparator393 } from './kinds/comparator-393.js';
import { controller5v8bit } from './kinds/controller-5v-8bit.js';
import { darlingtonChannel } from './kinds/darlington-channel.js';
import { electrolyticCapacitor } from './kinds/electrolytic-capacitor.js';
import { filamentLamp } from './kinds/filament-lamp.js';
import { fuse } from './kinds/fuse.js';
import { halfBridge } from './kinds/half-bridge.js';
import { inductor } from './kinds/inductor.js';
import { infraredEmitter } from './kinds/infrared-emitter.js';
import { latchingRelay } from './kinds/latching-relay.js';
import { leadBattery } from './kinds/lead-battery.js';
import { led } from './kinds/led.js';
import { levelShifter } from './kinds/level-shifter.js';
import { linearRegulator } from './kinds/linear-regulator.js';
import { logicMosfet } from './kinds/logic-mosfet.js';
import { loopContact } from './kinds/loop-contact.js';
import { npnTransistor } from './kinds/npn-transistor.js';
import { opAmp } from './kinds/op-amp.js';
import { optocoupler } from './kinds/optocoupler.js';
import { pMosfet } from './kinds/p-mosfet.js';
import { photodiode } from './kinds/photodiode.js';
import { photoresistor } from './kinds/photoresistor.js';
import { phototransistor } from './kinds/phototransistor.js';
import { piezoBuzzer } from './kinds/piezo-buzzer.js';
import { pnpTransistor } from './kinds/pnp-transistor.js';
import { probeRods } from './kinds/probe-rods.js';
import { pump12v } from './kinds/pump-12v.js';
import { pushButton } from './kinds/push-button.js';
import { rectifierDiode } from './kinds/rectifier-diode.js';
import { reedContact } from './kinds/reed-contact.js';
import { relay12v } from './kinds/relay-12v.js';
import { resistor } from './kinds/resistor.js';
import { schmittInverter } from './kinds/schmitt-inverter.js';
import { schottkyDiode } from './kinds/schottky-diode.js';
import { solarPanel } from './kinds/solar-panel.js';
import { solenoid } from './kinds/solenoid.js';
import { sounder12v } from './kinds/sounder-12v.js';
import { switchingRegulator } from './kinds/switching-regulator.js';
import { thyristor } from './kinds/thyristor.js';
import { timer555 } from './kinds/timer-555.js';
import { trimmer } from './kinds/trimmer.js';
import { voltageReference } from './kinds/voltage-reference.js';
import { zenerDiode } from './kinds/zener-diode.js';
import type { Params, PartKind } from './part-kind.js';

/** Every part kind, in stage order. */
export const catalog: readonly PartKind[] = [
  phototransistor,
  photoresistor,
  photodiode,
  reedContact,
  probeRods,
  loopContact,
  pushButton,
  infraredEmitter,
  resistor,
  trimmer,
  capacitor,
  electrolyticCapacitor,
  inductor,
  voltageReference,
  optocoupler,
  opAmp,
  levelShifter,
  cable,
  zenerDiode,
  controller5v8bit,
  comparator393,
  timer555,
  schmittInverter,
  npnTransistor,
  pnpTransistor,
  logicMosfet,
  pMosfet,
  darlingtonChannel,
  halfBridge,
  thyristor,
  relay12v,
  latchingRelay,
  rectifierDiode,
  schottkyDiode,
  sounder12v,
  activeBuzzer,
  piezoBuzzer,
  bell,
  filamentLamp,
  pump12v,
  solenoid,
  led,
  adapter,
  leadBattery,
  solarPanel,
  linearRegulator,
  switchingRegulator,
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
