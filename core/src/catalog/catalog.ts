import type { Part } from '../design/index.js';
import { accelerometer } from './kinds/accelerometer.js';
import { activeBuzzer } from './kinds/active-buzzer.js';
import { adapter } from './kinds/adapter.js';
import { alkalinePack } from './kinds/alkaline-pack.js';
import { audioPlayer } from './kinds/audio-player.js';
import { bell } from './kinds/bell.js';
import { bridgeAmplifier } from './kinds/bridge-amplifier.js';
import { cable } from './kinds/cable.js';
import { capacitor } from './kinds/capacitor.js';
import { characterDisplay } from './kinds/character-display.js';
import { chip8bit40pin } from './kinds/chip-8bit-40pin.js';
import { comparator393 } from './kinds/comparator-393.js';
import { controller5v8bit } from './kinds/controller-5v-8bit.js';
import { darlingtonChannel } from './kinds/darlington-channel.js';
import { dopplerModule } from './kinds/doppler-module.js';
import { electrolyticCapacitor } from './kinds/electrolytic-capacitor.js';
import { fan12v } from './kinds/fan-12v.js';
import { filamentLamp } from './kinds/filament-lamp.js';
import { flameReceiver } from './kinds/flame-receiver.js';
import { floatSwitch } from './kinds/float-switch.js';
import { flowSensor } from './kinds/flow-sensor.js';
import { forceFilm } from './kinds/force-film.js';
import { fuse } from './kinds/fuse.js';
import { gasAir } from './kinds/gas-air.js';
import { gasAlcohol } from './kinds/gas-alcohol.js';
import { gasCombustible } from './kinds/gas-combustible.js';
import { gasModuleAir } from './kinds/gas-module-air.js';
import { gasModuleAlcohol } from './kinds/gas-module-alcohol.js';
import { gasModuleCombustible } from './kinds/gas-module-combustible.js';
import { gasModuleMonoxide } from './kinds/gas-module-monoxide.js';
import { gasMonoxide } from './kinds/gas-monoxide.js';
import { halfBridge } from './kinds/half-bridge.js';
import { hallBipolar } from './kinds/hall-bipolar.js';
import { hallLatch } from './kinds/hall-latch.js';
import { hallSwitch } from './kinds/hall-switch.js';
import { headingSensor } from './kinds/heading-sensor.js';
import { inductor } from './kinds/inductor.js';
import { infraredEmitter } from './kinds/infrared-emitter.js';
import { keypad } from './kinds/keypad.js';
import { laserSpot } from './kinds/laser-spot.js';
import { latchingRelay } from './kinds/latching-relay.js';
import { leadBattery } from './kinds/lead-battery.js';
import { led } from './kinds/led.js';
import { levelShifter } from './kinds/level-shifter.js';
import { levelStrip } from './kinds/level-strip.js';
import { lightProximityChip } from './kinds/light-proximity-chip.js';
import { linearHall } from './kinds/linear-hall.js';
import { linearRegulator } from './kinds/linear-regulator.js';
import { lithiumCell } from './kinds/lithium-cell.js';
import { loadCell } from './kinds/load-cell.js';
import { logicMosfet } from './kinds/logic-mosfet.js';
import { loopContact } from './kinds/loop-contact.js';
import { magneticLock } from './kinds/magnetic-lock.js';
import { matCapacitor } from './kinds/mat-capacitor.js';
import { memoryCard } from './kinds/memory-card.js';
import { modulatedEmitter } from './kinds/modulated-emitter.js';
import { modulatedReceiver } from './kinds/modulated-receiver.js';
import { networkMessage } from './kinds/network-message.js';
import { npnTransistor } from './kinds/npn-transistor.js';
import { ntc } from './kinds/ntc.js';
import { opAmp } from './kinds/op-amp.js';
import { optocoupler } from './kinds/optocoupler.js';
import { pMosfet } from './kinds/p-mosfet.js';
import { photodiode } from './kinds/photodiode.js';
import { photoresistor } from './kinds/photoresistor.js';
import { phototransistor } from './kinds/phototransistor.js';
import { piezoBuzzer } from './kinds/piezo-buzzer.js';
import { piezoDisc } from './kinds/piezo-disc.js';
import { pnpTransistor } from './kinds/pnp-transistor.js';
import { pressureLevel } from './kinds/pressure-level.js';
import { probeRods } from './kinds/probe-rods.js';
import { pump12v } from './kinds/pump-12v.js';
import { pushButton } from './kinds/push-button.js';
import { pyroelectricModule } from './kinds/pyroelectric-module.js';
import { radioBoard3v3 } from './kinds/radio-board-3v3.js';
import { radioLink } from './kinds/radio-link.js';
import { rainModule } from './kinds/rain-module.js';
import { rainPad } from './kinds/rain-pad.js';
import { realTimeClock } from './kinds/real-time-clock.js';
import { recordedSensor } from './kinds/recorded-sensor.js';
import { rectifierDiode } from './kinds/rectifier-diode.js';
import { reedContact } from './kinds/reed-contact.js';
import { reflectiveModule } from './kinds/reflective-module.js';
import { reflectivePair } from './kinds/reflective-pair.js';
import { relay12v } from './kinds/relay-12v.js';
import { relayBoard1 } from './kinds/relay-board-1.js';
import { relayBoard2 } from './kinds/relay-board-2.js';
import { relayBoard4 } from './kinds/relay-board-4.js';
import { relayBoard8 } from './kinds/relay-board-8.js';
import { resistor } from './kinds/resistor.js';
import { rgbLed } from './kinds/rgb-led.js';
import { rotaryKnob } from './kinds/rotary-knob.js';
import { schmittInverter } from './kinds/schmitt-inverter.js';
import { schottkyDiode } from './kinds/schottky-diode.js';
import { servo } from './kinds/servo.js';
import { signalGenerator } from './kinds/signal-generator.js';
import { smallComputer3v3 } from './kinds/small-computer-3v3.js';
import { smallMotor } from './kinds/small-motor.js';
import { smokeChamber } from './kinds/smoke-chamber.js';
import { soilProbe } from './kinds/soil-probe.js';
import { solarPanel } from './kinds/solar-panel.js';
import { solenoid } from './kinds/solenoid.js';
import { soundLevelModule } from './kinds/sound-level-module.js';
import { soundModule } from './kinds/sound-module.js';
import { sounder12v } from './kinds/sounder-12v.js';
import { speaker } from './kinds/speaker.js';
import { strip12v } from './kinds/strip-12v.js';
import { stripAddressable } from './kinds/strip-addressable.js';
import { mainsAppliance } from './kinds/mains-appliance.js';
import { strobe } from './kinds/strobe.js';
import { supervisedContact } from './kinds/supervised-contact.js';
import { switchingRegulator } from './kinds/switching-regulator.js';
import { tagReader } from './kinds/tag-reader.js';
import { tagReaderBus } from './kinds/tag-reader-bus.js';
import { temperatureChip } from './kinds/temperature-chip.js';
import { temperatureHumidityChip } from './kinds/temperature-humidity-chip.js';
import { thyristor } from './kinds/thyristor.js';
import { tiltSwitch } from './kinds/tilt-switch.js';
import { timer555 } from './kinds/timer-555.js';
import { toggleSwitch } from './kinds/toggle-switch.js';
import { touchModule } from './kinds/touch-module.js';
import { touchPad } from './kinds/touch-pad.js';
import { trimmer } from './kinds/trimmer.js';
import { ultrasonicRanger } from './kinds/ultrasonic-ranger.js';
import { valve12v } from './kinds/valve-12v.js';
import { vibrationSwitch } from './kinds/vibration-switch.js';
import { voltageReference } from './kinds/voltage-reference.js';
import { windowFoil } from './kinds/window-foil.js';
import { zenerDiode } from './kinds/zener-diode.js';
import type { Params, PartKind, Terminal } from './part-kind.js';
import { valuesOf } from './values-of.js';
import { surroundings, type Quantity, type Surrounding } from './surroundings.js';

/** Every part kind, in stage order. */
export const catalog: readonly PartKind[] = [
  phototransistor,
  photoresistor,
  photodiode,
  flameReceiver,
  reflectivePair,
  reflectiveModule,
  infraredEmitter,
  modulatedEmitter,
  modulatedReceiver,
  laserSpot,
  lightProximityChip,
  pyroelectricModule,
  dopplerModule,
  ultrasonicRanger,
  tiltSwitch,
  accelerometer,
  headingSensor,
  touchModule,
  touchPad,
  forceFilm,
  matCapacitor,
  loadCell,
  pushButton,
  toggleSwitch,
  rotaryKnob,
  keypad,
  hallSwitch,
  hallBipolar,
  hallLatch,
  linearHall,
  reedContact,
  tagReader,
  tagReaderBus,
  temperatureChip,
  ntc,
  temperatureHumidityChip,
  gasCombustible,
  gasAlcohol,
  gasMonoxide,
  gasAir,
  gasModuleCombustible,
  gasModuleAlcohol,
  gasModuleMonoxide,
  gasModuleAir,
  smokeChamber,
  soundModule,
  soundLevelModule,
  piezoDisc,
  vibrationSwitch,
  rainPad,
  rainModule,
  probeRods,
  floatSwitch,
  levelStrip,
  pressureLevel,
  soilProbe,
  flowSensor,
  loopContact,
  windowFoil,
  supervisedContact,
  signalGenerator,
  recordedSensor,
  resistor,
  trimmer,
  capacitor,
  electrolyticCapacitor,
  inductor,
  voltageReference,
  optocoupler,
  opAmp,
  bridgeAmplifier,
  levelShifter,
  realTimeClock,
  cable,
  zenerDiode,
  controller5v8bit,
  chip8bit40pin,
  radioBoard3v3,
  smallComputer3v3,
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
  relayBoard1,
  relayBoard2,
  relayBoard4,
  relayBoard8,
  rectifierDiode,
  schottkyDiode,
  sounder12v,
  activeBuzzer,
  piezoBuzzer,
  bell,
  audioPlayer,
  speaker,
  filamentLamp,
  strobe,
  mainsAppliance,
  strip12v,
  stripAddressable,
  led,
  rgbLed,
  characterDisplay,
  pump12v,
  fan12v,
  smallMotor,
  servo,
  solenoid,
  valve12v,
  magneticLock,
  radioLink,
  networkMessage,
  memoryCard,
  adapter,
  leadBattery,
  alkalinePack,
  lithiumCell,
  solarPanel,
  linearRegulator,
  switchingRegulator,
  fuse,
];

const byName = new Map(catalog.map((kind) => [kind.kind, kind]));

/** The kind of that name, if there is one. */
export const findKind = (kind: string): PartKind | undefined => byName.get(kind);

/**
 * The two terminals of a kind that stands between two points.
 *
 * @throws RangeError for a kind that is not in the catalogue, or has fewer
 */
export function endsOf(kind: string): [Terminal, Terminal] {
  const [first, second] = findKind(kind)?.terminals ?? [];
  if (!first || !second)
    throw new RangeError(`There is no part kind "${kind}" with two terminals.`);
  return [first, second];
}

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

/** Parameters by part; a part is never changed, another one takes its place. */
const filledIn = new WeakMap<Part, Params>();

/** A part's parameters with the kind's defaults filled in; worked out once. */
export function paramsOf(part: Part): Params {
  const known = filledIn.get(part);
  if (known) return known;
  const params = Object.freeze(valuesOf(kindOf(part).params, part.params));
  filledIn.set(part, params);
  return params;
}

/**
 * A parameter of a part that is a number.
 *
 * @throws RangeError when it has none of that name
 */
export function paramOf(part: Part, id: string): number {
  const value = paramsOf(part)[id];
  if (typeof value !== 'number') throw new RangeError(`${part.id} has no number “${id}”.`);
  return value;
}

/** Whether it matters where such a part stands and which way it looks. */
export const hasPlace = ({ senses, emits, radio }: PartKind): boolean =>
  emits !== undefined ||
  radio !== undefined ||
  (senses?.quantities ?? []).some((q) => !isEverywhere(q));

/** Whether it stands somewhere only once the maker has put it there: what makes a sound or sends by radio arrives nowhere before. */
export const isPutByHand = ({ emits, radio, senses }: PartKind): boolean =>
  radio !== undefined || (emits?.quantity === 'sound' && senses === undefined);

const isEverywhere = (quantity: Quantity): boolean => {
  const { everywhere }: Surrounding = surroundings[quantity];
  return everywhere === true;
};
