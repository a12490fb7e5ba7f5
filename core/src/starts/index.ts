export { makeStart } from './make-start.js';
export { usualStarts, type Start } from './usual-starts.js';
