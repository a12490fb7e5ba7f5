export { distance, tellsApart } from './tells-apart.js';
export { scoreSlip, soundDesign, type Scored, type Sound } from './score.js';
export { diagnose, diagnoseFirst, type Diagnosis, type FirstDiagnosis } from './diagnose.js';
export type { Root } from './roots.js';
export { changesOf, type Candidate, type Cure } from './candidate.js';
export type { Attempt } from './attempt.js';
export { outcomesOf, proofOf, prove, provenIn, type BothRuns, type Proof } from './prove.js';
