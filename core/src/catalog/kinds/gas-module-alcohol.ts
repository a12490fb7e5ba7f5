import { gasModule } from '../gas-element.js';
import { gasAlcohol } from './gas-alcohol.js';

export const gasModuleAlcohol = gasModule(gasAlcohol, {
  kind: 'gas-module-alcohol',
  label: 'Gas module, alcohol-like',
  summary:
    'A heated element for alcohol and solvent vapour: on a board with comparator and trimmer.',
  words: ['alcohol', 'breath', 'solvent', 'vapour', 'ethanol', 'petrol', 'module', 'gas'],
});
