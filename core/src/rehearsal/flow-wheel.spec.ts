/** The wheel of a flow sensor turns with the water: as many pulses as litres, also while the flow changes. */
import type { Design } from '../design/index.js';
import { brief, channel, pins, placed, sceneOf } from '../testing/small.js';
import { counterTrace } from './bands.js';
import { CoSimulation } from './co-simulation.js';
import { Play } from './play.js';
import { rehearse } from './rehearse.js';

/** A board that counts the pulses of a sensor by every turn of its pin. */
const counting: Design = placed(
  brief(
    'adapter G volts=9, controller-5v-8bit U noise=0, flow-sensor F perFlow=7.5 least=1',
    'G.plus U.VIN, G.minus U.GND, F.VCC U.5V, F.GND U.GND, F.OUT U.D2',
    {
      ...pins('U.D2 input'),
      channels: channel('U.D2', {
        ...{ trips: 'below', threshold: 50, hysteresis: 20, every: 1, hits: 1, misses: 1 },
        edge: 'change',
      }).channels,
      counters: [{ id: 'n', name: 'Pulses', start: 0, least: 0, most: 9999 }],
      rules: [
        {
          ...{ id: 'r1', hold: 0, latch: false },
          when: { is: 'begins', of: { is: 'channel', channel: 'c1' } },
          then: [{ do: 'count', counter: 'n', by: 1 }],
        },
      ],
    } as Partial<Design>,
  ),
);

it.each([0, 500])('235 pulses for 31.3 L/min · s, from %d s on', (start) => {
  // 3 L/min for 10 s, and up and down within 0.5 s each, of which the wheel turns from 1 L/min on:
  // 7.5 · (3 · 10 + 2 · (3² − 1²) / (2 · 6)) = 235.
  const scene = sceneOf(start + 15, {
    kind: 'water-flows',
    start: start + 2,
    params: { rate: 3, opens: 0.5, lasts: 10 },
  });
  const run = rehearse(counting, scene, undefined, 'time');
  expect(run.troubles).toEqual([]);
  const counted = counterTrace(run, 'n').values.at(-1) ?? 0;
  expect(Math.abs(counted - 235)).toBeLessThanOrEqual(1);
});

it('goes on from a mark in the midst of a flow with the pulse that comes next', () => {
  const flows = { kind: 'water-flows', start: 2, params: { rate: 0.4, opens: 1.3, lasts: 12 } };
  const slow: Design = {
    ...counting,
    parts: counting.parts.map((p) =>
      p.id === 'F' ? { ...p, params: { perFlow: 7.5, least: 0.1 } } : p,
    ),
    rules: [{ ...counting.rules[0], when: { is: 'channel', channel: 'c1' } }],
  };
  const scene = sceneOf(16, flows, { kind: 'water-flows', start: 8, params: { rate: 0.1 } });
  const other = { ...scene, happenings: scene.happenings.slice(0, 1) };
  const goesOn = jest.spyOn(CoSimulation.prototype, 'resumeAt');
  const replayed = new Play(slow, scene, 'time').run().replay(other);
  expect(goesOn).toHaveBeenCalledTimes(1);
  goesOn.mockRestore();
  const anew = new Play(slow, other, 'time', { lean: true }).run().firings();
  expect(anew.length).toBeGreaterThan(20);
  expect(replayed.map((f) => f.t.toFixed(4))).toEqual(anew.map((f) => f.t.toFixed(4)));
});
