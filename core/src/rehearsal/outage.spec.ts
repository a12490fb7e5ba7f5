import type { Design, Happening, Scene } from '../design/index.js';
import { onBoard, pins } from '../testing/small.js';
import { eventsOf, explain, rehearse, snapshot, scoreRehearsal, type Rehearsal } from './index.js';

/** A button counted on a board that starts in 1.6 s; its lamp is lit from the third press on, by a low-active output. */
function counting(more: Partial<Design> = {}, watchdog?: number): Design {
  const design = onBoard(
    'push-button S, resistor R ohms=330, led H',
    'S.a U.D2, S.b U.GND, U.5V R.a, R.b H.a, H.k U.D9',
    {
      ...pins('U.D2 pull-up', 'U.D9 output'),
      channels: [
        {
          id: 'key',
          name: 'Key',
          pin: 'U.D2',
          trips: 'below',
          threshold: 50,
          hysteresis: 20,
          every: 0.02,
          hits: 1,
          misses: 1,
        },
      ],
      outputs: [{ id: 'lamp', name: 'Lamp', pin: 'U.D9', active: 'low' }],
      counters: [
        { id: 'kept', name: 'Kept', start: 0, least: 0, most: 9, kept: true },
        { id: 'lost', name: 'Lost', start: 0, least: 0, most: 9 },
      ],
      rules: [
        {
          id: 'r1',
          when: { is: 'begins', of: { is: 'channel', channel: 'key' } },
          hold: 0,
          latch: false,
          then: ['kept', 'lost'].map((counter) => ({ do: 'count', counter, by: 1 })),
        },
        {
          id: 'r2',
          when: { is: 'count', counter: 'kept', compare: 'at least', value: 1 },
          hold: 0,
          latch: false,
          then: [{ do: 'drive', output: 'lamp', drive: { as: 'on' } }],
        },
      ],
      ...more,
    },
  );
  return {
    ...design,
    controller: { ...design.controller, ...(watchdog ? { watchdog } : {}) },
    parts: design.parts.map((p) => (p.id === 'S' ? { ...p, place: { x: 1, y: 1, facing: 0 } } : p)),
  };
}

const press = (start: number): Happening => ({
  id: `p${start}`,
  kind: 'finger-touches',
  name: `Press at ${start}`,
  intent: 'wanted',
  start,
  params: { lasts: 0.4 },
  signs: [{ by: 'counter', counter: 'lost', step: 1 }],
  path: [{ x: 1, y: 1 }],
});
const cut = (start: number, lasts: number, left = 0): Happening => ({
  id: 'cut',
  kind: 'supply-dips',
  name: 'Cut',
  intent: 'nuisance',
  start,
  params: { lasts, left },
});
const hang = (start: number, lasts: number): Happening => ({
  id: 'hang',
  kind: 'program-hangs',
  name: 'Hang',
  intent: 'nuisance',
  start,
  params: { lasts },
});
const scene = (...happenings: Happening[]): Scene => ({
  id: 's',
  name: 's',
  seed: 1,
  duration: 20,
  ambient: {},
  happenings,
});
const counters = ({ logic }: Rehearsal) => logic[logic.length - 1].logic.counters;
const lit = ({ acting }: Rehearsal): string =>
  acting.map((a) => `${a.t.toFixed(1)}${a.active ? '+' : '-'}`).join(' ');
const outcome = ({ verdicts }: Rehearsal) => verdicts.map((v) => v.outcome);

describe('a power cut', () => {
  const cutAt5 = rehearse(counting(), scene(press(2), cut(5, 3), press(8.5), press(12)));

  it('stops the controller until its supply is back and it has started, 1.6 s', () => {
    expect(cutAt5.outages).toHaveLength(1);
    const [{ from, to, because }] = cutAt5.outages;
    expect(from).toBeCloseTo(5, 1);
    expect(to).toBeCloseTo(8 + 0.02 + 1.6, 1);
    expect(because).toMatch(/its supply fell to .*; it runs from 2\.70.V/);
  });

  it('clears what is not kept, and what is kept goes on', () => {
    expect(counters(cutAt5)).toEqual({ kept: 2, lost: 1 });
    expect(lit(cutAt5)).toBe('2.0+ 5.0- 9.6+');
  });

  it('is why a press while it starts is missed', () => {
    expect(outcome(cutAt5)).toEqual(['noticed', 'quiet', 'missed', 'noticed']);
    const all = scene(press(2), cut(5, 3), press(8.5), press(12));
    const why = explain(counting(), all, cutAt5, 'p8.5');
    expect(why?.text).toMatch(/took no reading in that time: its supply fell/);
  });

  it('is in the list of events, and in the blind time', () => {
    const told = eventsOf(counting(), cutAt5).filter((e) => e.kind === 'controller');
    expect(told.map((e) => e.text)).toEqual([
      expect.stringMatching(/^The controller stops: its supply fell/),
      'The controller runs again',
    ]);
    const [blind] = scoreRehearsal(counting(), cutAt5).blind;
    expect(blind.seconds).toBeCloseTo(4.62, 1);
    expect(blind.because).toMatch(/supply fell/);
  });

  it('that does not reach the brown-out level does nothing', () => {
    // The regulator still has 7 V of 9 V for its 5 V.
    const dip = rehearse(counting(), scene(press(2), cut(5, 3, 0.78)));
    expect(dip.outages).toEqual([]);
    expect(counters(dip)).toEqual({ kept: 1, lost: 1 });
  });

  it('leaves its pins as inputs until it has started, whenever one looks', () => {
    const design = counting();
    const all = scene(press(2), cut(5, 3), press(8.5), press(12));
    const lampAmps = (t: number): number =>
      snapshot(design, all, t, cutAt5).solution.parts['H'].amps['a'] ?? 0;
    expect(lampAmps(4)).toBeGreaterThan(5e-3);
    expect(lampAmps(9)).toBeLessThan(1e-4);
    expect(lampAmps(10)).toBeGreaterThan(5e-3);
  });

  it('shorter than any reading is felt all the same', () => {
    const slow = counting();
    slow.channels[0].every = 2;
    expect(rehearse(slow, scene(cut(5.1, 0.1))).outages).toHaveLength(1);
  });
});

describe('a program that hangs', () => {
  it('reads nothing and leaves its outputs as they are, then goes on where it was', () => {
    const hung = rehearse(counting(), scene(press(2), hang(5, 6), press(8), press(14)));
    expect(hung.outages[0].to).toBeCloseTo(11, 6);
    expect(outcome(hung)).toEqual(['noticed', 'quiet', 'missed', 'noticed']);
    expect(counters(hung)).toEqual({ kept: 2, lost: 2 });
    expect(lit(hung)).toBe('2.0+');
  });

  it('is reset by the watchdog, and begins anew', () => {
    const hung = rehearse(counting({}, 2), scene(press(2), hang(5, 600), press(14)));
    expect(hung.outages).toHaveLength(1);
    expect(hung.outages[0].to).toBeCloseTo(5 + 2 + 1.6, 6);
    expect(counters(hung)).toEqual({ kept: 2, lost: 1 });
    expect(lit(hung)).toBe('2.0+ 7.0- 8.6+');
  });

  it('without a watchdog never comes back', () => {
    const hung = rehearse(counting(), scene(press(2), hang(5, 600), press(14)));
    expect(hung.outages).toEqual([{ from: 5, to: 20, because: 'its program hung', unfed: false }]);
    expect(outcome(hung)).toEqual(['noticed', 'quiet', 'missed']);
  });

  it('stops a fade where it is', () => {
    const fade = { up: 10, down: 10, curve: 'straight' as const };
    const [lamp] = counting().outputs;
    const fading = counting({ outputs: [{ ...lamp, fade }] });
    const { outputs } = rehearse(fading, scene(press(2), hang(5, 600)));
    expect(outputs['lamp'].values.at(-1)).toBeCloseTo(0.3, 2);
  });
});

it('both ways of playing tell the same', () => {
  const design = counting({}, 2);
  const all = scene(press(2), cut(4, 1), press(9), hang(11, 3), press(18));
  const full = rehearse(design, all, undefined, 'full');
  expect({ ...rehearse(design, all), solves: 0 }).toEqual({ ...full, solves: 0 });
});
