import { gasElement } from '../gas-element.js';

export const gasAlcohol = gasElement({
  kind: 'gas-alcohol',
  label: 'Gas element, alcohol-like',
  summary: 'A heated element for alcohol and solvent vapour.',
  words: ['alcohol', 'breath', 'solvent', 'vapour', 'ethanol', 'petrol'],
  curves: [
    { gas: 'alcohol', a: 32.5, b: -0.65 },
    { gas: 'propane', a: 40, b: -0.2 },
    { gas: 'monoxide', a: 45, b: -0.2 },
  ],
  operating: [20, 2000],
  cleanAir: 60,
  r0: 20e3,
  source:
    'Rs/R0 = a·ppm^b, the power law of such elements (Clifford and Tuma, Sensors and Actuators 3, 1983), with R0 at 212 ppm (0.4 mg/L) of alcohol, lines through published curves of such elements (from memory).',
});
