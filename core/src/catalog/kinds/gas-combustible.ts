import { gasElement } from '../gas-element.js';

export const gasCombustible = gasElement({
  kind: 'gas-combustible',
  label: 'Gas element, combustible',
  summary: 'A heated element for propane, methane and their like.',
  words: ['propane', 'methane', 'combustible', 'cooker', 'bottle', 'explosive', 'lpg'],
  curves: [
    { gas: 'propane', a: 18.9, b: -0.45 },
    { gas: 'methane', a: 23.3, b: -0.38 },
    { gas: 'alcohol', a: 22.5, b: -0.38 },
    { gas: 'monoxide', a: 28, b: -0.32 },
  ],
  operating: [200, 10e3],
  cleanAir: 9.8,
  r0: 10e3,
  source:
    'Rs/R0 = a·ppm^b, the power law of such elements (Clifford and Tuma, Sensors and Actuators 3, 1983), with R0 at 1000 ppm of hydrogen, lines through published curves of such elements (from memory): propane 1.7 at 200 ppm, 0.84 at 1000, 0.3 at 10,000.',
});
