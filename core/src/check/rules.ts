import type { Rule } from './finding.js';
import {
  groundMissing,
  netFloating,
  partUnconnected,
  sourcesFight,
  neverRests,
  noSteadyState,
  terminalOpen,
} from './rules/wiring.js';
import { programLacks, programSlow, toneOffResonance } from './rules/program.js';
import { groundSplit } from './rules/grounds.js';
import {
  partUnpowered,
  supplyLow,
  heaterWeak,
  supplyHigh,
  supplyReversed,
} from './rules/supply.js';
import {
  suppliesJoined,
  regulatorDropsOut,
  supplyOverloaded,
  supplyShorted,
} from './rules/sources.js';
import { wireThin, wireDrop, wireShared } from './rules/wires.js';
import {
  mainsBesideLow,
  mainsContactLoad,
  mainsUnfused,
  mainsWithoutBoundary,
} from './rules/mains.js';
import { fuseMelts, fuseMissing, fuseSmall, fuseLarge } from './rules/fuses.js';
import { decouplingMissing, bulkMissing } from './rules/decoupling.js';
import {
  pinOvervoltage,
  pinBelowGround,
  inputUndecided,
  inputFloating,
  gateFloating,
} from './rules/inputs.js';
import { pullUpMissing, outputsFight, pinOvercurrent, pinsOvercurrent } from './rules/outputs.js';
import { outputIdle, outputInverted, outputUndriven, outputWithoutEffect } from './rules/driven.js';
import { transistorUnsaturated, baseWithoutResistor, gateTooLow } from './rules/transistors.js';
import { ledWithoutResistor, ledOverdriven, ledDim, ledReversed } from './rules/lamps.js';
import { diodeBlocks, electrolyticReversed, capacitorVolts, legsVary } from './rules/polarity.js';
import { coilWithoutDiode, coilDiodeReversed, coilWeak, coilStays } from './rules/coils.js';
import { contactAlone, contactOverload, contactInrush, motorStall } from './rules/contacts.js';
import {
  thyristorGateWeak,
  thyristorGateOpen,
  thyristorLatching,
  thyristorHolding,
  thyristorNoReset,
  bellOnThyristor,
} from './rules/thyristors.js';
import { comparatorRange, hysteresisMissing } from './rules/comparators.js';
import {
  sourceResistance,
  referenceMismatch,
  referenceMissing,
  rangeWasted,
} from './rules/converters.js';
import {
  channelBlind,
  thresholdUnreachable,
  trippedAtRest,
  mayChatter,
  pulseMissed,
} from './rules/channels.js';
import { pinUnable, pinNotSetUp, pinTwice, skillMissing, pinReserved } from './rules/pins.js';
import { busPullUpMissing, busAddressClash, busPinWrong, linesCrossed } from './rules/bus.js';
import { numberOtherwise } from './rules/counted.js';
import { namesCrossed } from './rules/names.js';
import { actuatorDead, actsAtRest, emitterDark } from './rules/actuators.js';
import { channelDeaf, sensorUnread, channelOneSided } from './rules/signals.js';
import { chargeStays, probeCorrodes } from './rules/sensors.js';
import {
  partCautions,
  voltsDangerous,
  contactsOutside,
  lockWithoutRelease,
  lockStays,
  lifeSafetyNotice,
} from './rules/safety.js';
import { chargedInFrost } from './rules/lithium.js';
import { sounderWithoutEnd, steadyTone } from './rules/sounders.js';
import { ratingExceeded, ratingClose } from './rules/ratings.js';
import { turnedTooFar } from './rules/turned.js';

/** Everything that is looked for, from what keeps a circuit from working at all to what wears it out. */
export const rules: readonly Rule[] = [
  groundMissing,
  groundSplit,
  netFloating,
  partUnconnected,
  sourcesFight,
  neverRests,
  noSteadyState,
  terminalOpen,
  partUnpowered,
  supplyLow,
  heaterWeak,
  supplyHigh,
  supplyReversed,
  suppliesJoined,
  regulatorDropsOut,
  supplyOverloaded,
  supplyShorted,
  wireThin,
  wireDrop,
  wireShared,
  fuseMissing,
  fuseMelts,
  fuseSmall,
  fuseLarge,
  decouplingMissing,
  bulkMissing,
  pinOvervoltage,
  pinBelowGround,
  inputUndecided,
  inputFloating,
  gateFloating,
  pullUpMissing,
  outputsFight,
  pinOvercurrent,
  pinsOvercurrent,
  actuatorDead,
  actsAtRest,
  emitterDark,
  outputWithoutEffect,
  outputUndriven,
  outputIdle,
  outputInverted,
  transistorUnsaturated,
  baseWithoutResistor,
  gateTooLow,
  ledWithoutResistor,
  ledOverdriven,
  ledDim,
  ledReversed,
  diodeBlocks,
  electrolyticReversed,
  capacitorVolts,
  legsVary,
  coilWithoutDiode,
  coilDiodeReversed,
  coilWeak,
  coilStays,
  contactAlone,
  contactOverload,
  contactInrush,
  motorStall,
  thyristorGateWeak,
  thyristorGateOpen,
  thyristorLatching,
  thyristorHolding,
  thyristorNoReset,
  bellOnThyristor,
  comparatorRange,
  hysteresisMissing,
  sourceResistance,
  referenceMissing,
  referenceMismatch,
  rangeWasted,
  sensorUnread,
  channelBlind,
  channelDeaf,
  channelOneSided,
  thresholdUnreachable,
  trippedAtRest,
  mayChatter,
  pulseMissed,
  pinUnable,
  pinNotSetUp,
  pinTwice,
  skillMissing,
  pinReserved,
  busPullUpMissing,
  busAddressClash,
  busPinWrong,
  programLacks,
  programSlow,
  toneOffResonance,
  linesCrossed,
  namesCrossed,
  numberOtherwise,
  probeCorrodes,
  chargeStays,
  partCautions,
  voltsDangerous,
  mainsWithoutBoundary,
  mainsBesideLow,
  mainsContactLoad,
  mainsUnfused,
  contactsOutside,
  lockWithoutRelease,
  lockStays,
  lifeSafetyNotice,
  chargedInFrost,
  sounderWithoutEnd,
  steadyTone,
  ratingExceeded,
  turnedTooFar,
  ratingClose,
];
