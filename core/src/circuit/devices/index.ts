import type { Element, ElementType } from '../../catalog/index.js';
import type { System } from '../system.js';
import { bipolar } from './bipolar.js';
import { currentSource } from './current-source.js';
import type { Device, DeviceFactory } from './device.js';
import { diode } from './diode.js';
import { regulator } from './regulator.js';
import { resistor } from './resistor.js';
import { voltageSource } from './voltage-source.js';

export type { Device } from './device.js';
export { thermalVoltage } from './junction.js';

const factories: { [T in ElementType]: DeviceFactory<T> } = {
  resistor,
  'voltage-source': voltageSource,
  'current-source': currentSource,
  diode,
  bipolar,
  regulator,
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
