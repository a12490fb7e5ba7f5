import { sampleRankCorrelation } from 'simple-statistics';
import { kindOf } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { exactBounds } from '../judge/index.js';
import { rehearse } from '../rehearsal/index.js';
import { demo } from '../testing/demo.js';
import { brief, onBoard, pins, placed, sceneOf } from '../testing/small.js';
import {
  correlationOf,
  sampleTrial,
  ranks,
  rehearseTrial,
  summarise,
  usualVariation,
  type Trial,
  type Variation,
} from './index.js';

const still: Variation = {
  tolerances: false,
  temperature: 0,
  supply: 0,
  start: 0,
  strength: 0,
  place: 0,
};
const fire = demo('varnish-bench-fire');
const [scene] = fire.scenes;

describe('a night', () => {
  it('without anything that varies is the scene itself with another seed', () => {
    const { design, scene: sampled } = sampleTrial(fire, scene, still, 7);
    expect(design).toEqual(fire);
    expect(sampled).toEqual({ ...scene, seed: 7 });
    const { outcomes } = rehearseTrial(fire, scene, still, scene.seed);
    for (const verdict of rehearse(fire, scene).verdicts)
      expect(outcomes[verdict.happening]?.outcome).toBe(verdict.outcome);
  });

  it('follows its circuit in time: an RC delay lets pass what its drawn values make it let pass', () => {
    const delay = placed(
      brief(
        'adapter G volts=9, loop-contact S, resistor R ohms=100e3, capacitor C farads=100e-6 leak=1e12, resistor RA ohms=10e3, resistor RB ohms=10e3, comparator-393 U offset=0, resistor RL ohms=470, led H',
        'G.plus U.vcc, G.minus U.gnd, G.plus R.a, R.b C.a, C.b G.minus, R.b S.a, S.b G.minus, R.b U.minus, G.plus RA.a, RA.b RB.a, RB.b G.minus, RA.b U.plus, G.plus RL.a, RL.b H.a, H.k U.out',
      ),
    );
    const opens = { kind: 'door-opens', start: 3, params: { moves: 0.05, stays: 7 } };
    const vary = { ...still, tolerances: true };
    const came = Array.from({ length: 40 }, (_, seed) => {
      const { design } = sampleTrial(delay, sceneOf(20, opens), vary, seed);
      const of = (id: string, param: string): number =>
        Number(design.parts.find((p) => p.id === id)?.params[param]);
      const share = of('RB', 'ohms') / (of('RA', 'ohms') + of('RB', 'ohms'));
      const after = -of('R', 'ohms') * of('C', 'farads') * Math.log(1 - share);
      const { outcomes, circuit } = rehearseTrial(delay, sceneOf(20, opens), vary, seed);
      expect(circuit).toBe('in time');
      return { after, noticed: outcomes['h0'].outcome === 'noticed' };
    });
    // The loop is open for its 7 s and half of each of its two movements.
    for (const { after, noticed } of came)
      if (Math.abs(after - 7.05) > 0.07) expect(noticed).toBe(after < 7.05);
    expect(new Set(came.map((c) => c.noticed)).size).toBe(2);
  });

  it('is drawn the same for the same seed, and differently for another', () => {
    const draw = (seed: number) => sampleTrial(fire, scene, usualVariation, seed);
    expect(draw(3)).toEqual(draw(3));
    expect(draw(3)).not.toEqual(draw(4));
  });

  it('keeps every value within its tolerance and what is possible, and everything on the plan', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const wild = { ...usualVariation, strength: 0.9, place: 30, start: 1e3, temperature: 60 };
      const { design, scene: sampled, sampled: shares } = sampleTrial(fire, scene, wild, seed);
      expect(Object.values(shares).every((s) => s >= -1 && s <= 1)).toBe(true);
      fire.parts.forEach((part, i) => {
        for (const { id, tolerance = 0, min, max, default: usual } of kindOf(part).params) {
          const [before, after] = [part, design.parts[i]].map((p) => p.params[id] ?? usual);
          expect(after).toBeGreaterThanOrEqual(min);
          expect(after).toBeLessThanOrEqual(max);
          if (tolerance > 0)
            expect(Math.abs(after / before - 1)).toBeLessThanOrEqual(tolerance + 1e-12);
        }
      });
      for (const { start, path = [] } of sampled.happenings) {
        expect(start).toBeGreaterThanOrEqual(0);
        expect(path.every(({ x, y }) => x >= 0 && x <= 8 && y >= 0 && y <= 6)).toBe(true);
      }
    }
  });
});

it('what stands on a wall or close before it is never put up behind it', () => {
  const wall = { from: { x: 4, y: 0 }, to: { x: 4, y: 6 } };
  const stands = (x: number) => ({
    ...fire,
    plan: { ...fire.plan, walls: [wall] },
    parts: fire.parts.map((p) => (p.place ? { ...p, place: { ...p.place, x, y: 3 } } : p)),
  });
  for (const at of [4, 3.95])
    for (let seed = 1; seed <= 40; seed++) {
      const { design } = sampleTrial(stands(at), scene, { ...usualVariation, place: 0.3 }, seed);
      const xs = design.parts.flatMap(({ place }) => place?.x ?? []);
      expect(xs.every((x) => x <= 4)).toBe(true);
      expect(xs.length).toBeGreaterThan(0);
    }
});

/**
 * A divider of two resistors of 5 % on an analogue pin, at half of the supply, that is to be noticed above a line:
 * what decides is the two resistors alone.
 */
function divider(threshold: number): Design {
  return onBoard(
    'resistor A ohms=10000, resistor B ohms=10000',
    'U.5V A.a, A.b B.a, B.b U.GND, A.b U.A0',
    {
      ...pins('U.A0 analogue'),
      channels: [
        {
          id: 'c',
          name: 'c',
          pin: 'U.A0',
          trips: 'above',
          threshold,
          hysteresis: 1,
          every: 0.5,
          hits: 1,
          misses: 1,
        },
      ],
      scenes: [{ id: 's', name: 's', seed: 1, duration: 1, ambient: {}, happenings: [] }],
    },
  );
}

it('trips in as many nights as two evenly spread resistors put it above the line (closed form)', () => {
  // Reading = full·B/(A + B), A and B even within ±t: B/A > r/(1 − r) for a share r.
  const threshold = 518;
  const design = divider(threshold);
  const only = { ...still, tolerances: true };
  const t =
    kindOf(design.parts.find((p) => p.id === 'A') ?? design.parts[0]).params.find(
      (p) => p.id === 'ohms',
    )?.tolerance ?? 0;
  const k = (threshold + 0.5) / 1023 / (1 - (threshold + 0.5) / 1023);
  // Area of {b > k·a} in the square [1 − t, 1 + t]², by a fine sum over a.
  const steps = 20_000;
  let area = 0;
  for (let i = 0; i < steps; i++) {
    const a = 1 - t + (2 * t * (i + 0.5)) / steps;
    area += Math.max(0, Math.min(2 * t, 1 + t - k * a)) / (2 * t) / steps;
  }
  const trials = 400;
  let above = 0;
  for (let seed = 1; seed <= trials; seed++) {
    const trial = sampleTrial(design, design.scenes[0], only, seed);
    const { readings } = rehearse(trial.design, trial.scene);
    if (readings['c'].values[0] > threshold) above += 1;
  }
  const { low, high } = exactBounds(above, trials, 0.999);
  expect(area).toBeGreaterThan(0.05);
  expect(low).toBeLessThan(area);
  expect(high).toBeGreaterThan(area);
});

describe('the summary', () => {
  const trial = (
    seed: number,
    outcome: 'noticed' | 'missed',
    delay: number,
    sampled: number,
  ): Trial => ({
    seed,
    outcomes: {
      h1: { outcome: seed % 10 === 0 ? 'fired falsely' : 'quiet' },
      h2: { outcome, ...(outcome === 'noticed' ? { delay } : {}) },
      h3: { outcome: 'noticed', delay: 0.1 },
    },
    strays: 0,
    sampled: { matters: sampled, 'does not': ((seed * 7919) % 200) / 100 - 1 },
  });
  // Missed where what matters is above 0.5; slower the more of it.
  const trials = Array.from({ length: 200 }, (_, i) => {
    const sampled = ((i * 37) % 200) / 100 - 1;
    return trial(i + 1, sampled > 0.5 ? 'missed' : 'noticed', 1 + sampled, sampled);
  });
  const told = summarise(trials, scene);

  it('counts shares with exact bounds, delays and false triggers a day', () => {
    const [lamp, east] = told.happenings;
    expect(lamp.share).toEqual(exactBounds(20, 200));
    expect(east.share).toEqual(
      exactBounds(trials.filter((n) => n.outcomes['h2'].outcome === 'noticed').length, 200),
    );
    expect(east.delays?.largest).toBeCloseTo(1.5, 9);
    expect(told.falses.perDay).toBeCloseTo((86_400 * 20) / (200 * scene.duration), 9);
    expect(told.falses.atMostPerDay).toBeGreaterThan(told.falses.perDay);
  });

  it('names what matters, and not what does not', () => {
    expect(told.influences.map((i) => i.what)).toEqual(['matters']);
    expect(told.influences[0].correlation).toBeGreaterThan(0.95);
  });

  it('lists the worst nights by their seeds', () => {
    expect(told.worst[0].missed).toEqual(['A rag flares up to the east']);
    expect(trials[told.worst[0].seed - 1].outcomes['h2'].outcome).toBe('missed');
  });

  it('of no night is no number but the bounds of ignorance', () => {
    const none = summarise([], scene);
    expect(none.happenings.every((h) => h.share.low === 0 && h.share.high === 1)).toBe(true);
    expect(none.influences).toEqual([]);
  });
});

it('ranks and their correlation agree with a statistics library', () => {
  const a = [3, 1, 4, 1, 5, 9, 2, 6, 5, 3];
  const b = [2, 7, 1, 8, 2, 8, 1, 8, 2, 8];
  expect(ranks([10, 20, 20, 5])).toEqual([1, 2.5, 2.5, 0]);
  // Without ties both are the same by definition; the library does not share ties.
  const c = [3, 1, 4, 15, 5, 9, 2, 6];
  const d = [2, 7, 18, 28, 1, 82, 84, 5];
  expect(correlationOf(ranks(c), ranks(d))).toBeCloseTo(sampleRankCorrelation(c, d), 9);
  expect(correlationOf(ranks(a), ranks(b))).toBeCloseTo(correlationOf(ranks(b), ranks(a)), 12);
});
