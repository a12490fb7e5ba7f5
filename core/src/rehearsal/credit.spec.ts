/** Who brought about what fires: cases whose answer is plain by construction. */
import type { Happening } from '../design/index.js';
import { brief, channel, onBoard, output, placed, sceneOf } from '../testing/small.js';
import { Credit } from './credit.js';
import type { Firing } from './firings.js';
import type { Rehearsal } from './rehearsal.js';
import { rehearse } from './rehearse.js';

const happening = (id: string, start: number, more: Partial<Happening> = {}): Happening => ({
  ...{ id, kind: 'finger-touches', name: id, intent: 'wanted', start, params: { lasts: 1 } },
  path: [{ x: 0, y: 0 }],
  ...more,
});
/** Which runs fire what is given as a function of who takes part. */
describe('by what runs with and without something fire', () => {
  const fires = (t: number, end = t + 1): Firing => ({
    ...{ sign: { by: 'part', part: 'H' }, t, end, what: 'H', because: '' },
  });
  const owners = (
    all: Happening[],
    firing: Firing,
    run: (who: string[]) => Firing[],
    separate = (): boolean => false,
  ): [owners: string[], runs: number] => {
    let runs = 0;
    const credit = new Credit(
      { ...sceneOf(100), happenings: all },
      {
        span: ({ start }) => ({ start, end: start + 1 }),
        separate,
        replay: (s) => {
          runs += 1;
          return run(s.happenings.map((h) => h.id));
        },
      },
    );
    return [all.filter((h) => credit.owns(h, firing)).map((h) => h.id), runs];
  };
  const [a, b] = [happening('a', 5), happening('b', 6)];
  const firing = fires(7);

  it.each<[string, (who: string[]) => boolean, string[]]>([
    ['one of two, whatever the other does', (who) => who.includes('a'), ['a']],
    ['both together, neither alone', (who) => who.length === 2, ['a', 'b']],
    ['either of them, by itself', (who) => who.length > 0, ['a', 'b']],
    ['nobody: it comes all the same', () => true, []],
  ])('%s', (_, comes, expected) => {
    expect(owners([a, b], firing, (who) => (comes(who) ? [firing] : []))[0]).toEqual(expected);
  });

  it('what began later has no part in it', () => {
    const late = happening('late', 8);
    expect(owners([a, late], firing, (who) => (who.length > 0 ? [firing] : []))).toEqual([
      ['a'],
      // But one can have had a part: the run without anything is enough.
      1,
    ]);
  });

  it('of very many that may have had a part, the scene is not played again for each', () => {
    const many = Array.from({ length: 200 }, (_, i) => happening(`h${i}`, i));
    const firings = many.map(({ start }) => fires(start + 0.5, start + 0.6));
    let runs = 0;
    const credit = new Credit(
      { ...sceneOf(300), happenings: many },
      {
        span: ({ start }) => ({ start, end: start + 1 }),
        separate: () => false,
        // Each happening brings about the one after its beginning.
        replay: ({ happenings }) => {
          runs += 1;
          return firings.filter((_, i) => happenings.some((h) => h.id === `h${i}`));
        },
      },
    );
    many.forEach((h, i) => expect(credit.owns(h, firings[i])).toBe(true));
    expect(runs).toBeLessThanOrEqual(61);
  });

  it('what was forgotten before has no part in it', () => {
    expect(
      owners(
        [a],
        firing,
        () => [],
        () => true,
      ),
    ).toEqual([[], 0]);
  });

  it('who ends one alarm has no part in the next', () => {
    // Without a, the first alarm would still be on when b comes.
    const run = (who: string[]): Firing[] => [
      fires(2, who.includes('a') ? 5 : 50),
      ...(who.includes('a') && who.includes('b') ? [firing] : []),
    ];
    expect(owners([a, b], firing, run)[0]).toEqual(['b']);
  });

  it('comes a second later without it: it is its doing that it came now', () => {
    const run = (who: string[]): Firing[] => [fires(who.includes('a') ? 7 : 8)];
    expect(owners([a], firing, run)[0]).toEqual(['a']);
  });
});

const outcomes = ({ verdicts }: Rehearsal): string[] => verdicts.map((v) => v.outcome);
const led = 'resistor RL ohms=470, led H';

describe('verdicts', () => {
  it('an alarm that is on all the time notices nothing, and is a spurious alarm', () => {
    const always = brief(
      `adapter G volts=9, push-button S, ${led}`,
      'G.plus RL.a, RL.b H.a, H.k G.minus, G.plus S.a, S.b G.plus',
    );
    const run = rehearse(
      placed(always),
      sceneOf(10, happening('a', 2), happening('b', 5, { intent: 'nuisance' })),
    );
    expect(outcomes(run)).toEqual(['missed', 'quiet']);
    expect(run.verdicts[0].because).toMatch(/^H was lit already, since 0.s/);
    expect(run.spurious).toEqual([0]);
  });

  /** Two buttons 5 m apart; only S lights the lamp. */
  const two = placed(
    brief(
      `adapter G volts=9, push-button S, push-button N, resistor RN ohms=10e3, ${led}`,
      'G.plus S.a, S.b RL.a, RL.b H.a, H.k G.minus, G.plus N.a, N.b RN.a, RN.b G.minus',
    ),
    { N: 5 },
  );
  const far = { path: [{ x: 5, y: 0 }] };

  it('a button that leads nowhere is missed though a nuisance fires at the same time, and that one fires falsely', () => {
    const both = sceneOf(10, happening('a', 2, far), happening('b', 2, { intent: 'nuisance' }));
    const run = rehearse(two, both);
    expect(outcomes(run)).toEqual(['missed', 'fired falsely']);
    expect(run.verdicts[0].because).toMatch(/^H was lit at 2\.\d+.s, but by “b”\.$/);
    expect(run.spurious).toEqual([]);
  });

  it('of a wanted and a nuisance at once each gets what it brings about', () => {
    const both = sceneOf(10, happening('a', 2), happening('b', 2, { ...far, intent: 'nuisance' }));
    expect(outcomes(rehearse(two, both))).toEqual(['noticed', 'quiet']);
  });

  it('what comes of two together is no false alarm where one of them is wanted', () => {
    const series = placed(
      brief(
        `adapter G volts=9, push-button S, push-button N, ${led}`,
        'G.plus S.a, S.b N.a, N.b RL.a, RL.b H.a, H.k G.minus',
      ),
      { N: 5 },
    );
    const both = sceneOf(
      10,
      happening('a', 3),
      happening('b', 2, { ...far, intent: 'nuisance', params: { lasts: 4 } }),
    );
    expect(outcomes(rehearse(series, both))).toEqual(['noticed', 'quiet']);
  });

  it('what a delay in the circuit brings late is put down to what set it off', () => {
    // 10 s · ln 2 after the door is opened: while somebody touches the other button.
    const delay = placed(
      brief(
        `adapter G volts=9, loop-contact S, push-button N, resistor RN ohms=10e3, resistor R ohms=100e3, capacitor C farads=100e-6 leak=1e12, resistor RA ohms=10e3, resistor RB ohms=10e3, comparator-393 U, ${led}`,
        'G.plus U.vcc, G.minus U.gnd, G.plus R.a, R.b C.a, C.b G.minus, R.b S.a, S.b G.minus, R.b U.minus, G.plus RA.a, RA.b RB.a, RB.b G.minus, RA.b U.plus, G.plus RL.a, RL.b H.a, H.k U.out, G.plus N.a, N.b RN.a, RN.b G.minus',
      ),
      { N: 5 },
    );
    const opens = { kind: 'door-opens', params: { moves: 0.05, stays: 12 } };
    const touch = { ...far, intent: 'nuisance' as const };
    const run = rehearse(
      delay,
      sceneOf(20, happening('door', 3, opens), happening('touch', 9.5, touch)),
      undefined,
      'time',
    );
    expect(outcomes(run)).toEqual(['noticed', 'quiet']);
    expect(run.verdicts[0].delay).toBeGreaterThan(6.5);
    expect(run.spurious).toEqual([]);
  });

  it('a second visitor while the alarm holds tells nothing new; after it, it does', () => {
    const held = placed(
      onBoard(
        'push-button S, resistor R ohms=10e3, resistor RL ohms=220, led H',
        'U.5V S.a, S.b R.a, R.b U.GND, S.b U.A0, U.D3 RL.a, RL.b H.a, H.k U.GND',
        {
          ...channel('U.A0'),
          ...output('U.D3'),
          controller: {
            pins: [
              { pin: 'U.A0', mode: 'analogue' },
              { pin: 'U.D3', mode: 'output' },
            ],
          },
          rules: [
            {
              ...{ id: 'r1', hold: 10, latch: false, when: { is: 'channel', channel: 'c1' } },
              then: [{ do: 'drive', output: 'o1', drive: { as: 'on' } }],
            },
          ],
        },
      ),
    );
    const run = rehearse(
      held,
      sceneOf(40, happening('a', 2), happening('b', 8), happening('c', 30)),
    );
    expect(outcomes(run)).toEqual(['noticed', 'missed', 'noticed']);
    expect(run.verdicts[1].because).toMatch(/already, since 2\.\d+.s/);
  });
});
