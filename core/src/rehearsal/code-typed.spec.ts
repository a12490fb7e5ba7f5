import { channel, onBoard, placed, sceneOf } from '../testing/small.js';
import { rehearse } from './rehearse.js';

it.each([
  [0.6, 0.5],
  [0.05, 2],
])(
  'each key of a code, %d s apart, lights a lamp at its moment, however seldom a program reads',
  (each, every) => {
    const lock = placed(
      onBoard(
        'keypad K, resistor RL ohms=470, led H, resistor A ohms=1e4, resistor B ohms=1e4',
        'U.5V K.R1, U.5V K.R2, U.5V K.R3, U.5V K.R4, K.C1 RL.a, K.C2 RL.a, K.C3 RL.a, K.C4 RL.a, RL.b H.a, H.k U.GND, U.5V A.a, A.b U.A0, A.b B.a, B.b U.GND',
        channel('U.A0', { every }),
      ),
    );
    const typed = { kind: 'code-typed', start: 1.13, params: { code: 15932604, each } };
    const { acting } = rehearse(lock, sceneOf(10, typed), undefined, 'time');
    const lit = acting.filter((a) => a.part === 'H' && a.active).map((a) => a.t);
    // Contacts bounce: of each key its first light.
    const first = lit.filter((t, i) => i === 0 || t - lit[i - 1] > each / 3);
    expect(first).toHaveLength(8);
    first.forEach((t, i) => expect(Math.abs(t - 1.13 - i * each)).toBeLessThan(1e-3));
  },
);
