/** What takes time in a circuit takes it in a rehearsal too: each against a closed form. */
import { readdirSync } from 'node:fs';
import { applyEdit, type Design, type Happening, type Scene } from '../design/index.js';
import { fiveQuestions, gatherEvidence } from '../check/index.js';
import { demo } from '../testing/demo.js';
import { brief, channel, onBoard, pins, placed, sceneOf, walksPast } from '../testing/small.js';
import { restingLogic } from '../logic/index.js';
import { inputs } from '../slip/inputs.js';
import { CoSimulation } from './co-simulation.js';
import type { Rehearsal } from './rehearsal.js';
import { rehearse } from './rehearse.js';

const inTime = (design: Design, of: Scene): Rehearsal =>
  rehearse(placed(design), of, undefined, 'time');

/** When a part began and ceased to act, s. */
const acted = ({ acting }: Rehearsal, part: string): number[] =>
  acting.filter((a) => a.part === part).map((a) => a.t);

const led = 'resistor RL ohms=470, led H';
const monostable = brief(
  `adapter G volts=9, timer-555 U, resistor R ohms=1e6, capacitor C farads=10e-6 leak=1e12, resistor RT ohms=10e3, push-button S, ${led}`,
  'G.plus U.vcc, G.minus U.gnd, G.plus U.reset, G.plus R.a, R.b U.thr, R.b U.dis, R.b C.a, C.b G.minus, G.plus RT.a, RT.b U.trig, U.trig S.a, S.b G.minus, U.out RL.a, RL.b H.a, H.k G.minus',
);

/** Within a hundredth. */
const about = (value: number, expected: number): void =>
  expect(Math.abs(value / expected - 1)).toBeLessThan(0.01);

it('555 monostable: on for ln 3 · R · C', () => {
  const run = inTime(monostable, sceneOf(20, { kind: 'finger-touches', start: 2 }));
  const [on, off] = acted(run, 'H');
  about(on, 2);
  about(off - on, Math.log(3) * 10);
});

it('555 flasher: high for ln 2 · (RA + RB) · C, low for ln 2 · RB · C', () => {
  const astable = brief(
    `adapter G volts=9, timer-555 U, resistor RA ohms=4700, resistor RB ohms=47e3, capacitor C farads=10e-6 leak=1e12, ${led}`,
    'G.plus U.vcc, G.minus U.gnd, G.plus U.reset, G.plus RA.a, RA.b U.dis, RA.b RB.a, RB.b U.thr, U.thr U.trig, RB.b C.a, C.b G.minus, U.out RL.a, RL.b H.a, H.k G.minus',
  );
  const [on, off, again] = acted(inTime(astable, sceneOf(10)), 'H').slice(-3);
  const [first, second] = [off - on, again - off].sort();
  about(first, Math.LN2 * 47e3 * 10e-6);
  about(second, Math.LN2 * 51.7e3 * 10e-6);
});

it.each([
  [1.9, undefined],
  [12, Math.LN2 * 10],
])('RC delay of 10 s before a comparator at half the supply, open for %d s', (stays, after) => {
  const delay = brief(
    `adapter G volts=9, loop-contact S, resistor R ohms=100e3, capacitor C farads=100e-6 leak=1e12, resistor RA ohms=10e3, resistor RB ohms=10e3, comparator-393 U, ${led}`,
    'G.plus U.vcc, G.minus U.gnd, G.plus R.a, R.b C.a, C.b G.minus, R.b S.a, S.b G.minus, R.b U.minus, G.plus RA.a, RA.b RB.a, RB.b G.minus, RA.b U.plus, G.plus RL.a, RL.b H.a, H.k U.out',
  );
  const run = inTime(
    delay,
    sceneOf(20, { kind: 'door-opens', start: 3, params: { moves: 0.05, stays } }),
  );
  const [on] = acted(run, 'H');
  if (after === undefined) expect(on).toBeUndefined();
  else about(on - 3, after);
});

const motion = brief(
  'adapter G volts=5, pyroelectric-module M hold=20 block=0.5 warmUp=40, network-message N',
  'G.plus M.VCC, G.minus M.GND, M.OUT N.send, N.GND G.minus',
);

it('motion module: its output stays high for its hold after the last motion', () => {
  const { acting, verdicts } = inTime(motion, sceneOf(60, walksPast(5)));
  const off = acting.find((a) => !a.active)?.t ?? NaN;
  // The last motion is seen as it leaves the outermost zone.
  const last = verdicts[0].exposure?.end ?? NaN;
  expect(off - last).toBeGreaterThan(20 - 1);
  expect(off - last).toBeLessThan(20 + 0.5);
});

it('a temperature chip follows a warm puff with its lag of 30 s', () => {
  const chip = onBoard(
    'temperature-chip T lag=30 noise=0',
    'U.5V T.VCC, T.GND U.GND, T.OUT U.A0',
    channel('U.A0'),
  );
  const puff = { kind: 'warmth-comes', start: 10, params: { kelvin: 20, moves: 1, stays: 9 } };
  const { readings } = inTime(chip, sceneOf(60, puff));
  const { times, values } = readings['c1'];
  const at = (t: number): number => values[times.findIndex((x) => x >= t - 1e-6)];
  // A ramp of 1 s counts as a step in its middle; 10 mV/K in counts of 5 V/1023.
  const rise = 20 * (1 - Math.exp(-9.5 / 30)) * (0.01 / (5 / 1023));
  expect(Math.abs(at(20) - at(9) - rise)).toBeLessThan(2);
});

it.each(['time', 'fast'] as const)('a foil that is torn stays torn (%s)', (path) => {
  const foil = brief(
    'adapter G volts=9, window-foil S, resistor RL ohms=470, led H',
    'G.plus S.a, S.b RL.a, RL.b H.a, H.k G.minus',
  );
  const glass = { kind: 'glass-breaks', start: 5, path: [{ x: 0.5, y: 0 }] };
  const { acting } = rehearse(placed(foil), sceneOf(20, glass), undefined, path);
  const own = acting.filter((a) => a.part === 'H');
  expect(own.map((a) => a.active)).toEqual([true, false]);
  about(own[1].t, 5);
});

it('a sound follower that decays in 2 s is still heard half a second later', () => {
  const ear = onBoard(
    'sound-level-module B decay=2 noise=0',
    'U.5V B.VCC, B.GND U.GND, B.OUT U.A0',
    channel('U.A0', { every: 0.5 }),
  );
  const clap = {
    kind: 'clap',
    start: 10.25,
    params: { level: 95, decay: 0.02 },
    path: [{ x: 3, y: 0 }],
  };
  const { readings } = inTime(ear, sceneOf(20, clap));
  const [first, second] = readings['c1'].values.slice(21);
  about(first / second, Math.exp(0.5 / 2));
});

it('a contact that bounces for 20 ms is counted five times on its edge', () => {
  const button = onBoard(
    'push-button S bounce=0.02, resistor R ohms=10e3',
    'U.5V S.a, S.b U.D2, S.b R.a, R.b U.GND',
    {
      ...pins('U.D2 input interrupt'),
      channels: [
        {
          ...{ id: 'c1', name: 'In', pin: 'U.D2', trips: 'above', threshold: 50, hysteresis: 0 },
          ...{ every: 0.05, hits: 1, misses: 1, edge: 'change' },
        },
      ],
      counters: [{ id: 'n', name: 'Presses', start: 0, least: 0, most: 99 }],
      rules: [
        {
          ...{ id: 'r', hold: 0, latch: false, when: { is: 'channel', channel: 'c1' } },
          then: [{ do: 'count', counter: 'n', by: 1 }],
        },
      ],
    } as Partial<Design>,
  );
  const { logic } = inTime(button, sceneOf(5, { kind: 'finger-touches', start: 2 }));
  expect(logic[logic.length - 1].logic.counters['n']).toBe(5);
});

it('a relay that breaks its own coil buzzes: rise, operate, decay and release make its period', () => {
  const buzzer = brief(
    'adapter G volts=12 ohms=0.001, relay-12v K bounce=0, push-button S bounce=0',
    'G.plus S.a, S.b K.com, K.nc K.plus, K.minus G.minus',
  );
  const press = sceneOf(3, { kind: 'finger-touches', params: { lasts: 1 } });
  const run = inTime(buzzer, press);
  const on = run.acting.filter((a) => a.active).map((a) => a.t);
  // 0.4 H and 400 Ω pull in at 8.4 of 12 V; the coil's losses of 50 × 400 Ω bear its current, from 30 down to 4.5 mA.
  const rise = 1e-3 * Math.log(1 / (1 - 8.4 / 12));
  const decay = (0.4 / (51 * 400)) * Math.log(30 / 4.5);
  about((on[40] - on[10]) / 30, rise + 6e-3 + decay + 3e-3);
  // Each pull is counted; as settled at each moment it would pull once a look.
  expect(run.relayOperations['K']['relay']).toBe(on.length);
  expect(on.length).toBeGreaterThan(50);
});

it('each relay of a board is taken down for itself', () => {
  const board = brief(
    'adapter G volts=5, relay-board-2 K, push-button S bounce=0, resistor R',
    'G.plus K.VCC, G.minus K.GND, G.plus R.a, R.b K.IN1, K.IN1 S.a, S.b G.minus, K.IN2 G.plus',
  );
  const press = sceneOf(5, { kind: 'finger-touches', start: 2, params: { lasts: 1 } });
  const { relays, acting } = inTime(board, press);
  expect(relays['K relay 1'].values).toEqual([0, 1, 0]);
  const [, on, off] = relays['K relay 1'].times;
  // An input that is low pulls its relay in, for as long as the finger, which takes a moment to press and to leave.
  expect(on).toBeGreaterThan(2);
  expect(Math.abs(off - on - 1)).toBeLessThan(0.15);
  expect(relays['K relay 2'].values).toEqual([0]);
  expect(acting.filter((a) => a.part === 'K').map((a) => a.t)).toEqual([on, off]);
});

it('a piezo disc with its bleed gives the pin what the high-pass lets through', () => {
  const disc = onBoard(
    'piezo-disc B, resistor R ohms=1e6',
    'B.a U.A0, B.b U.GND, R.a U.A0, R.b U.GND',
    channel('U.A0', { every: 1e-3 }),
  );
  // 1 m/s² at 1 m is a half at 2 m, and that a quarter volt of the disc; it rings at 120 Hz behind 20 nF.
  const lorry: Partial<Happening> = {
    ...{ kind: 'lorry-passes', params: { speed: 0.5, shake: 1 } },
    path: [
      { x: 2, y: -0.5 },
      { x: 2, y: 0.5 },
    ],
  };
  const { values } = inTime(disc, sceneOf(4, lorry)).readings['c1'];
  const turn = 2 * Math.PI * 120 * 1e6 * 20e-9;
  const peak = (0.25 * turn) / Math.hypot(1, turn);
  // What the pin leaks into the bleed is there at rest too.
  const over = (all: number[]): number => Math.max(...all) - all[500];
  expect(Math.abs(over(values) - (peak / 5) * 1023)).toBeLessThan(2);
  // As settled it reads that alone.
  expect(over(rehearse(placed(disc), sceneOf(4, lorry)).readings['c1'].values)).toBeLessThan(2);
});

it('a thyristor with a bell that interrupts itself lets go at the first break after the press', () => {
  const bell = brief(
    'adapter G volts=12, relay-12v K bounce=0, thyristor T, push-button S bounce=0, resistor R ohms=1e3, resistor RG ohms=1e3',
    'G.plus K.com, K.nc K.plus, K.minus T.a, T.k G.minus, G.plus S.a, S.b R.a, R.b T.g, T.g RG.a, RG.b G.minus',
  );
  const press = sceneOf(4, { kind: 'finger-touches', params: { lasts: 0.5 } });
  const run = inTime(bell, press);
  const ends = run.verdicts[0].exposure?.end ?? NaN;
  const last = run.acting.findLast((a) => a.part === 'K');
  // It rang as long as it was pressed; then nothing keeps the thyristor on through a break of 3 ms.
  expect(run.acting.length).toBeGreaterThan(50);
  expect(last?.active).toBe(false);
  expect(last?.t).toBeLessThan(ends + 0.0103);
});

it.each([
  ['all the time', { as: 'on' }, 150, 400],
  ['for 100 ms in 10 s', { as: 'pattern', beats: [0.1, 9.9] }, 0, 2],
])('a gas element whose heater is fed %s', (_, drive, least, most) => {
  const heated = brief(
    'adapter G volts=5 ohms=0.01 maxAmps=2, controller-5v-8bit U, gas-combustible B, resistor RL ohms=5e3, resistor RB ohms=330, npn-transistor Q',
    'G.plus U.5V, G.minus U.GND, B.h1 G.plus, B.h2 Q.c, Q.e G.minus, U.D3 RB.a, RB.b Q.b, B.a G.plus, B.b RL.a, RL.b G.minus, B.b U.A0',
    {
      controller: {
        pins: [
          { pin: 'U.A0', mode: 'analogue' },
          { pin: 'U.D3', mode: 'output' },
        ],
      },
      channels: channel('U.A0', { every: 1 }).channels,
      outputs: [{ id: 'o1', name: 'Heat', pin: 'U.D3', active: 'high' }],
      rules: [
        {
          ...{ id: 'r1', hold: 0, latch: false, when: { is: 'all', of: [] } },
          then: [{ do: 'drive', output: 'o1', drive }],
        },
      ],
    } as Partial<Design>,
  );
  const { readings } = inTime(heated, sceneOf(900, { kind: 'gas-released', start: 300 }));
  // A hundredth of its power warms it by a hundredth: it hardly conducts, whatever the air.
  const late = readings['c1'].values.slice(800);
  expect(Math.min(...late)).toBeGreaterThanOrEqual(least);
  expect(Math.max(...late)).toBeLessThanOrEqual(most);
});

it.each([
  [0.02, false],
  [2, true],
])('a capacitor at the gate of a thyristor lets a press of %d s pass: %s', (lasts, latches) => {
  const gate = brief(
    `adapter G volts=9, thyristor T, push-button S, resistor R ohms=10e3, capacitor C farads=100e-6 leak=1e12, resistor RG ohms=10e3, ${led}`,
    'G.plus RL.a, RL.b H.a, H.k T.a, T.k G.minus, G.plus S.a, S.b R.a, R.b T.g, T.g RG.a, RG.b G.minus, T.g C.a, C.b G.minus',
  );
  const { acting } = inTime(
    gate,
    sceneOf(8, { kind: 'finger-touches', start: 1, params: { lasts } }),
  );
  // It charges to 4.5 V with 0.5 s: to the gate's 0.6 V in 70 ms. Latched, nothing puts it out again.
  expect(acting.map((a) => a.active)).toEqual(latches ? [true] : []);
});

it('begins with the light of its own lamps on its sensors', () => {
  const beam = demo('slipway-beam');
  const quiet = { ...beam.scenes[0], duration: 0.1, happenings: [] };
  const [settled, time] = (['fast', 'time'] as const).map(
    (path) => rehearse(beam, quiet, undefined, path).readings['beam'].values,
  );
  expect(time).toEqual(settled);
  expect(time[0]).toBeGreaterThan(800);
});

it('ends where something changes too often', () => {
  const fast = brief(
    'signal-generator G shape=1 amplitude=2 hertz=100e3, resistor R ohms=1e3',
    'G.out R.a, R.b G.gnd',
  );
  const run = new CoSimulation(fast, sceneOf(1000), undefined, 5000);
  run.go(1000, restingLogic(fast));
  expect(run.halt).toBe('too many steps');
  // Two edges and two corners of each a cycle, each with steps of its own.
  expect(run.now).toBeGreaterThan(1e-3);
  expect(run.now).toBeLessThan(5e-2);
});

it('names what goes to and fro faster than it can be followed', () => {
  const sump = demo('bilge-sump');
  const [slip] = inputs.all(sump);
  const { halted } = inTime(applyEdit(sump, slip.edit), sump.scenes[0]);
  expect(halted?.because).toMatch(
    /^Level comparator changes every [\d.]+\sµs, too often to be followed any further$/,
  );
});

it('ends where there is no solution, says so, and gives no verdict on what comes later', () => {
  const unfed = brief(`push-button S, ${led}`, 'S.b RL.a, RL.b H.a, H.k S.a');
  const run = inTime(unfed, sceneOf(10, { kind: 'finger-touches', start: 2 }));
  const { halted, verdicts } = run;
  expect(halted).toEqual({ t: 0, because: 'no solution of the circuit was found there' });
  expect(verdicts).toEqual([]);
  const evidence = gatherEvidence(unfed, sceneOf(10));
  const answers = fiveQuestions(evidence, [], run);
  expect(answers.slice(0, 2).map((a) => [a.value, a.detail.replace('\u00a0', ' ')])).toEqual([
    ['not computed yet', 'followed until 0 s only'],
    ['not computed yet', 'followed until 0 s only'],
  ]);
});

/** Scenes of the demo designs short enough to be tried at each run of the tests. */
const short = readdirSync('demo')
  .filter((file) => file.endsWith('.yurei.json'))
  .map((file) => demo(file.replace('.yurei.json', '')))
  .flatMap((design) =>
    design.scenes.filter((s) => s.duration <= 40).map((s) => [design, s] as const),
  );

it.each(short.map(([design, s]) => [design.title, s.name, design, s] as const))(
  '%s, %s: nothing in it takes long, and both ways come to the same',
  (_title, _scene, design, s) => {
    const [settled, time] = [rehearse(design, s), rehearse(design, s, undefined, 'time')];
    const outcomes = (of: Rehearsal): string[] => of.verdicts.map((v) => v.outcome);
    expect(outcomes(time)).toEqual(outcomes(settled));
    expect(time.spurious.length).toBe(settled.spurious.length);
    // Within a reading, and what relays, lags and contacts take.
    time.verdicts.forEach(({ delay = 0 }, i) =>
      expect(Math.abs(delay - (settled.verdicts[i].delay ?? 0))).toBeLessThan(0.2),
    );
  },
);
