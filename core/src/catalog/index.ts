export {
  elementNodes,
  signalNodes,
  type Element,
  type ElementOf,
  type ElementType,
  type Waveform,
} from './element.js';
export * from './part-kind.js';
export { catalog, findKind, kindOf, paramsOf } from './catalog.js';
export { checkParam, readParam, type ParamVerdict } from './check-param.js';
export { checkDesign, type Problem } from './check-design.js';
export { converterCounts } from './converter-counts.js';
export { pinLevel, type Level } from './pin-level.js';
export { pinConverter, type PinConverter } from './pin-converter.js';
export { nameNet, terminalOf, type NamedNet, type NetNature } from './net-name.js';
export { nearness, searchCatalog } from './search.js';
