export { playCourse, type Course, type Stand } from './course.js';
export { firstDifference, standOf } from './difference.js';
export { standInJob } from './job.js';
export { askProof, judgeProof, type Proof, type ProofAsked } from './prove.js';
export type { Played } from './scene-course.js';
export { turnsOf } from './stand-in-inputs.js';
export { standIn, type StandInJob } from './stand-in.js';
