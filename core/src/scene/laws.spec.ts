import fc from 'fast-check';
import { surroundings, type Quantity } from '../catalog/index.js';
import { checkDocument, readDesign, writeDesign } from '../exchange/index.js';
import { arbitraryYard } from '../testing/arbitrary-scene.js';
import { checkScenes, stimulusOn, happeningSpan, momentIn, setStage } from './index.js';

const shining = () => ({
  volts: { VCC: 5, GND: 0 },
  amps: { a: 0.02, plus: 0.02, VCC: 0.02 },
  watts: 0,
});

/** Seeded, so that a failure is the same for everyone; each law was tried once on 1500 scenes. */
describe('laws that hold in any scene', () => {
  it('what can be made can be read back, and nothing is found wrong with it', () => {
    fc.assert(
      fc.property(arbitraryYard, (design) => {
        expect(checkScenes(design).filter((p) => p.severity === 'refuse')).toEqual([]);
        const read = readDesign(writeDesign(design));
        expect(read.ok && read.design).toEqual(design);
      }),
      { numRuns: 60, seed: 11 },
    );
  });

  it('every sense of every part feels a number within the limits of its quantity', () => {
    fc.assert(
      fc.property(arbitraryYard, fc.double({ min: 0, max: 60, noNaN: true }), (design, t) => {
        const stage = setStage(design);
        const now = momentIn(design.scenes[0], t);
        for (const sensor of stage.sensors) {
          const { min, max } = surroundings[sensor.receiver.quantity];
          const stimulus = stimulusOn(stage, sensor, now, shining);
          expect(stimulus).toBeGreaterThanOrEqual(min);
          expect(stimulus).toBeLessThanOrEqual(max);
        }
      }),
      { numRuns: 60, seed: 11 },
    );
  });

  it('the same moment feels the same, in whatever order it is asked', () => {
    fc.assert(
      fc.property(arbitraryYard, (design) => {
        const stage = setStage(design);
        const [scene] = design.scenes;
        const at = (t: number): number[] =>
          stage.sensors.map((s) => stimulusOn(stage, s, momentIn(scene, t), shining));
        const early = at(3);
        at(40);
        expect(at(3)).toEqual(early);
      }),
      { numRuns: 20, seed: 11 },
    );
  });

  it('more causes never make less of what adds up', () => {
    const adding: readonly Quantity[] = ['sound', 'vibration', 'echo', 'wet'];
    fc.assert(
      fc.property(arbitraryYard, fc.double({ min: 0, max: 60, noNaN: true }), (design, t) => {
        const stage = setStage(design);
        const [scene] = design.scenes;
        const fewer = { ...scene, happenings: scene.happenings.slice(1) };
        for (const sensor of stage.sensors) {
          if (!adding.includes(sensor.receiver.quantity)) continue;
          const all = stimulusOn(stage, sensor, momentIn(scene, t), shining);
          const some = stimulusOn(stage, sensor, momentIn(fewer, t), shining);
          expect(all).toBeGreaterThanOrEqual(some * (1 - 1e-12));
        }
      }),
      { numRuns: 40, seed: 11 },
    );
  });

  it('a happening that has not begun changes nothing', () => {
    fc.assert(
      fc.property(arbitraryYard, (design) => {
        const stage = setStage(design);
        const [scene] = design.scenes;
        const later = {
          ...scene,
          happenings: scene.happenings.map((h) => ({ ...h, start: h.start + 1000 })),
        };
        const bare = { ...scene, happenings: [] };
        for (const sensor of stage.sensors) {
          expect(stimulusOn(stage, sensor, momentIn(later, 5), shining)).toBe(
            stimulusOn(stage, sensor, momentIn(bare, 5), shining),
          );
        }
      }),
      { numRuns: 20, seed: 11 },
    );
  });

  it('spans begin where they are put and last a while', () => {
    fc.assert(
      fc.property(arbitraryYard, (design) => {
        for (const h of design.scenes[0].happenings) {
          const { start, end } = happeningSpan(h);
          expect(start).toBe(h.start);
          expect(end).toBeGreaterThan(start);
        }
      }),
      { seed: 11 },
    );
  });
});

describe('scenes that cannot be are refused with place, reason and cure', () => {
  const spoil = (change: object): string => {
    const [good] = fc.sample(arbitraryYard, { numRuns: 1, seed: 3 });
    const read = checkDocument({ ...good, ...change });
    return read.ok ? '' : read.problems.map((p) => `${p.place}: ${p.reason}. ${p.cure}`).join('\n');
  };
  const scene = (more: object): object => ({
    scenes: [{ id: 's', name: 's', seed: 1, duration: 60, ambient: {}, happenings: [], ...more }],
  });
  const walk = (path: object[]): object =>
    scene({
      happenings: [
        {
          id: 'h',
          kind: 'person-walks',
          name: 'h',
          intent: 'wanted',
          start: 1,
          params: {},
          path,
        },
      ],
    });
  const cases: [string, object, RegExp][] = [
    [
      'a negative concentration',
      scene({ ambient: { propane: -1 } }),
      /ambient\.propane: .*outside the possible/,
    ],
    [
      'a temperature beyond physics',
      scene({ ambient: { temperature: 1e4 } }),
      /ambient\.temperature/,
    ],
    ['surroundings that are none', scene({ ambient: { mood: 1 } }), /there is no parameter "mood"/],
    ['half a choice', scene({ ambient: { sky: 0.5 } }), /not a whole number/],
    [
      'a way without length',
      walk([
        { x: 1, y: 1 },
        { x: 1, y: 1 },
      ]),
      /needs a way from point to point/,
    ],
    [
      'a way beyond the plan',
      walk([
        { x: 1, y: 1 },
        { x: 13, y: 1 },
      ]),
      /path\[1\]: The point 13, 1 m lies outside the plan.*0, 0 to 12, 8/,
    ],
    ['a plan without room', { plan: { width: 0, depth: 8, walls: [] } }, /plan\.width/],
    [
      'a part outside',
      {
        parts: [
          { id: 'B', kind: 'resistor', name: 'B', params: {}, place: { x: -1, y: 0, facing: 0 } },
        ],
      },
      /B stands outside the plan/,
    ],
    [
      'a recording out of order',
      { recordings: [{ id: 'r', name: 'r', times: [1, 0], values: [1, 1] }] },
      /recordings\[0\] \(r\)\.times\[1\]: The time 0 s goes back/,
    ],
    [
      'a recording with a value missing',
      { recordings: [{ id: 'r', name: 'r', times: [0, 1], values: [1] }] },
      /2 times and 1 values/,
    ],
    [
      'a recording that is not there',
      { parts: [{ id: 'B', kind: 'recorded-sensor', name: 'B', params: {}, recording: 'x' }] },
      /plays the recording "x", which is not there/,
    ],
    [
      'a parameter out of its range',
      { parts: [{ id: 'B', kind: 'ntc', name: 'B', params: { beta: -5 } }] },
      /parts\[0\] \(B\)\.params\.beta: .*outside the possible/,
    ],
  ];
  it.each(cases)('%s', (_, change, message) => {
    expect(spoil(change)).toMatch(message);
  });
});
