import type { Element, ElementType } from '../../catalog/index.js';
import type { System } from '../system.js';
import { battery } from './battery.js';
import { bipolar } from './bipolar.js';
import { capacitor } from './capacitor.js';
import { comparator } from './comparator.js';
import { conductance } from './conductance.js';
import { contact, switchContact } from './contact.js';
import { currentSource } from './current-source.js';
import type { Device, DeviceFactory } from './device.js';
import { diode } from './diode.js';
import { filament } from './filament.js';
import { fuse } from './fuse.js';
import { inductor } from './inductor.js';
import { level, warmUp } from './level.js';
import { mosfet } from './mosfet.js';
import { motor } from './motor.js';
import { opAmp } from './op-amp.js';
import { productSource } from './product-source.js';
import { regulator } from './regulator.js';
import { relayCoil } from './relay-coil.js';
import { resistor } from './resistor.js';
import { schmitt } from './schmitt.js';
import { thyristor } from './thyristor.js';
import { timerCore } from './timer-core.js';
import { transconductance } from './transconductance.js';
import { voltageSource } from './voltage-source.js';

export type { Device, Switching } from './device.js';
export { thermalVoltage } from './junction.js';

const factories: { [T in ElementType]: DeviceFactory<T> } = {
  resistor,
  capacitor,
  inductor,
  'voltage-source': voltageSource,
  'current-source': currentSource,
  transconductance,
  'product-source': productSource,
  diode,
  bipolar,
  mosfet,
  thyristor,
  comparator,
  'op-amp': opAmp,
  schmitt,
  'timer-core': timerCore,
  regulator,
  battery,
  fuse,
  filament,
  motor,
  'relay-coil': relayCoil,
  contact,
  switch: switchContact,
  level,
  'warm-up': warmUp,
  conductance,
};

/** Builds the device for an element. */
export function makeDevice(
  element: Element,
  node: (name: string) => number,
  system: System,
): Device {
  const factory = factories[element.type] as DeviceFactory<typeof element.type>;
  return factory(element as never, node, system) as Device;
}
