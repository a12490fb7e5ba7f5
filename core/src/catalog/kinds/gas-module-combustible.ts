import { gasModule } from '../gas-element.js';
import { gasCombustible } from './gas-combustible.js';

export const gasModuleCombustible = gasModule(gasCombustible, {
  kind: 'gas-module-combustible',
  first: { notices: 'gas', named: 'Gas', wanted: 'gas-released', every: 1 },
  label: 'Gas module, combustible',
  summary:
    'A heated element for propane, methane and their like: on a board with comparator and trimmer.',
  words: [
    'propane',
    'methane',
    'combustible',
    'cooker',
    'bottle',
    'explosive',
    'lpg',
    'module',
    'gas',
  ],
});
