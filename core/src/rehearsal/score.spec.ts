import type { Design, Happening, Scene } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { onBoard, pins } from '../testing/small.js';
import { missChance } from '../threshold/index.js';
import { missedBySampling, rehearse, scoreRehearsal } from './index.js';
import { integral } from './score.js';

const still: Scene = {
  id: 's',
  name: 's',
  seed: 1,
  duration: 10,
  ambient: {},
  happenings: [],
};

/** A button to ground on D2, and a lamp on D9 that a rule drives while it is held, or always. */
function lamp(more: Partial<Design> = {}, every = 0.5): Design {
  return onBoard(
    'push-button S, resistor R ohms=330, led H',
    'S.a U.D2, S.b U.GND, U.D9 R.a, R.b H.a, H.k U.GND',
    {
      ...pins('U.D2 pull-up', 'U.D9 output pwm'),
      channels: [
        {
          id: 'key',
          name: 'Key',
          pin: 'U.D2',
          trips: 'below',
          threshold: 50,
          hysteresis: 20,
          every,
          hits: 1,
          misses: 1,
        },
      ],
      outputs: [{ id: 'lamp', name: 'Lamp', pin: 'U.D9', active: 'high' }],
      rules: [
        {
          id: 'r1',
          when: { is: 'channel', channel: 'key' },
          hold: 0,
          latch: false,
          then: [{ do: 'drive', output: 'lamp', drive: { as: 'on' } }],
        },
      ],
      ...more,
    },
  );
}

const placed = (design: Design): Design => ({
  ...design,
  parts: design.parts.map((p) => (p.id === 'S' ? { ...p, place: { x: 1, y: 1, facing: 0 } } : p)),
});
const press = (start: number, lasts: number): Happening => ({
  id: `p${start}`,
  kind: 'finger-touches',
  name: 'A press',
  intent: 'wanted',
  start,
  params: { lasts },
  path: [{ x: 1, y: 1 }],
});

describe('energy', () => {
  /** The lamp at a level all the time, W. */
  function watts(level: number, sleep?: Design['controller']['sleep']): number {
    const design = lamp({
      rules: [
        {
          id: 'r1',
          when: { is: 'not', of: { is: 'channel', channel: 'key' } },
          hold: 0,
          latch: false,
          then: [{ do: 'drive', output: 'lamp', drive: { as: 'level', level } }],
        },
      ],
    });
    design.controller = { ...design.controller, ...(sleep ? { sleep } : {}) };
    return scoreRehearsal(design, rehearse(design, still)).energy?.watts ?? NaN;
  }

  it('of a dimmed output lies between off and on by its share of the time', () => {
    const [off, on] = [watts(0), watts(1)];
    // 9 V are drawn by the linear regulator for what the lamp takes of 5 V.
    expect(on - off).toBeGreaterThan(9 * 0.005);
    for (const share of [0.1, 0.4, 0.75])
      expect((watts(share) - off) / (on - off)).toBeCloseTo(share, 6);
  });

  it('of a straight fade grows with its square', () => {
    const fade = { up: 10, down: 0, curve: 'straight' as const };
    const joules = (drive: { as: 'on' } | { as: 'level'; level: number }, more = {}): number => {
      const [rule] = lamp().rules;
      const then = [{ do: 'drive' as const, output: 'lamp', drive }];
      const [out] = lamp().outputs;
      const design = placed(lamp({ outputs: [{ ...out, ...more }], rules: [{ ...rule, then }] }));
      const played = rehearse(design, { ...still, duration: 11, happenings: [press(0.6, 20)] });
      return scoreRehearsal(design, played).energy?.joules ?? NaN;
    };
    const [none, full] = [joules({ as: 'level', level: 0 }), joules({ as: 'on' })];
    // A long press takes 2 s to grow: it is read at 2 s, and the lamp has risen to 0.9 at 11 s.
    expect((joules({ as: 'on' }, { fade }) - none) / (full - none)).toBeCloseTo(0.9 / 2, 2);
  });

  it('of a sleeping controller is less by what it draws less while asleep', () => {
    const awake = watts(0);
    const asleep = watts(0, { every: 2, awake: 0.5 });
    // 40 % of what the board takes, three quarters of the time.
    expect(asleep).toBeLessThan(awake);
    expect(asleep).toBeGreaterThan(0.5 * awake);
  });

  it('is the integral of what holds until the next time', () =>
    expect(integral({ times: [0, 2, 5], values: [1, 3, 0] }, 10)).toBe(2 + 9));
});

describe('missed by sampling', () => {
  // Within two of sixteen of the closed form: a press takes a tenth of its time to grow.
  it.each([
    [0.3, 0.5, 1],
    [0.1, 0.4, 1],
    [0.9, 0.5, 1],
    [0.7, 0.5, 2],
  ])('a press of %d s read every %d s, %d in a row', (lasts, every, hits) => {
    const design = placed(lamp({}, every));
    design.channels[0].hits = hits;
    const happening = press(3, lasts);
    const scene = { ...still, happenings: [happening] };
    const found = missedBySampling(design, scene, rehearse(design, scene), happening);
    expect(found?.tried).toBe(16);
    const share = (found?.missed ?? NaN) / 16;
    expect(Math.abs(share - missChance(lasts, { every, hits }))).toBeLessThanOrEqual(2 / 16);
  });

  it('is not tried for what lasts for many readings, and not known of what is not felt', () => {
    const design = placed(lamp({}, 0.01));
    const [long, far] = [press(3, 2), { ...press(6, 1), path: [{ x: 4, y: 4 }] }];
    const scene = { ...still, happenings: [long, far] };
    const played = rehearse(design, scene);
    expect(missedBySampling(design, scene, played, long)).toMatchObject({ missed: 0, tried: 0 });
    expect(missedBySampling(design, scene, played, far)).toBeUndefined();
  });
});

describe('the score', () => {
  it('counts what relays do, as often as they pulled in', () => {
    const fan = demo('drying-room-fan');
    const played = rehearse(fan, fan.scenes[0]);
    const relay = fan.parts.find((p) => p.kind === 'relay-12v')?.id ?? '';
    const times = played.acting.filter((a) => a.part === relay && a.active).length;
    const [found] = scoreRehearsal(fan, played).relays;
    expect(times).toBeGreaterThan(0);
    expect(found).toMatchObject({ part: relay, operations: times });
  });

  it('counts every relay of a board', () => {
    const show = demo('regatta-figurehead');
    const { relays } = scoreRehearsal(show, rehearse(show, show.scenes[0]));
    expect(relays.map((r) => r.relay)).toEqual(['relay 1', 'relay 2', 'relay 3', 'relay 4']);
    expect(relays.every((r) => r.operations >= 2)).toBe(true);
  });

  it('tells to and fro from a press: the third change within a second is one too many', () => {
    const design = placed(lamp({}, 0.01));
    const score = (...presses: Happening[]) =>
      scoreRehearsal(design, rehearse(design, { ...still, happenings: presses })).chatter;
    expect(score(press(2, 0.2))).toEqual([]);
    const [key] = score(press(2, 0.2), press(2.3, 0.2), press(2.6, 0.2));
    expect(key).toMatchObject({ id: 'key', changes: 4 });
    expect(key.first).toBeCloseTo(2.3, 1);
  });

  it('names the longest time in which a channel was blind', () => {
    const [key] = scoreRehearsal(lamp(), rehearse(lamp(), still)).blind;
    expect(key).toMatchObject({ because: 'between two readings' });
    expect(key.seconds).toBeCloseTo(0.5, 6);
    const locked = placed(lamp());
    locked.channels[0].lockOut = 3;
    const scene = { ...still, happenings: [press(2, 1)] };
    const [out] = scoreRehearsal(locked, rehearse(locked, scene)).blind;
    expect(out).toMatchObject({ because: 'locked out', seconds: 3 });
    const edge = lamp();
    edge.channels[0].edge = 'falling';
    expect(scoreRehearsal(edge, rehearse(edge, still)).blind[0].seconds).toBe(0);
  });

  it('counts false triggers a day', () => {
    const nuisance = { ...press(2, 1), intent: 'nuisance' as const };
    const design = placed(lamp({}, 0.01));
    const played = rehearse(design, { ...still, happenings: [nuisance] });
    expect(scoreRehearsal(design, played).falses).toEqual({ count: 1, perDay: 8640 });
  });
});
