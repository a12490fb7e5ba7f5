/** What the controller decides on courses whose outcome is known otherwise: closed forms, and a real year. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import type { Channel, Condition, Drive } from '../design/index.js';
import { playThrough, program, yesNo, type Said } from '../testing/play-program.js';
import { channelCourse, outputDuty, restingChannel, restingLogic, stepLogic } from './index.js';

const trips = (channel: Channel, counts: number[]): boolean[] =>
  [
    ...channelCourse(
      channel,
      restingChannel,
      counts.map((_, i) => i * channel.every),
      counts,
    ),
  ].map((s) => s.tripped);

/** Times at which an answer changes. */
const changes = (answers: boolean[]): number[] =>
  answers.flatMap((yes, i) => (yes === (answers[i - 1] ?? false) ? [] : [i]));

describe('a seat that is looked at every 8 s', () => {
  const seat: Channel = { ...yesNo('seat'), every: 8, hits: 225, misses: 7 };
  it('225 looks in a row are half an hour: the last falls 224 · 8 s after the first', () => {
    const sat = trips(seat, Array<number>(300).fill(2));
    expect(sat.indexOf(true) * seat.every).toBe(1792);
    expect(seat.hits * seat.every).toBe(30 * 60);
  });
  it('one look on an empty seat begins the count anew, seven in a row end it', () => {
    const counts = Array<number>(700).fill(2);
    counts[200] = 0;
    for (let i = 500; i < 507; i++) counts[i] = 0;
    expect(changes(trips(seat, counts))).toEqual([201 + 224, 506]);
  });
});

describe('hourly temperatures of a year in Seattle (vega-datasets, hourly normals)', () => {
  const file = 'node_modules/vega-datasets/data/seattle-weather-hourly-normals.csv';
  const rows = readFileSync(file, 'utf8').trim().split('\n');
  const column = rows[0].split(',').indexOf('temperature');
  // Tenths of a degree as counts, as a converter would give them.
  const year = rows.slice(1).map((row) => Math.round(10 * Number(row.split(',')[column])));

  /** How often a fan is switched, counted by hand: on above, off only below the band. */
  function switchings(on: number, off: number): number {
    let [running, turns] = [false, 0];
    for (const t of year) {
      if (!running && t > on) [running, turns] = [true, turns + 1];
      else if (running && t < off) [running, turns] = [false, turns + 1];
    }
    return turns;
  }
  it.each([
    [150, 0],
    [150, 20],
    [180, 50],
    [200, 100],
  ])('a fan at %i tenths of a degree with %i between on and off', (threshold, hysteresis) => {
    const fan: Channel = { ...yesNo('fan'), threshold, hysteresis, every: 3600 };
    const counted = changes(trips(fan, year)).length;
    expect(counted).toBe(switchings(threshold, threshold - hysteresis));
    expect(counted).toBeGreaterThan(0);
  });
  it('hysteresis never switches oftener', () => {
    const often = [0, 10, 20, 40, 80].map((band) => switchings(150, 150 - band));
    expect(often).toEqual([...often].sort((a, b) => b - a));
    expect(year).toHaveLength(8759);
  });
});

describe('two beams that are read every so often', () => {
  const then = (first: string, second: string): Condition => ({
    is: 'then',
    first: { is: 'channel', channel: first },
    second: { is: 'channel', channel: second },
    within: 2,
  });
  const counted = program({
    counters: ['in', 'out'].map((id) => ({ id, name: id, start: 0, least: 0, most: 99 })),
    rules: [
      {
        id: 'r1',
        when: then('a', 'b'),
        hold: 0,
        latch: false,
        then: [{ do: 'count', counter: 'in', by: 1 }],
      },
      {
        id: 'r2',
        when: then('b', 'a'),
        hold: 0,
        latch: false,
        then: [{ do: 'count', counter: 'out', by: 1 }],
      },
    ],
  });
  /** One who breaks the beams from `at` on, the second so much later, each for `lasts`; read every `every` s. */
  function passes(at: number, later: number, lasts: number, every: number): [number, number] {
    const said: Said[] = [];
    for (let n = 0; n * every < at + later + lasts + 3 * every; n++) {
      const t = n * every;
      const broken = (from: number): boolean => t >= from && t < from + lasts;
      said.push([t, `${broken(at) ? 'a' : ''}${broken(at + later) ? 'b' : ''}`]);
    }
    const { counters } = playThrough(counted, said, 0, () => undefined);
    return [counters['in'], counters['out']];
  }
  it('walking speed, 1.2 to 1.4 m/s (common practice): the way is always known where it is read oftener than the beams are apart', () => {
    const walk = fc.record({
      speed: fc.double({ min: 1.2, max: 1.4, noNaN: true }),
      apart: fc.double({ min: 0.08, max: 0.3, noNaN: true }),
      share: fc.double({ min: 0.1, max: 0.99, noNaN: true }),
      phase: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(walk, ({ speed, apart, share, phase }) => {
        const later = apart / speed;
        const every = later * share;
        expect(passes(1 + phase * every, later, 0.4 / speed, every)).toEqual([1, 0]);
      }),
    );
  });
  it('read more seldom, the order is lost in a share 1 − d/T of all phases (d apart in time, T between readings)', () => {
    const [later, every, phases] = [0.04, 0.1, 200];
    let lost = 0;
    for (let i = 0; i < phases; i++) {
      const [way] = passes(1 + ((i + 0.5) / phases) * every, later, 0.25, every);
      lost += 1 - way;
    }
    expect(lost / phases).toBeCloseTo(1 - later / every, 1);
  });
});

it.each([
  [1, 0.03],
  [1, 0.3],
  [3, 0.25],
  [5, 0.45],
])('%i hits in a row, %d s long: noticed in a share d/T − (k − 1) of all phases', (hits, lasts) => {
  const [every, phases] = [0.1, 400];
  const channel: Channel = { ...yesNo('a'), every, hits };
  let noticed = 0;
  for (let i = 0; i < phases; i++) {
    const from = 1 + ((i + 0.5) / phases) * every;
    const counts = Array.from({ length: 40 }, (_, n) =>
      n * every >= from && n * every < from + lasts ? 2 : 0,
    );
    if (trips(channel, counts).includes(true)) noticed += 1;
  }
  const share = Math.min(1, Math.max(0, lasts / every - (hits - 1)));
  expect(noticed / phases).toBeCloseTo(share, 2);
});

describe('fades', () => {
  /** Share of full at a time after an output was switched on. */
  function after(seconds: number, curve: 'straight' | 'eye', up = 2): number {
    const drive: Drive = { as: 'on' };
    const p = program({
      outputs: [{ ...program({}).outputs[0], fade: { up, down: 1, curve } }],
      rules: [
        {
          id: 'r',
          when: { is: 'channel', channel: 'a' },
          hold: 0,
          latch: false,
          then: [{ do: 'drive', output: 'o', drive }],
        },
      ],
    });
    const [state] = stepLogic(p, restingLogic(p), new Map([['a', 2]]), 10);
    return outputDuty(state, p.outputs[0], 10 + seconds);
  }
  it.each([0, 0.25, 0.5, 1, 1.9, 2, 5])('straight: t/up after %d s', (t) => {
    expect(after(t, 'straight')).toBeCloseTo(Math.min(1, t / 2), 12);
  });
  it.each([0.25, 0.5, 1, 1.5])('for the eye: the lightness of CIE 1976 is t/up after %d s', (t) => {
    const y = after(t, 'eye');
    // The definition of L*, from luminance to lightness, the other way about than the program goes.
    const lightness = y > (6 / 29) ** 3 ? 116 * Math.cbrt(y) - 16 : y * (29 / 3) ** 3;
    expect(lightness).toBeCloseTo((100 * t) / 2, 4);
  });
  it('half as bright for the eye needs less than a fifth of the time on', () => {
    expect(after(1, 'eye')).toBeLessThan(0.2);
    expect(after(1, 'straight')).toBe(0.5);
  });
});
