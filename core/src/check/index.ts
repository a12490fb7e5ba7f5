export { check, gatherEvidence } from './check.js';
export type { Evidence, Finding, Step } from './finding.js';
export { fiveQuestions, type Answer } from './questions.js';
export { stresses, type Stress } from './rules/ratings.js';
