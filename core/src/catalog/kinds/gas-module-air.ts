import { gasModule } from '../gas-element.js';
import { gasAir } from './gas-air.js';

export const gasModuleAir = gasModule(gasAir, {
  kind: 'gas-module-air',
  label: 'Gas module, air quality',
  summary:
    'A heated element for smoke-like air, solvents and bad air: on a board with comparator and trimmer.',
  words: ['air quality', 'smoke', 'smell', 'ammonia', 'bad air', 'ventilation', 'module', 'gas'],
});
