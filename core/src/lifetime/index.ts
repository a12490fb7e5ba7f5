export { isBrief } from './brief.js';
export { contactLives, type ContactLife } from './contacts.js';
export { electrodeLives, type ElectrodeLife } from './electrodes.js';
export { runDown, type RunDown } from './run-down.js';
export { sayLife } from './say-life.js';
