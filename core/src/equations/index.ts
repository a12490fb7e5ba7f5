export { System, roomKelvin } from './system.js';
export { SparseLU } from './sparse-lu.js';
export { SingularMatrixError } from './singular-matrix.js';
