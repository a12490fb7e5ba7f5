export { playCourse, type Course, type Stand } from './course.js';
export { firstDifference, standOf } from './difference.js';
export { standInJob } from './job.js';
export { standIn, type StandInJob } from './stand-in.js';
