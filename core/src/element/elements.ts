import type { System } from '../equations/index.js';
import type { Device, ElementKind } from './define-element.js';
import { battery, type BatteryElement } from './battery.js';
import { bipolar, type BipolarElement } from './bipolar.js';
import { capacitor, type CapacitorElement } from './capacitor.js';
import { comparator, type ComparatorElement } from './comparator.js';
import { conductance, type ConductanceElement } from './conductance.js';
import { contact, type ContactElement } from './contact.js';
import { switchContact, type SwitchElement } from './switch.js';
import { currentSource, type CurrentSourceElement } from './current-source.js';
import { diode, type DiodeElement } from './diode.js';
import { filament, type FilamentElement } from './filament.js';
import { fuse, type FuseElement } from './fuse.js';
import { inductor, type InductorElement } from './inductor.js';
import { level, type LevelElement } from './level.js';
import { warmUp, type WarmUpElement } from './warm-up.js';
import { limitedSource, type LimitedSourceElement } from './limited-source.js';
import { mosfet, type MosfetElement } from './mosfet.js';
import { motor, type MotorElement } from './motor.js';
import { opAmp, type OpAmpElement } from './op-amp.js';
import { productSource, type ProductSourceElement } from './product-source.js';
import { regulator, type RegulatorElement } from './regulator.js';
import { relayCoil, type RelayCoilElement } from './relay-coil.js';
import { resistor, type ResistorElement } from './resistor.js';
import { schmitt, type SchmittElement } from './schmitt.js';
import { thyristor, type ThyristorElement } from './thyristor.js';
import { timerCore, type TimerCoreElement } from './timer-core.js';
import { transconductance, type TransconductanceElement } from './transconductance.js';
import { voltageSource, type VoltageSourceElement } from './voltage-source.js';

/**
 * The electrical model of a part as data: a list of primitive elements between named nodes.
 * A node is one of the part's terminal ids, or a name of the part's own starting with "#". Units are SI.
 */
export type Element =
  | ResistorElement
  | CapacitorElement
  | InductorElement
  | VoltageSourceElement
  | LimitedSourceElement
  | CurrentSourceElement
  | TransconductanceElement
  | ProductSourceElement
  | DiodeElement
  | BipolarElement
  | MosfetElement
  | ThyristorElement
  | ComparatorElement
  | OpAmpElement
  | SchmittElement
  | TimerCoreElement
  | RegulatorElement
  | BatteryElement
  | FuseElement
  | FilamentElement
  | MotorElement
  | RelayCoilElement
  | ContactElement
  | SwitchElement
  | LevelElement
  | WarmUpElement
  | ConductanceElement;

export type ElementType = Element['type'];
export type ElementOf<T extends ElementType> = Extract<Element, { type: T }>;

const kinds: { readonly [T in ElementType]: ElementKind<ElementOf<T>> } = {
  resistor,
  capacitor,
  inductor,
  'voltage-source': voltageSource,
  'limited-source': limitedSource,
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

/** All that is to be known of the type of an element. */
export const kindOfElement = ({ type }: Element): ElementKind => kinds[type];

/** The local node names of an element. */
export function elementNodes(element: Element): string[] {
  const named = element as unknown as Readonly<Record<string, string>>;
  return kindOfElement(element).nodes.flatMap((field) => named[field] ?? []);
}

/** The same element at other nodes. */
export function withNodes(element: Element, node: (local: string) => string): Element {
  const moved: Record<string, unknown> = { ...element };
  for (const field of kindOfElement(element).nodes) moved[field] = node(moved[field] as string);
  return moved as unknown as Element;
}

/** Whether two elements are one, value by value. Hot: asked of every element of a part each time it feels something else. */
export function sameElement(a: Element, b: Element): boolean {
  if (a === b) return true;
  const [one, other] = [a, b] as unknown as Readonly<Record<string, unknown>>[];
  let fields = 0;
  for (const field in one) {
    if (!Object.is(one[field], other[field])) return false;
    fields += 1;
  }
  for (const _ in other) fields -= 1;
  return fields === 0;
}

/** The node that tells what goes on inside an element; undefined for one without. */
export function signalNode(element: Element): string | undefined {
  const { signal } = kindOfElement(element);
  return signal && (element as unknown as Readonly<Record<string, string>>)[signal];
}

/** Builds the device for an element. */
export const makeDevice = (
  element: Element,
  node: (name: string) => number,
  system: System,
): Device => kindOfElement(element).device(element, node, system);
