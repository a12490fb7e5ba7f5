/** What noise does to readings: a slope spreads them, a comparator turns them over. */
import type { Design, Scene } from '../design/index.js';
import { channel, onBoard, pins } from '../testing/small.js';
import { quietScene, rehearse, Rig } from './index.js';
import { mostNoise, reach, taken, turningPoint } from './reading-noise.js';
import { readingsIn } from './readings.js';
import { coarsely, SensorNoise, type Bench } from './sensor-noise.js';

describe('one reading', () => {
  it('spreads by the converter and the slope together, rounded and within range', () => {
    expect(taken(500, { sigma: 3 }, 4, 2, 1023)).toBe(510);
    expect(taken(500, { sigma: 3 }, 4, -2, 1023)).toBe(490);
    expect(taken(1020, { sigma: 3 }, 4, 2, 1023)).toBe(1023);
    expect(taken(2, { sigma: 3 }, 4, -2, 1023)).toBe(0);
  });
  it.each([
    [2, 1.9, 0],
    [2, 2.1, 100],
    [2, -3, 0],
    [-1, -0.9, 0],
    [-1, -1.1, 100],
  ])('with a step at %d, a deviate of %d reads %d', (at, z, read) => {
    expect(taken(0, { sigma: 0, step: { at, to: 100 } }, 0, z, 100)).toBe(read);
  });
  it('is never taken farther than is said', () => {
    for (const noise of [{ sigma: 3 }, { sigma: 0, step: { at: 1, to: 100 } }])
      for (const z of [-mostNoise, -1, 0, 1, mostNoise])
        expect(Math.abs(taken(40, noise, 2, z, 1023) - 40)).toBeLessThanOrEqual(
          reach(40, noise, 2),
        );
  });
  it('a turning point is found to a millionth of the way', () => {
    expect(turningPoint(10, (at) => at >= Math.PI)).toBeCloseTo(Math.PI, 4);
    expect(turningPoint(-10, (at) => at <= -Math.E)).toBeCloseTo(-Math.E, 4);
  });
});

describe('a touch module before a digital input', () => {
  // It answers from 2 pF with a fifth of that as hysteresis, so from 2.4 pF, and is noisy by 0.05 pF.
  const design: Design = onBoard('touch-module S', 'U.5V S.VCC, S.GND U.GND, S.OUT U.D2', {
    ...channel('U.D2', { threshold: 50, every: 0.01 }),
    ...pins('U.D2 input'),
  });
  const [{ id }] = design.channels;
  const at = (picofarads: number): Scene => ({
    ...quietScene,
    duration: 200,
    ambient: { ...quietScene.ambient, touch: picofarads * 1e-12 },
  });
  const step = (picofarads: number) => {
    const rig = new Rig(design);
    const scene = at(picofarads);
    return rig.readings.noise(rig.settle(scene, 0, rig.restingLogic(scene))).get(id)?.step;
  };

  it.each([
    [2.3, 2],
    [2.25, 3],
    [2.1, 6],
  ])('at %d pF turns %d standard deviations away', (picofarads, away) => {
    expect(step(picofarads)?.to).toBe(100);
    expect(step(picofarads)?.at).toBeCloseTo(away, 1);
  });

  it('far away it does not turn', () => {
    expect(step(1)).toBeUndefined();
  });

  it('reads high as often as a normal deviate lies so far out, and never in between', () => {
    const readings = rehearse(design, at(2.3)).readings[id].values;
    expect(new Set(readings)).toEqual(new Set([0, 100]));
    // 1 − Φ(2) = 2.275 % (tables of the normal distribution); 20,000 readings tell that to 0.1 %.
    const share = readings.filter((value) => value === 100).length / readings.length;
    expect(readings.length).toBeGreaterThan(19_000);
    expect(Math.abs(share - 0.02275)).toBeLessThan(0.004);
  });

  it('and the same whether the circuit is looked at for each reading or not', () => {
    const scene = { ...at(2.3), duration: 20 };
    const [fast, full] = (['fast', 'full'] as const).map((path) =>
      rehearse(design, scene, undefined, path),
    );
    expect(fast.readings).toEqual(full.readings);
  });

  it('is listened to once in each of two states between which the circuit goes to and fro', () => {
    const listen = jest.fn(() => new Map([[id, 0]]));
    const noise = new SensorNoise(design, readingsIn(design), {
      stimulus: () => 0,
      readings: listen,
    });
    const hear = (counts: number): unknown => {
      const exact = new Map([[id, counts]]);
      return noise.of({ exact, stimulus: () => 0 }, () => exact);
    };
    const first = [hear(0), hear(100)];
    const often = listen.mock.calls.length;
    expect(often).toBeGreaterThan(0);
    expect([hear(0), hear(100)]).toEqual(first);
    expect(listen).toHaveBeenCalledTimes(often);
  });
});

it('where two designs are compared, a sensor is not asked for what others tell through channels of their own', () => {
  const design = onBoard(
    'touch-module S, touch-module T, photoresistor L, resistor R',
    [
      ...['S', 'T'].map((n, i) => `U.5V ${n}.VCC, ${n}.GND U.GND, ${n}.OUT U.D${2 + i}`),
      'U.5V L.a, L.b U.A0, R.a U.A0, R.b U.GND',
    ].join(', '),
    {
      channels: ['U.D2', 'U.D3', 'U.A0'].flatMap((pin) =>
        channel(pin).channels.map((c) => ({ ...c, id: pin })),
      ),
      ...pins('U.D2 input', 'U.D3 input', 'U.A0 analogue'),
    },
  );
  const asked = (...followed: [ReturnType<typeof coarsely>?]): string[] => {
    const pairs = new Set<string>();
    const readers = readingsIn(design);
    const exact = new Map(readers.map(({ channel: { id } }) => [id, 0]));
    const bench: Bench = {
      stimulus: () => 0,
      readings: ({ id }, _, wanted) => {
        for (const channel of exact.keys()) if (wanted(channel)) pairs.add(`${id} ${channel}`);
        return exact;
      },
    };
    new SensorNoise(design, readers, bench, ...followed).of(
      { exact, stimulus: () => 0 },
      () => exact,
    );
    return [...pairs].sort();
  };
  expect(asked(coarsely(design))).toEqual(['S U.D2', 'T U.D3']);
  const all = ['S', 'T'].flatMap((s) => ['U.A0', 'U.D2', 'U.D3'].map((c) => `${s} ${c}`));
  expect(asked()).toEqual(all);
});
