/** What a scene does to values, wires and parts: each against a closed form or what is known by hand, both ways. */
import type { Design, Happening } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { brief, channel, onBoard, placed, sceneOf, walksPast } from '../testing/small.js';
import type { Path } from './play.js';
import type { Rehearsal } from './rehearsal.js';
import { rehearse } from './rehearse.js';
import { staged } from './staged.js';
import { valueAt } from './traces.js';

const paths: readonly Path[] = ['fast', 'time'];

const run = (design: Design, path: Path, ...happenings: Partial<Happening>[]): Rehearsal =>
  rehearse(placed(design), sceneOf(20, ...happenings), undefined, path);

/** The channel's last reading until a moment. */
const read = ({ readings }: Rehearsal, t: number): number => valueAt(readings['c1'], t) ?? NaN;

/** When a part began and ceased to act, s. */
const acted = ({ acting }: Rehearsal, part: string): number[] =>
  acting.filter((a) => a.part === part).map((a) => Math.round(a.t * 100) / 100);

const divider = onBoard(
  'resistor R1 ohms=10e3, resistor R2 ohms=10e3',
  'U.5V R1.a, R1.b R2.a, R2.b U.GND, R1.b U.A0',
  channel('U.A0'),
);
const wireOf = (design: Design, from: string, to: string): string =>
  design.wires.find((w) => w.from === from && w.to === to)?.id ?? '';

describe.each(paths)('%s', (path) => {
  it('a value is set: a divider follows it in a straight line and goes back', () => {
    const adjuster = { kind: 'knob-turned', start: 5, target: { part: 'R2', param: 'ohms' } };
    const went = run(divider, path, { ...adjuster, params: { to: 30e3, moves: 2, stays: 5 } });
    const counts = (ohms: number): number => (1023 * ohms) / (10e3 + ohms);
    expect(Math.abs(read(went, 4.9) - counts(10e3))).toBeLessThan(2);
    expect(Math.abs(read(went, 6.05) - counts(20e3))).toBeLessThan(12);
    expect(Math.abs(read(went, 9) - counts(30e3))).toBeLessThan(2);
    expect(Math.abs(read(went, 15) - counts(10e3))).toBeLessThan(2);
  });

  it('two that set the same value come one after the other', () => {
    const adjuster = { kind: 'knob-turned', target: { part: 'R2', param: 'ohms' } };
    const went = run(
      divider,
      path,
      { ...adjuster, start: 3, params: { to: 30e3, moves: 0.1 } },
      { ...adjuster, start: 8, params: { to: 1e3, moves: 0.1 } },
    );
    expect(Math.abs(read(went, 7) - 767)).toBeLessThan(2);
    expect(Math.abs(read(went, 12) - 93)).toBeLessThan(2);
  });

  it('a switch is thrown half-way through its time', () => {
    const lamp = brief(
      'adapter G volts=9, toggle-switch S position=0 bounce=0, resistor R ohms=470, led H',
      'G.plus S.a, S.b R.a, R.b H.a, H.k G.minus',
    );
    const thrown = { kind: 'knob-turned', target: { part: 'S', param: 'position' }, start: 5 };
    const went = run(lamp, path, { ...thrown, params: { to: 1, moves: 1, stays: 4 } });
    const [on, off] = acted(went, 'H');
    expect(Math.abs(on - 5.5)).toBeLessThan(0.05);
    expect(Math.abs(off - 10.5)).toBeLessThan(0.05);
  });

  it('a wire is cut: the upper resistor alone pulls, then both again', () => {
    const cut = { kind: 'wire-breaks', target: { wire: wireOf(divider, 'R2.b', 'U.GND') } };
    const went = run(divider, path, { ...cut, start: 5, params: { stays: 5 } });
    expect([4.9, 7, 12].map((t) => Math.round(read(went, t) / 10))).toEqual([51, 102, 51]);
  });

  it('a joint that shakes lights a lamp half of the time', () => {
    const lamp = brief(
      'adapter G volts=9, resistor R ohms=470, led H',
      'G.plus R.a, R.b H.a, H.k G.minus',
    );
    const loose = { kind: 'wire-breaks', target: { wire: wireOf(lamp, 'R.b', 'H.a') }, start: 5 };
    const went = run(lamp, path, { ...loose, params: { stays: 3, shakes: 1 } });
    const turns = acted(went, 'H').filter((t) => t >= 4);
    [5, 5.5, 6, 6.5, 7, 7.5].forEach((t, i) => expect(Math.abs(turns[i] - t)).toBeLessThan(0.06));
  });

  it('a part comes off: a lamp goes out, the other beside it burns on', () => {
    const lamps = brief(
      'adapter G volts=9, resistor R1 ohms=470, led H1, resistor R2 ohms=470, led H2',
      'G.plus R1.a, R1.b H1.a, H1.k G.minus, R1.a R2.a, R2.b H2.a, H2.k H1.k',
    );
    const off = { kind: 'part-comes-off', target: { part: 'H1' }, start: 5, params: { stays: 5 } };
    const went = run(lamps, path, off);
    const [, out, again] = acted(went, 'H1');
    expect(Math.abs(out - 5) + Math.abs(again - 10)).toBeLessThan(0.1);
    expect(acted(went, 'H2')).toHaveLength(1);
  });

  it('a part is bridged: its resistance is gone', () => {
    const short = { kind: 'part-shorted', target: { part: 'R2' }, start: 5, params: { stays: 5 } };
    const went = run(divider, path, short);
    expect([4.9, 7, 12].map((t) => Math.round(read(went, t) / 10))).toEqual([51, 0, 51]);
  });

  it('without its supply the controller does not run, and begins anew', () => {
    const gone = { kind: 'part-comes-off', target: { part: 'G' }, start: 5, params: { stays: 5 } };
    const { outages } = run(divider, path, gone);
    expect(outages).toHaveLength(1);
    expect(outages[0].from).toBeGreaterThanOrEqual(5);
    expect(outages[0].from).toBeLessThan(5.1);
    expect(outages[0].to).toBeGreaterThan(10);
  });

  it('a covered sensor sees nobody, and sees again', () => {
    const motion = brief(
      'adapter G volts=5, pyroelectric-module M hold=0.3 block=0.1, network-message N',
      'G.plus M.VCC, G.minus M.GND, M.OUT N.send, N.GND G.minus',
    );
    const covered = { kind: 'sensor-covered', intent: 'nuisance' as const, start: 4 };
    const mask = { ...covered, target: { part: 'M' }, params: { left: 0, moves: 0.1, stays: 7 } };
    const { verdicts } = run(motion, path, mask, walksPast(5), walksPast(13));
    expect(verdicts.map((v) => v.outcome)).toEqual(['quiet', 'missed', 'noticed']);
    expect(verdicts[1].exposure).toBeUndefined();
  });

  it('a beam that is knocked aside meets its receiver by its own angle no more', () => {
    const beam = onBoard(
      'infrared-emitter E halfAngle=10, resistor RE ohms=100, phototransistor Q, resistor RQ ohms=1e6',
      'U.5V RE.a, RE.b E.a, E.k U.GND, U.5V Q.c, Q.e RQ.a, RQ.b U.GND, RQ.a U.A0',
      channel('U.A0'),
    );
    const facing: Design = {
      ...beam,
      parts: placed(beam, { Q: 0.2 }).parts.map((p) => ({
        ...p,
        ...(p.id === 'Q' && p.place ? { place: { ...p.place, facing: 180 } } : {}),
        ...(p.id === 'E' && p.place ? { place: { ...p.place, facing: 0 } } : {}),
      })),
    };
    const knocked = { kind: 'sensor-moved', target: { part: 'E' }, start: 5 };
    const scene = sceneOf(20, { ...knocked, params: { turns: 180, moves: 0.1, stays: 5 } });
    const went = rehearse(facing, scene, undefined, path);
    const [before, meanwhile, after] = [4.9, 8, 15].map((t) => read(went, t));
    expect(before).toBeGreaterThan(50);
    expect(meanwhile).toBeLessThan(before / 20);
    expect(Math.abs(after - before)).toBeLessThan(3);
  });
});

it.each<[string, Happening['target'] & object, string]>([
  ['fuel-locker-loop', { wire: 'w15' }, 'wire-breaks'],
  ['sail-loft-motion', { part: 'D1' }, 'part-comes-off'],
  ['steps-lamp-at-dusk', { part: 'G1' }, 'part-comes-off'],
  ['steps-lamp-at-dusk', { wire: 'w4' }, 'wire-breaks'],
  ['regatta-figurehead', { part: 'F1' }, 'part-comes-off'],
])('in time %s goes on without %j', (name, target, kind) => {
  const design = demo(name);
  const gone = { ...sceneOf(4, { kind, target, start: 1, params: { stays: 1.5 } }) };
  const [{ ambient }] = design.scenes;
  expect(rehearse(design, { ...gone, ambient }, undefined, 'time').halted).toBeUndefined();
});

it('nothing is put into a circuit that no scene opens', () => {
  expect(staged(divider, sceneOf(20, walksPast(5))).design).toBe(divider);
  const lost = { kind: 'wire-breaks', target: { wire: 'none' } };
  expect(staged(divider, sceneOf(20, lost)).design).toBe(divider);
});

it('nets keep the names that they have in the design, the larger piece of each', () => {
  const cut = { kind: 'wire-breaks', start: 5, target: { wire: wireOf(divider, 'R1.b', 'U.A0') } };
  const { nets } = run(divider, 'time', cut);
  const net = 'R1.b';
  expect(valueAt(nets[net], 4)).toBeCloseTo(2.5, 1);
  expect(valueAt(nets[net], 8)).toBeCloseTo(2.5, 1);
  expect(valueAt(nets['U.A0'], 4)).toBeCloseTo(2.5, 1);
});
