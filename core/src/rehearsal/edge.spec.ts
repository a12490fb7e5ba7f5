import type { Channel, Design } from '../design/index.js';
import { onBoard, pins } from '../testing/small.js';
import { rehearse } from './index.js';

const channel: Channel = {
  id: 'c',
  name: 'c',
  pin: 'U.D2',
  trips: 'above',
  threshold: 50,
  hysteresis: 10,
  every: 1,
  hits: 1,
  misses: 1,
};

/** A recorded pulse of 5 V from `from` to `to` seconds after its start at 2.1 s, on a digital pin. */
function pulse(from: number, to: number, change: Partial<Channel>): Design {
  const [up, down] = [from + 1e-4, to + 1e-4];
  return onBoard('recorded-sensor S ohms=100', 'S.out U.D2, S.gnd U.GND', {
    ...pins('U.D2 input'),
    channels: [{ ...channel, ...change }],
    recordings: [
      { id: 'r', name: 'r', times: [0, from, up, to, down, 1], values: [0, 0, 5, 5, 0, 0] },
    ],
    scenes: [
      {
        id: 's',
        name: 's',
        seed: 1,
        duration: 6,
        ambient: {},
        happenings: [
          {
            id: 'h',
            kind: 'recording-plays',
            name: 'A pulse',
            intent: 'wanted',
            start: 2.1,
            params: { lasts: 1 },
          },
        ],
      },
    ],
  });
}

const readings = (from: number, to: number, change: Partial<Channel>) => {
  const design = pulse(from, to, change);
  design.parts = design.parts.map((p) => (p.id === 'S' ? { ...p, recording: 'r' } : p));
  const { readings: read, logic } = rehearse(design, design.scenes[0]);
  return { ...read['c'], tripped: logic.some(({ logic: l }) => l.channels['c'].tripped) };
};

it('a pulse of 20 ms between readings a second apart is missed without an edge', () => {
  expect(readings(0.3, 0.32, {}).tripped).toBe(false);
});

it.each([
  ['rising', 2.4],
  ['change', 2.4],
] as const)('on %s it is read within a millisecond', (edge, at) => {
  const { times, tripped } = readings(0.3, 0.32, { edge });
  expect(tripped).toBe(true);
  const own = times.filter((t) => Math.abs(t - Math.round(t)) > 1e-6);
  expect(own[0]).toBeGreaterThanOrEqual(at);
  expect(own[0]).toBeLessThan(at + 2e-3);
  // A change reads the fall too.
  expect(own).toHaveLength(edge === 'change' ? 2 : 1);
});

it('on a falling level it reads the end of the pulse, which is low again', () => {
  const { times, values, tripped } = readings(0.3, 0.32, { edge: 'falling' });
  expect(tripped).toBe(false);
  const own = times.findIndex((t) => Math.abs(t - Math.round(t)) > 1e-6);
  expect(times[own]).toBeCloseTo(2.42, 2);
  expect(values[own]).toBeLessThan(50);
});

it('a stretch keeps what was read on an edge until the loop comes round', () => {
  const { tripped } = readings(0.3, 0.32, { edge: 'change', stretch: 1.5 });
  expect(tripped).toBe(true);
});

it('an edge that is only remembered stands for the next reading, not for a reading of its own', () => {
  const { times, values, tripped } = readings(0.3, 0.32, { edge: 'rising', remembers: true });
  expect(tripped).toBe(true);
  // The pulse comes at 2.4 s and is gone 20 ms later; the loop looks at whole seconds.
  expect(times).toEqual([0, 1, 2, 3, 4, 5, 6]);
  expect(values).toEqual([0, 0, 0, 100, 0, 0, 0]);
});

it('a channel that reads as its pin comes to be low reads the fall, and not again before its time', () => {
  const { times, values } = readings(0.3, 0.32, { edge: 'low' });
  const own = times.filter((t) => Math.abs(t - Math.round(t)) > 1e-6);
  expect(own).toHaveLength(1);
  expect(own[0]).toBeCloseTo(2.42, 2);
  expect(values[times.indexOf(own[0] ?? NaN)]).toBe(0);
});
