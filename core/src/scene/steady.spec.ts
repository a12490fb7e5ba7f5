import type { Scene } from '../design/index.js';
import { sketch } from '../testing/small.js';
import { isSteadyFor } from './steady.js';

const sees = (kind: string) => sketch([`${kind} S1`], []);

it.each<
  [ambient: Scene['ambient'], where: string, light: boolean, infrared: boolean, knocks: boolean]
>([
  [{ sky: 1 }, 'under the sky', false, false, true],
  [{ passing: 0.4, daylight: 100 }, 'while clouds pass', false, false, true],
  [{ lamp: 200, ripple: 0.3 }, 'under a lamp that ripples', false, true, true],
  [{ lamp: 200, ripple: 0 }, 'under a lamp that does not', true, true, true],
  [{ swing: 6 }, 'while the air warms and cools', false, false, false],
  [{ tank: 1, inflow: 1 }, 'while a tank is filled', false, false, false],
  [{ tank: 1, inflow: 0 }, 'beside a tank that is not', true, true, true],
])('%o, %s: what each sees', (ambient, _, light, infrared, knocks) => {
  const steady = ['photoresistor', 'flame-receiver', 'vibration-switch'].map((kind) =>
    isSteadyFor(sees(kind), { ambient }),
  );
  expect(steady).toEqual([light, infrared, knocks]);
});
