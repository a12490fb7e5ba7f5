/** What acts changes what is felt: water, air and warmth against their balances in closed form. */
import type { Design, Scene } from '../design/index.js';
import { restingLogic } from '../logic/index.js';
import { brief, placed, sceneOf } from '../testing/small.js';
import { CoSimulation } from './co-simulation.js';
import { rehearse } from './rehearse.js';

const sceneIn = (
  ambient: Scene['ambient'],
  duration: number,
  ...happenings: Parameters<typeof sceneOf>[1][]
): Scene => ({ ...sceneOf(duration, ...happenings), ambient });

/** What a part senses at moments of a scene. */
function sensed(design: Design, scene: Scene, part: string, quantity: string, times: number[]) {
  const run = new CoSimulation(placed(design), scene);
  const logic = restingLogic(design);
  return times.map((t) => {
    run.at(t, logic);
    return (run.perceivedBy(part) as Record<string, number> | undefined)?.[quantity] ?? NaN;
  });
}

const within = (value: number, expected: number, share: number): void =>
  expect(Math.abs(value / expected - 1)).toBeLessThan(share);

const sump = (pump: string): Design =>
  brief(
    `adapter G volts=12 amps=3, float-switch S height=0.2 travel=0.1 ohms=1e-3 bounce=0, pump-12v M ${pump}, rectifier-diode D`,
    'G.plus S.a, S.b M.plus, M.minus G.minus, D.a M.minus, D.k M.plus',
  );

describe('a tank', () => {
  const pumped = sump('flow=16');
  const filling = sceneIn({ tank: 0.05, inflow: 6 }, 400);

  it('fills and is pumped out by its float switch: times by A·Δh / (Q − inflow)', () => {
    const times: number[] = [];
    let on = false;
    const run = new CoSimulation(placed(pumped), filling, (t, solved) => {
      const turns = (solved('M').volts['#speed'] ?? 0) > 157;
      if (turns !== on) times.push(t);
      on = turns;
    });
    run.at(330, restingLogic(pumped));
    // 0.3 m · 0.05 m² at 6 L/min; then 0.1 m at 10 L/min net, and 0.1 m at 6 L/min again.
    [150, 180, 230, 260, 310].forEach((t, i) => within(times[i], t, 0.01));
  });

  it('all that ran in was pumped out or is there still, within a thousandth', () => {
    let [out, before, last] = [0, 0, 0];
    const run = new CoSimulation(placed(pumped), filling, (t, solved) => {
      const litres = (16 * Math.max(0, solved('M').volts['#speed'] ?? 0)) / 314 / 60;
      out += ((litres + last) / 2) * (t - before);
      [before, last] = [t, litres];
    });
    run.at(250, restingLogic(pumped));
    const level = run.perceivedBy('S')?.water ?? NaN;
    within(out + 1000 * 0.05 * level, (6 / 60) * 250, 0.001);
  });

  it('holds what has run in and was not pumped out', () => {
    const [low, high, after] = sensed(pumped, filling, 'S', 'water', [75, 149, 165]);
    within(low, 0.15, 0.001);
    within(high, 0.298, 0.001);
    within(after, 0.3 - (15 * 10) / 60e3 / 0.05, 0.03);
  });

  it('never holds less than nothing, nor more than to its brim', () => {
    const always = brief(
      'adapter G volts=12 amps=3, pump-12v M flow=8, float-switch S',
      'G.plus M.plus, M.minus G.minus, S.a G.plus',
    );
    const draining = sceneIn({ tank: 0.05, water: 0.05 }, 60);
    const [wet, dry, later] = sensed(always, draining, 'S', 'water', [10, 25, 55]);
    within(wet, 0.05 - (10 * 8) / 60e3 / 0.05, 0.01);
    expect([dry, later]).toEqual([0, 0]);
    const { troubles } = rehearse(placed(always), draining, undefined, 'time');
    expect(troubles.map(({ part, what }) => [part, what])).toEqual([['M', 'ran dry']]);
    within(troubles[0].t, (0.05 * 0.05 * 60e3) / 8, 0.01);
    const brim = sceneIn({ tank: 0.05, inflow: 6, brim: 0.1 }, 300);
    const [below, at] = sensed(sump('flow=0'), brim, 'S', 'water', [40, 200]);
    within(below, 0.08, 0.001);
    expect(at).toBeCloseTo(0.1, 9);
  });

  it('is filled by a valve, and what happens in it by itself is pumped away from', () => {
    const filled = brief(
      'adapter G volts=12 amps=3, valve-12v Y flow=12, float-switch S',
      'G.plus Y.plus, Y.minus G.minus, S.a G.plus',
    );
    const into = {
      ...filled,
      parts: filled.parts.map((p) => (p.id === 'Y' ? { ...p, params: { flow: 12, way: 2 } } : p)),
    };
    const [level] = sensed(into, sceneIn({ tank: 0.1 }, 50), 'S', 'water', [30]);
    within(level, (30 * 12) / 60e3 / 0.1, 0.005);
  });

  it('does not move where no tank is told of', () => {
    const [level] = sensed(sump('flow=16'), sceneIn({ water: 0.35 }, 60), 'S', 'water', [50]);
    expect(level).toBe(0.35);
  });
});

describe('a room', () => {
  const fanned = brief(
    'adapter G volts=12, fan-12v M volts=12 air=360, temperature-chip T, gas-combustible B',
    'G.plus M.plus, M.minus G.minus, G.plus T.VCC, T.GND G.minus, G.plus B.H1, G.minus B.H2',
  );
  const still = { ...fanned, wires: fanned.wires.filter((w) => w.to !== 'M.plus') };
  const leak = {
    kind: 'gas-released',
    start: 10,
    params: { rate: 6, releases: 5000, volume: 30, changes: 0.5, looks: 5000 },
  };
  const air = { room: 30, airing: 0.5 };

  it('gas: s / (λV + q) · (1 − e^(−(λ + q/V)·t)) with a fan, and as it was without', () => {
    const times = [70, 310, 1510];
    const ppm = (q: number, t: number): number => {
      const out = 0.5 / 3600 + q / 30;
      return ((1e6 * 1e-4) / (out * 30)) * -Math.expm1(-out * (t - 10));
    };
    const withFan = sensed(fanned, sceneIn(air, 2000, leak), 'B', 'propane', times);
    const without = sensed(still, sceneIn(air, 2000, leak), 'B', 'propane', times);
    times.forEach((t, i) => {
      within(withFan[i], ppm(0.1, t), 0.003);
      within(without[i], ppm(0, t), 1e-9);
    });
  });

  it('warmth: P / G · (1 − e^(−G·t / C)) of a heater', () => {
    const heated = brief(
      'adapter G volts=5, temperature-chip T, toggle-switch S position=1, mains-appliance X heats=1000',
      'G.plus T.VCC, T.GND G.minus, X.a S.a, S.b X.b, S.a G.minus',
    );
    const scene = sceneIn({ room: 30, airing: 0.5, loss: 20, temperature: 10 }, 4000);
    const [conductance, capacity] = [20 + (1211 * 30 * 0.5) / 3600, 1211 * 30];
    const times = [100, 1000, 3900];
    const felt = sensed(heated, scene, 'T', 'temperature', times);
    times.forEach((t, i) =>
      within(
        felt[i] - 10,
        (1000 / conductance) * -Math.expm1((-conductance * t) / capacity),
        0.003,
      ),
    );
  });

  it('a fan that stops working lets it get warm again', () => {
    const warm = { kind: 'warmth-comes', start: 0, params: { kelvin: 20, moves: 10, stays: 4000 } };
    const gone = { kind: 'part-comes-off', start: 2000, target: { part: 'M' } };
    const scene = sceneIn({ room: 30, airing: 0.5, temperature: 10 }, 4000, warm, gone);
    const [cooled, hot] = sensed(fanned, scene, 'T', 'temperature', [1900, 3900]);
    // Of 20 K the fan leaves λ / (λ + q/V).
    const share = 0.5 / 3600 / (0.5 / 3600 + 0.1 / 30);
    // All but e^(−(λ + k)·t) of the way there, with the fan a little below its rated voltage.
    within(cooled - 10, 20 * share, 0.05);
    within(hot - 10, 20 - (20 - (cooled - 10)) * Math.exp((-1900 * 0.5) / 3600), 0.01);
  });
});
