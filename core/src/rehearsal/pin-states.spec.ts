/** A dimmed pin before a filter, against the mean of its pulses and the exponential of the filter. */
import type { Design, Scene } from '../design/index.js';
import { onBoard } from '../testing/small.js';
import { rehearse, type Rehearsal } from './index.js';

const quiet = (duration: number): Scene => ({
  ...{ id: 's', name: 'Scene', seed: 1, duration, ambient: {}, happenings: [] },
});

/** A pin dimmed to a level from 1 s on, over 10 kΩ onto 10 µF and what is added, read by A0. */
function filtered(level: number, active: 'high' | 'low', parts = '', wires = ''): Design {
  return onBoard(
    `resistor R ohms=10e3, capacitor C farads=10e-6 leak=1e12${parts}`,
    `U.D3 R.a, R.b C.a, C.b U.GND, R.b U.A0${wires}`,
    {
      controller: {
        pins: [
          { pin: 'U.A0', mode: 'analogue' },
          { pin: 'U.D3', mode: 'output', skill: 'pwm' },
        ],
      },
      channels: [
        {
          ...{ id: 'c1', name: 'In', pin: 'U.A0', trips: 'above', threshold: 1020, hysteresis: 1 },
          ...{ every: 0.05, hits: 1, misses: 1 },
        },
      ],
      outputs: [{ id: 'o1', name: 'Out', pin: 'U.D3', active }],
      machines: [
        {
          ...{ id: 'm', name: 'M', start: 'off' },
          modes: [
            { id: 'off', name: 'Off' },
            { id: 'dim', name: 'Dim' },
          ],
          transitions: [{ from: 'off', to: 'dim', after: 1 }],
        },
      ],
      rules: [
        {
          ...{ id: 'r1', hold: 0, latch: false, when: { is: 'mode', machine: 'm', mode: 'dim' } },
          then: [{ do: 'drive', output: 'o1', drive: { as: 'level', level } }],
        },
      ],
    } as unknown as Partial<Design>,
  );
}
const at = ({ readings }: Rehearsal, t: number): number => {
  const { times, values } = readings['c1'];
  return values[times.findIndex((x) => x >= t - 1e-6)];
};

it.each([
  [0.3, 'high', 0.3],
  [0.3, 'low', 0.7],
  [0.75, 'high', 0.75],
] as const)(
  'a level of %d, active %s, stands at its mean behind a filter',
  (level, active, mean) => {
    const design = filtered(level, active);
    for (const path of ['fast', 'time'] as const) {
      const run = rehearse(design, quiet(3), undefined, path);
      expect(Math.abs(at(run, 2.9) - mean * 1023)).toBeLessThan(0.01 * 1023 * mean);
    }
  },
);

it('in time it comes there by the exponential of the filter', () => {
  const run = rehearse(filtered(0.3, 'high'), quiet(3), undefined, 'time');
  // 10 kΩ and 10 µF: 0.1 s; the pin adds some ohms.
  for (const after of [0.05, 0.1, 0.2]) {
    const expected = 0.3 * 1023 * (1 - Math.exp(-after / 0.1));
    expect(Math.abs(at(run, 1 + after) - expected)).toBeLessThan(4);
  }
});

it('what is not linear is on or off: its mean is not that of its pulses', () => {
  const lamp = filtered(
    0.3,
    'high',
    ', resistor RL ohms=220, led H',
    ', U.D3 RL.a, RL.b H.a, H.k U.GND',
  );
  const run = rehearse(lamp, quiet(3), undefined, 'time');
  expect(at(run, 2.9)).toBeGreaterThan(0.9 * 1023);
  expect(run.acting.filter((a) => a.part === 'H' && a.active)).toHaveLength(1);
});
