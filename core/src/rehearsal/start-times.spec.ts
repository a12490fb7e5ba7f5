/** Whether something is noticed must depend on when it begins only as far as the program is blind meanwhile. */
import type { Happening, Scene } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { channel, onBoard, output, pins, placed, sceneOf } from '../testing/small.js';
import { judgeScene, rehearse } from './rehearse.js';

it('the loop alarm notices an opening of 2 s at 200 of 200 start times in a night of 24 h', () => {
  const loop = demo('fuel-locker-loop');
  const [first] = loop.scenes;
  const opens = first.happenings.find((h) => h.intent === 'wanted') as Happening;
  const params = { ...opens.params, stays: 1, moves: 0.5 };
  const day = (start: number): Scene => ({
    ...first,
    ...{ duration: 86_400, happenings: [{ ...opens, start, params }] },
  });
  const starts = Array.from({ length: 200 }, (_, i) => 100 + 430.7 * i);
  const noticed = starts.filter(
    (start) => rehearse(loop, day(start), undefined, 'time').verdicts[0].outcome === 'noticed',
  );
  expect(noticed).toHaveLength(200);
  // Where only the outcome is wanted it is looked at less often: every 173 s.
  const some = starts.filter((_, i) => i % 10 === 0);
  expect(some.map((s) => judgeScene(loop, day(s), 'time').verdicts[0].outcome)).toEqual(
    some.map(() => 'noticed'),
  );
});

it.each([0.06])(
  'a press of %d s read every 0.1 s is missed in max(0, 1 − d/T) of 1,000 phases',
  (lasts) => {
    const every = 0.1;
    const read = channel('U.A0', { every });
    const shows = output('U.D4');
    const button = placed(
      onBoard(
        'push-button S bounce=0, resistor R ohms=10e3, resistor RL ohms=470, led H',
        'U.5V S.a, S.b U.A0, S.b R.a, R.b U.GND, U.D4 RL.a, RL.b H.a, H.k U.GND',
        {
          ...read,
          ...pins('U.A0 analogue', 'U.D4 output'),
          outputs: shows.outputs,
          rules: shows.rules.map((r) => ({ ...r, when: { is: 'channel', channel: 'c1' } })),
        },
      ),
    );
    const phases = 1000;
    let missed = 0;
    for (let i = 0; i < phases; i++) {
      const start = 0.3 + ((i + 0.5) / phases) * every;
      const press = { start, params: { lasts } };
      const { verdicts } = rehearse(button, sceneOf(0.6, press), undefined, 'time');
      if (verdicts[0].outcome === 'missed') missed += 1;
    }
    // 3 N are reached in a tenth of its time and leave in a tenth: it closes at 1.5 N and opens at 1.05 N.
    const closed = lasts * (1 - 0.1 * (1.5 / 3) - 0.1 * (1.05 / 3));
    expect(Math.abs(missed / phases - Math.max(0, 1 - closed / every))).toBeLessThan(0.002);
  },
);
