import { gasModule } from '../gas-element.js';
import { gasMonoxide } from './gas-monoxide.js';

export const gasModuleMonoxide = gasModule(gasMonoxide, {
  kind: 'gas-module-monoxide',
  label: 'Gas module, carbon monoxide',
  summary: 'A heated element for carbon monoxide: on a board with comparator and trimmer.',
  words: ['carbon monoxide', 'co', 'exhaust', 'stove', 'fumes', 'boiler', 'module', 'gas'],
});
