import { gasElement } from '../gas-element.js';

export const gasAir = gasElement({
  kind: 'gas-air',
  label: 'Gas element, air quality',
  summary: 'A heated element for smoke-like air, solvents and bad air.',
  words: ['air quality', 'smoke', 'smell', 'ammonia', 'bad air', 'ventilation'],
  curves: [
    { gas: 'smoke', a: 0.62, b: -0.4 },
    { gas: 'alcohol', a: 5.5, b: -0.32 },
    { gas: 'monoxide', a: 4.5, b: -0.22 },
  ],
  operating: [0.05, 2],
  cleanAir: 3.6,
  r0: 20e3,
  source:
    'Rs/R0 = a·x^b, the power law of such elements (Clifford and Tuma, Sensors and Actuators 3, 1983), with R0 at 0.3 dB/m of smoke, a line in the manner of published curves of such elements (from memory).',
});
