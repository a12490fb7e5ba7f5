/** Cycles of sleep that are alike are gone over at once: nothing that is read, decided or drawn may differ for it. */
import { demo } from '../testing/demo.js';
import { brief, channel, pins, placed, sceneOf } from '../testing/small.js';
import { rehearse } from './rehearse.js';
import type { Trace } from './traces.js';

it('reads and decides what every cycle in full does: as settled at each moment none is gone over', () => {
  const gate = demo('creek-gate-watch');
  const [day] = gate.scenes;
  const happenings = day.happenings.slice(0, 3).map((h, i) => ({ ...h, start: 300 + 400 * i }));
  const scene = { ...day, duration: 1500, happenings };
  const [settled, time] = [rehearse(gate, scene), rehearse(gate, scene, undefined, 'time')];
  for (const [id, { times, values }] of Object.entries(settled.readings)) {
    expect(time.readings[id].values).toEqual(values);
    time.readings[id].times.forEach((t, i) => expect(Math.abs(t - times[i])).toBeLessThan(1e-9));
  }
  expect(time.verdicts.map((v) => v.outcome)).toEqual(settled.verdicts.map((v) => v.outcome));
  expect(time.asleep.length).toBeGreaterThan(200);
  time.asleep.forEach(({ from }, i, all) => {
    if (i > 0) expect(from).toBeGreaterThanOrEqual(all[i - 1].to);
  });
});

it('draws the noise of all readings in a long scene, of which not all are kept', () => {
  const gate = demo('creek-gate-watch');
  const [day] = gate.scenes;
  const scene = { ...day, duration: 9000, happenings: [] };
  const often = { ...gate, channels: gate.channels.map((c) => ({ ...c, every: c.every / 10 })) };
  const settled = rehearse(often, scene);
  const time = rehearse(often, scene, undefined, 'time');
  for (const [id, { times, values }] of Object.entries(time.readings)) {
    const own = new Map(settled.readings[id].times.map((t, i) => [Math.round(1e6 * t), i]));
    const both = times.flatMap((t, i) => {
      const j = own.get(Math.round(1e6 * t));
      return j === undefined ? [] : [[values[i], settled.readings[id].values[j]]];
    });
    expect(both.length).toBeGreaterThan(2000);
    expect(both.filter(([a, b]) => a !== b)).toEqual([]);
  }
  expect(settled.keptEvery).toBeGreaterThan(1);
});

const chip = (ampHours: number) =>
  placed(
    brief(
      `alkaline-pack G ampHours=${ampHours} ohms=1e-3 selfDischarge=0, chip-8bit-40pin U own=0.012 rail=5, resistor R ohms=10e6, resistor S ohms=10e6`,
      'G.plus U.VCC, G.minus U.GND, U.VCC R.a, R.b U.PA0, U.PA0 S.a, S.b U.GND',
      {
        ...channel('U.PA0', { every: 0.1, trips: 'above', threshold: 1000 }),
        controller: { ...pins('U.PA0 analogue').controller, sleep: { every: 8, awake: 0.5 } },
      },
    ),
  );

/** Open-circuit volts of the cells over their charge, as the catalogue gives them. */
const curve = [0.6, 0.73, 0.78, 0.81, 0.84, 0.89, 1.06].map((share) => 4.5 * share);

it('a pack that a sleeping chip runs down lasts as long as its charge over the mean current', () => {
  const ampHours = 0.004;
  const run = rehearse(chip(ampHours), sceneOf(40_000), undefined, 'time');
  // 12 mA at 5 V for a sixteenth of the time, 10 µA besides; the chip stops at 2.7 V, which the cells have when empty.
  const ohms = 5 / (0.012 / 16 + (10e-6 * 15) / 16);
  let charge = 1;
  let empty = 0;
  for (; charge > 0; empty += 1) {
    const at = Math.min(5, Math.floor(charge * 6));
    const volts = curve[at] + (curve[at + 1] - curve[at]) * (6 * charge - at);
    charge -= volts / ohms / (3600 * ampHours);
  }
  expect(run.outages[0].from / empty).toBeGreaterThan(0.98);
  expect(run.outages[0].from / empty).toBeLessThan(1.01);
});

it('draws on the average what its two ways of being on say, whatever the cycles gone over', () => {
  const energy = ({ times, values }: Trace, until: number): number =>
    times.reduce((sum, t, i) => sum + values[i] * ((times[i + 1] ?? until) - t), 0);
  const { watts } = rehearse(chip(200), sceneOf(86_400), undefined, 'time');
  const volts = 4.5 * 1.06;
  const mean = (volts ** 2 / 5) * (0.012 / 16 + (10e-6 * 15) / 16);
  expect(energy(watts, 86_400) / (mean * 86_400)).toBeCloseTo(1, 2);
});
