export { drawNight, usualVariation, type Drawn, type Variation } from './vary.js';
export { rehearseNight, type Night } from './night.js';
export { summarise, type HappeningRecord, type NightsSummary } from './summary.js';
export { correlationOf, ranks, type Influence } from './ranking.js';
