export { byWeight, check, isAcceptable, isOpen } from './check.js';
export { sayConsequence } from './say-consequence.js';
export {
  allStates,
  everyState,
  gatherEvidence,
  type Evidence,
  type State,
  type Sweep,
} from './evidence.js';
export { consequences } from './finding.js';
export type {
  Concern,
  Consequence,
  Finding,
  Fix,
  Rule as FindingRule,
  Severity,
} from './finding.js';
export { rules } from './rules.js';
export { briefly, fiveQuestions, type Answer } from './questions.js';
export { stresses, type Stress } from './rules/ratings.js';
export { terminalOpen } from './rules/wiring.js';
export { contactAlone } from './rules/contacts.js';
export { actuatorDead } from './rules/actuators.js';
export { outputWithoutEffect } from './rules/driven.js';
export { list, wordsOf } from './words.js';
