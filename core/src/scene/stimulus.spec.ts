import type { Quantity, SolvedPart } from '../catalog/index.js';
import {
  emptyDesign,
  type Design,
  type Happening,
  type Part,
  type Scene,
} from '../design/index.js';
import { stimulusOn, momentIn, setStage } from './index.js';

const place = (x: number, y: number, facing = 0) => ({ place: { x, y, facing } });
const part = (id: string, kind: string, more: Partial<Part> = {}): Part => ({
  id,
  kind,
  name: id,
  params: {},
  ...more,
});
const design = (parts: Part[], more: Partial<Design> = {}): Design => ({
  ...emptyDesign('Yard'),
  plan: { width: 20, depth: 20, walls: [] },
  parts,
  ...more,
});
let count = 0;
const happening = (
  kind: string,
  params: Record<string, number>,
  ...path: [number, number][]
): Happening => ({
  id: `h${count++}`,
  kind,
  name: kind,
  intent: 'wanted',
  start: 0,
  params,
  path: path.map(([x, y]) => ({ x, y })),
});
const scene = (happenings: Happening[], ambient: Record<string, number> = {}): Scene => ({
  ...{ id: 's', name: 's', seed: 1, duration: 60 },
  ambient,
  happenings,
});
const solved = (amps: number): SolvedPart => ({
  volts: { VCC: 5, GND: 0 },
  amps: { VCC: amps, plus: amps, a: amps },
  watts: 0,
});

/** What a part feels of a quantity. */
function stimulus(
  yard: Design,
  id: string,
  quantity: Quantity,
  at: Scene,
  t = 0,
  amps: number | undefined = undefined,
): number {
  const stage = setStage(yard);
  const sensor = stage.sensors.find((s) => s.part.id === id && s.receiver.quantity === quantity);
  if (!sensor) throw new Error(`${id} does not feel ${quantity}.`);
  return stimulusOn(stage, sensor, momentIn(at, t), () =>
    amps === undefined ? undefined : solved(amps),
  );
}

describe('where nothing happens, what is felt is the surroundings', () => {
  const yard = design([
    part('B1', 'photoresistor', place(1, 1)),
    part('B2', 'flame-receiver', place(1, 1)),
    part('B3', 'gas-combustible'),
    part('G1', 'adapter'),
    part('B4', 'ultrasonic-ranger', place(1, 1)),
    part('S1', 'float-switch'),
  ]);
  const cases: [string, Quantity, Record<string, number>, number][] = [
    ['B1', 'light', { daylight: 300 }, 300],
    ['B1', 'light', { daylight: 300, clouds: 1 }, 75],
    ['B2', 'infrared', { daylight: 1000 }, 1000 * (170 / 110e3) * 0.25],
    ['B3', 'propane', { propane: 400 }, 400],
    ['B3', 'temperature', { temperature: -5 }, -5],
    ['G1', 'supply', {}, 1],
    ['B4', 'distance', {}, 20],
    ['S1', 'water', { water: 0.3 }, 0.3],
  ];
  it.each(cases)('%s feels %s in %j', (id, quantity, ambient, expected) => {
    expect(stimulus(yard, id, quantity, scene([], ambient))).toBeCloseTo(expected, 9);
  });
});

describe('how several causes join', () => {
  const yard = design([
    part('B1', 'sound-level-module', place(10, 10)),
    part('B2', 'ultrasonic-ranger', place(10, 10)),
    part('G1', 'adapter'),
    part('B3', 'gas-combustible'),
  ]);
  it('independent sounds add as squares', () => {
    const clap = happening('clap', { level: 94, decay: 1 }, [11, 10]);
    const one = stimulus(yard, 'B1', 'sound', scene([clap], { sound: 0 }));
    const two = stimulus(yard, 'B1', 'sound', scene([clap, clap], { sound: 0 }));
    expect(two / one).toBeCloseTo(Math.SQRT2, 9);
  });
  it('of two things the nearer is ranged', () => {
    const at = (x: number): Happening => happening('hand-near', { speed: 0.001 }, [x, 10], [x, 11]);
    const seen = stimulus(yard, 'B2', 'distance', scene([at(13), at(11)]), 1);
    expect(seen).toBeCloseTo(1 - 0.045, 2);
  });
  it('of two dips the deeper holds, and gases add up', () => {
    const dips = [0.8, 0.3].map((left) => happening('supply-dips', { left }));
    expect(stimulus(yard, 'G1', 'supply', scene(dips), 0.2)).toBeCloseTo(0.3, 9);
    const leak = happening('gas-released', { changes: 0 });
    const one = stimulus(yard, 'B3', 'propane', scene([leak]), 60);
    expect(stimulus(yard, 'B3', 'propane', scene([leak, leak], { propane: 10 }), 60)).toBeCloseTo(
      2 * one + 10,
      6,
    );
  });
});

describe('beams through space', () => {
  const beam = (emitter: string, receiver: string, walls: Design['plan']['walls'] = []) =>
    design([part('E1', emitter, place(2, 5, 0)), part('B1', receiver, place(6, 5, 180))], {
      plan: { width: 20, depth: 20, walls },
    });
  const wall = [{ from: { x: 4, y: 0 }, to: { x: 4, y: 9 } }];
  const dark = scene([]);

  it('carrier: intensity per ampere over d²; a lamp without it gives none, a wall stops it', () => {
    const yard = beam('modulated-emitter', 'modulated-receiver');
    expect(stimulus(yard, 'B1', 'carrier', dark, 0, 0.025)).toBeCloseTo((5 * 0.025) / 16, 9);
    expect(
      stimulus(beam('infrared-emitter', 'modulated-receiver'), 'B1', 'carrier', dark, 0, 0.1),
    ).toBe(0);
    const behind = beam('modulated-emitter', 'modulated-receiver', wall);
    expect(stimulus(behind, 'B1', 'carrier', dark, 0, 0.025)).toBe(0);
  });

  it('laser: lumens of 650 nm into the solid angle of its cone, on a photoresistor 4 m away', () => {
    const yard = beam('laser-spot', 'photoresistor');
    const lumens = 683 * 0.107 * 0.8e-3;
    const solidAngle = 2 * Math.PI * (1 - Math.cos((0.3 * Math.PI) / 180));
    expect(stimulus(yard, 'B1', 'light', dark, 0, 0.02)).toBeCloseTo(lumens / solidAngle / 16, 6);
  });

  it('is crossed either way by the same shadow', () => {
    const yard = beam('infrared-emitter', 'phototransistor');
    const there = happening('crossing', { speed: 1, width: 0.3 }, [4, 4], [4, 6]);
    const back = happening('crossing', { speed: 1, width: 0.3 }, [4, 6], [4, 4]);
    const [a, b] = [there, back].map((h) => stimulus(yard, 'B1', 'infrared', scene([h]), 1, 0.05));
    expect(a).toBe(0);
    expect(b).toBe(0);
    expect(stimulus(yard, 'B1', 'infrared', scene([there]), 0.2, 0.05)).toBeGreaterThan(0);
  });
});

describe('flames, walls and bodies', () => {
  const yard = design([part('B1', 'flame-receiver', place(5, 5, 0))]);
  const fire = happening('flame', { height: 0.1, lasts: 30 }, [7, 5]);
  const direct = stimulus(yard, 'B1', 'infrared', scene([fire]), 1);
  it('falls as 1/d²', () => {
    const far = happening('flame', { height: 0.1, lasts: 30 }, [9, 5]);
    expect(direct / stimulus(yard, 'B1', 'infrared', scene([far]), 1)).toBeCloseTo(4, 6);
  });
  it('half as much at the half-angle, nothing from behind', () => {
    const aside: [number, number] = [5 + 2 * Math.cos(Math.PI / 6), 5 + 2 * Math.sin(Math.PI / 6)];
    const at = (path: [number, number]): number =>
      stimulus(yard, 'B1', 'infrared', scene([happening('flame', { height: 0.1 }, path)]), 1);
    expect(at(aside) / direct).toBeCloseTo(0.5, 6);
    expect(at([3, 5])).toBe(0);
  });
  it('is hidden by someone who stands between, and by a wall', () => {
    const someone = happening('person-walks', { speed: 0.1 }, [6, 4.9], [6, 5.1]);
    expect(stimulus(yard, 'B1', 'infrared', scene([fire, someone]), 1)).toBe(0);
    const walls = [{ from: { x: 6, y: 0 }, to: { x: 6, y: 20 } }];
    const walled = { ...yard, plan: { ...yard.plan, walls } };
    expect(stimulus(walled, 'B1', 'infrared', scene([fire]), 1)).toBe(0);
  });
  it('flickers between 1 and 15 Hz', () => {
    const values = Array.from({ length: 1000 }, (_, i) =>
      stimulus(yard, 'B1', 'infrared', scene([fire]), 1 + i / 1000),
    );
    const mean = values.reduce((a, b) => a + b) / values.length;
    const turns = values.filter((v, i) => i > 0 && v > mean !== values[i - 1] > mean).length / 2;
    expect(turns).toBeGreaterThan(1);
    expect(turns).toBeLessThan(15);
  });
});

describe('magnets, touches, doors', () => {
  const yard = design([
    part('B1', 'linear-hall', place(5, 5, 0)),
    part('S1', 'touch-module', place(5, 5)),
    part('S2', 'loop-contact', place(5, 5)),
    part('S3', 'loop-contact', place(15, 5)),
    part('K1', 'keypad', place(5, 5)),
    part('T1', 'tag-reader', place(5, 5)),
  ]);
  it('north and south poles are felt with opposite sign', () => {
    const by = (pole: number): number => {
      const magnet = happening('magnet-approaches', { pole, speed: 0.01 }, [5.05, 5], [5.02, 5]);
      return stimulus(yard, 'B1', 'field', scene([magnet]), 3);
    };
    expect(by(0)).toBeGreaterThan(1e-3);
    expect(by(1)).toBeCloseTo(-by(0), 12);
  });
  it('a finger reaches what it is on, and nothing else', () => {
    const on = happening('finger-touches', { lasts: 1 }, [5, 5]);
    const beside = happening('finger-touches', { lasts: 1 }, [5.5, 5]);
    expect(stimulus(yard, 'S1', 'touch', scene([on]), 0.5)).toBe(15e-12);
    expect(stimulus(yard, 'S1', 'touch', scene([beside]), 0.5)).toBe(0);
  });
  it('a door moves its own contact only', () => {
    const door = happening('door-opens', {}, [5, 5.3]);
    expect(stimulus(yard, 'S2', 'gap', scene([door]), 3)).toBeGreaterThan(0.5);
    expect(stimulus(yard, 'S3', 'gap', scene([door]), 3)).toBe(0);
  });
  it('keys and tags are told by their number, while they are there', () => {
    const key = happening('key-pressed', { key: 7, lasts: 0.2 }, [5, 5]);
    expect(stimulus(yard, 'K1', 'key', scene([key]), 0.1)).toBe(7);
    expect(stimulus(yard, 'K1', 'key', scene([key]), 0.3)).toBe(0);
    const tag = happening('tag-shown', { tag: 4711 }, [5.02, 5]);
    expect(stimulus(yard, 'T1', 'tag', scene([tag]), 0.5)).toBe(4711);
    const far = happening('tag-shown', { tag: 4711 }, [5.2, 5]);
    expect(stimulus(yard, 'T1', 'tag', scene([far]), 0.5)).toBe(0);
  });
});

describe('recordings', () => {
  const yard = design([part('B1', 'recorded-sensor', { recording: 'r' })], {
    recordings: [{ id: 'r', name: 'r', times: [10, 12, 20], values: [1, 3, 3] }],
  });
  const plays = happening('recording-plays', { lasts: 30, speed: 2 });
  it('stands at its first value, plays, and goes back', () => {
    const at = (t: number): number => stimulus(yard, 'B1', 'recorded', scene([plays]), t);
    expect(at(-1)).toBe(1);
    // Twice as fast: half a second in, one second of the recording has gone by.
    expect(at(0.5)).toBeCloseTo(2, 9);
    expect(at(5)).toBe(3);
    expect(at(31)).toBe(1);
  });
  it('without a recording it feels what the surroundings say', () => {
    const bare = design([part('B1', 'recorded-sensor')]);
    expect(stimulus(bare, 'B1', 'recorded', scene([], { recorded: 0.7 }))).toBe(0.7);
  });
});

it('nothing is felt beyond what a quantity can be', () => {
  const yard = design([part('B1', 'flame-receiver', place(5, 5, 0))]);
  const blaze = happening('flame', { height: 3 }, [5.01, 5]);
  expect(stimulus(yard, 'B1', 'infrared', scene([blaze]), 1)).toBe(5000);
  const night = happening('dusk-falls', { takes: 1e5, moves: 0.1 });
  expect(stimulus(yard, 'B1', 'infrared', scene([night], { daylight: 10 }), 5)).toBe(0);
});

describe('a sounder is heard where it was put', () => {
  const mic = part('M', 'sound-level-module', place(1, 1));
  const sounder = part('P', 'sounder-12v', { ...place(3, 1), params: { loudness: 100 } });
  const heard = (yard: Design, volts: number): number => {
    const stage = setStage(yard);
    const [sensor] = stage.sensors;
    const fed: SolvedPart = { volts: { plus: volts, minus: 0 }, amps: {}, watts: 0 };
    return stimulusOn(stage, sensor, momentIn(scene([], { sound: 0 }), 0), () => fed);
  };
  /** dB from Pa, by the definition of the level (IEC 61672-1): 94 dB is one pascal, to two digits. */
  const decibel = (pascal: number): number => 94 + 20 * Math.log10(pascal);

  it('at 2 m 6 dB less than at 1 m, at 12 V as loud as it says', () => {
    expect(decibel(heard(design([mic, sounder]), 12))).toBeCloseTo(100 - 6, 1);
  });
  it('not below the voltage from which it sounds, and not without a place', () => {
    expect(heard(design([mic, sounder]), 4)).toBe(0);
    expect(heard(design([mic, { ...sounder, place: undefined }]), 12)).toBe(0);
  });
  it('through a body and around a wall', () => {
    const walls = [{ id: 'w', from: { x: 2, y: 0 }, to: { x: 2, y: 2 } }];
    const yard = design([mic, sounder], { plan: { width: 20, depth: 20, walls } });
    expect(heard(yard, 12)).toBeCloseTo(heard(design([mic, sounder]), 12), 12);
  });
});
