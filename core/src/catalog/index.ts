export { moduleElements } from './module.js';
export * from './part-kind.js';
export * from './facets.js';
export * from './surroundings.js';
export { choice } from './choice.js';
export { numbersOf, storedOf, valuesOf } from './values-of.js';
export { contactEnd, contactOtherEnd, contactStands, sceneContact } from './scene-contact.js';
export { openModule } from './open-module.js';
export { channelReader, highReading, readable, type ChannelReader } from './channel-reader.js';
export { sayReading } from './say-reading.js';
export { followsAt } from './chopped.js';
export { askedAt, wordsOf, type AskedAt, type Held } from './asked.js';
export { pinReached } from './leads-to-pin.js';
export { readoutOf, type PartReadout } from './part-readout.js';
export {
  catalog,
  endsOf,
  findKind,
  hasPlace,
  isPutByHand,
  kindOf,
  paramOf,
  paramsOf,
} from './catalog.js';
export { checkParam, readParam, type ParamVerdict } from './check-param.js';
export { checkDesign, type Problem } from './check-design.js';
export { converterCounts } from './converter-counts.js';
export { pinLevel, type Level } from './pin-level.js';
export { pinConverter, type PinConverter } from './pin-converter.js';
export { nameNet, terminalOf, type NamedNet, type NetNature } from './net-name.js';
export { nearness, search, searchCatalog, type Findable } from './search.js';
export { copperOhms } from './copper.js';
