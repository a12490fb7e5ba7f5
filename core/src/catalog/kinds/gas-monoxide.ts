import { gasElement } from '../gas-element.js';

export const gasMonoxide = gasElement({
  kind: 'gas-monoxide',
  label: 'Gas element, carbon monoxide',
  summary: 'A heated element for carbon monoxide.',
  words: ['carbon monoxide', 'co', 'exhaust', 'stove', 'fumes', 'boiler'],
  curves: [
    { gas: 'monoxide', a: 21.9, b: -0.67 },
    { gas: 'propane', a: 14, b: -0.1 },
    { gas: 'alcohol', a: 17, b: -0.1 },
  ],
  operating: [20, 2000],
  cleanAir: 27,
  r0: 10e3,
  source:
    'Rs/R0 = a·ppm^b, the power law of such elements (Clifford and Tuma, Sensors and Actuators 3, 1983), with R0 at 100 ppm of carbon monoxide, lines through published curves of such elements (from memory). Their cycle of two heater voltages is not computed: heated with 5 V throughout.',
});
