export { formatArea } from './format-area.js';
export { formatDuration } from './format-duration.js';
export { degrees, radians } from './angle.js';
export { prefixlessUnits, type Unit } from './unit.js';
export { parseQuantity, type Parsed } from './parse-quantity.js';
export { formatNominal, formatQuantity } from './format-quantity.js';
export { eSeries, preferredValues, type ESeries } from './e-series.js';
export { bandColours, colourBands, readBands, type BandColour } from './colour-code.js';
export { levelOf, pressureAt, pressureOf } from './sound-level.js';
export { entry } from './entry.js';
export { spreadOf, type Spread } from './spread.js';
export { reached } from './moment.js';
export { sayTime } from './time-of-day.js';
export {
  axisIn,
  decimals,
  manner,
  plainManner,
  toDigits,
  significant,
  withDecimal,
  writeIn,
  type Manner,
} from './manner.js';
