/** Where rules about what acts begin to find something: limits by hand, from numbers on data sheets. */
import type { Design } from '../design/index.js';
import { holdEdges, withButton } from '../testing/rule-edge.js';
import { brief, placed, sceneOf } from '../testing/small.js';

/** A solenoid that pulls at a quarter of an ampere, behind a button and a resistor, with another beside the button. */
const pulled = (ohms: number, beside: number): Design => {
  const design = brief(
    `adapter G maxAmps=2, solenoid Y ohms=24 pullIn=6, rectifier-diode D, push-button S maxAmps=2, resistor R ohms=${ohms} watts=20, resistor L ohms=${beside} watts=20`,
    'G.plus S.a, S.b R.a, R.b Y.plus, Y.minus G.minus, D.k Y.plus, D.a Y.minus, L.a S.a, L.b S.b',
  );
  // Its copper is told at 25 °C.
  const warm = { temperature: 25, swing: 0 };
  return { ...placed(design), scenes: [{ ...sceneOf(20, {}), ambient: warm }] };
};

/** A load and an LED behind a MOSFET of 1 Ω; a button takes its gate to an adapter of its own. */
const gated = (volts: number): Design =>
  withButton(
    brief(
      `adapter G, adapter E volts=${volts}, logic-mosfet Q threshold=2 onOhms=1, resistor L ohms=100 watts=5, push-button S, resistor P ohms=100000, led H, resistor R ohms=4700`,
      'G.plus L.a, L.b Q.d, Q.s G.minus, E.minus G.minus, E.plus S.a, S.b Q.g, P.a Q.g, P.b Q.s, G.plus R.a, R.b H.a, H.k Q.d',
    ),
  );
/**
 * Half a volt over it: 115 mA and 2 mA of an LED of 1.9 V, of which half its ohms take 58 mV and the channel the rest; the square law
 * β·((Vg − Vt)·v − v²/2), β such that the channel has the other half of its ohms at 5 V.
 */
const halfOpen = (): number => {
  const amps = 11.5 / 100 + (11.5 - 1.9) / 4700;
  const channel = 0.5 - 0.5 * amps;
  const beta = 1 / (0.5 * (5 - 2));
  return 2 + amps / (beta * channel) + channel / 2;
};

holdEdges([
  {
    code: 'actuator-dead',
    by: '12 V over 6 V / 24 Ω, at which it pulls, is 48 Ω: its coil has 24 Ω beside 40 times that, 0.1 Ω are in the adapter',
    limit: 48 - 24 / (1 + 1 / 40) - 0.1,
    finds: 'above',
    within: 0.01,
    design: (ohms) => pulled(ohms, 10e3),
  },
  {
    code: 'acts-at-rest',
    by: '12 V over 6 V / 24 Ω, at which it pulls, is 48 Ω: its coil has 24 Ω beside 40 times that, 1.1 Ω stand before it',
    limit: 48 - 24 / (1 + 1 / 40) - 1.1,
    finds: 'below',
    within: 0.01,
    design: (ohms) => pulled(1, ohms),
  },
  {
    code: 'gate-too-low',
    by: 'half a volt at 117 mA, by the square law',
    limit: halfOpen(),
    finds: 'below',
    within: 0.01,
    severity: 'error',
    design: gated,
  },
]);
