/** Dimmed outputs: pins switched on and off, against closed forms. */
import type { Design } from '../design/index.js';
import { brief, channel, pins, placed, sceneOf } from '../testing/small.js';
import type { Rehearsal } from './rehearsal.js';
import { rehearse } from './rehearse.js';

/** A board whose pin D3 is on for a share of the time from 1 s on, with whatever hangs on it. */
const dimmed = (level: number, parts: string, wires: string, more: Partial<Design> = {}): Design =>
  placed(
    brief(
      `adapter G volts=9 ohms=0.01, controller-5v-8bit U noise=0, ${parts}`,
      `G.plus U.VIN, G.minus U.GND, ${wires}`,
      {
        ...pins('U.A0 analogue', 'U.D3 output'),
        channels: channel('U.A0', { every: 0.0101, threshold: 1000 }).channels,
        outputs: [{ id: 'o1', name: 'Dimmed', pin: 'U.D3', active: 'high' }],
        rules: [
          {
            ...{ id: 'r1', hold: 0, latch: false, when: { is: 'all', of: [] } },
            then: [{ do: 'drive', output: 'o1', drive: { as: 'level', level } }],
          },
        ],
        ...more,
      } as Partial<Design>,
    ),
  );

const inTime = (design: Design, seconds: number): Rehearsal =>
  rehearse(design, sceneOf(seconds), undefined, 'time');

it.each([0.1, 0.3, 0.8])('%d of the time through RC reads that share, and its ripple', (level) => {
  const filter = dimmed(
    level,
    'resistor R ohms=10e3, capacitor C farads=10e-6 leak=1e12 esr=0.001',
    'U.D3 R.a, R.b C.a, C.b U.GND, R.b U.A0',
  );
  const { readings } = inTime(filter, 4);
  const late = readings['c1'].values.slice(-100);
  const duty = Math.round(level * 255) / 255;
  const mean = late.reduce((a, b) => a + b, 0) / late.length;
  expect(Math.abs(mean / (duty * 1023) - 1)).toBeLessThan(0.01);
  // ΔV = V·D·(1 − D)·T/RC where that is short: 0.15 to 0.25 % of full scale peak to peak.
  const ripple = (1023 * duty * (1 - duty)) / 490 / 0.1;
  expect(Math.max(...late) - Math.min(...late)).toBeLessThan(ripple + 2);
});

it('a ripple as large as the signal is that of its closed form', () => {
  const [duty, period, rc] = [Math.round(0.3 * 255) / 255, 1 / 490, 1e-3];
  const filter = dimmed(
    0.3,
    'resistor R ohms=10e3, capacitor C farads=0.1e-6 leak=1e12 esr=0.001',
    'U.D3 R.a, R.b C.a, C.b U.GND, R.b U.A0',
  );
  const { readings } = inTime(filter, 20);
  const late = readings['c1'].values.slice(-1500);
  // Charging for D·T, discharging for the rest: V·(1 − e^(−DT/RC))·(1 − e^(−(1−D)T/RC))/(1 − e^(−T/RC)).
  const falls = (time: number): number => -Math.expm1(-time / rc);
  const ripple = (falls(duty * period) * falls((1 - duty) * period)) / falls(period);
  const top = falls(duty * period) / falls(period);
  // 1,500 readings at other phases each come within a thousandth of both ends.
  expect(Math.abs((Math.max(...late) - Math.min(...late)) / (1023 * ripple) - 1)).toBeLessThan(
    0.01,
  );
  expect(Math.abs(Math.max(...late) / (1023 * top) - 1)).toBeLessThan(0.01);
});

it('a lamp dimmed at a press shows at its share of the current, once', () => {
  const lamp = (level: number): string => {
    const design = dimmed(
      level,
      'resistor R ohms=330, led H, push-button S, resistor P ohms=10e3',
      'U.D3 R.a, R.b H.a, H.k U.GND, U.5V S.a, S.b U.A0, U.A0 P.a, P.b U.GND',
    );
    const [rule] = design.rules;
    const pressed: Design = {
      ...design,
      rules: [
        { ...rule, latch: true, when: { is: 'all', of: [{ is: 'channel', channel: 'c1' }] } },
      ],
    };
    const run = rehearse(pressed, sceneOf(4, { start: 1 }), undefined, 'time');
    const shown = run.acting.filter((a) => a.part === 'H');
    expect(shown.map((a) => a.active)).toEqual([true]);
    return shown[0].because;
  };
  const amps = (text: string): number => Number(/([\d.]+).mA flows/.exec(text)?.[1]);
  expect(amps(lamp(0.3)) / amps(lamp(1))).toBeCloseTo(76 / 255, 2);
});

it('a coil and a motor see the mean: a pump at 60 % turns slower, and is not switched at each pulse', () => {
  const speed = (level: number): number[] => {
    const pump = dimmed(
      level,
      'pump-12v M volts=9 amps=0.2 stall=1, logic-mosfet Q, resistor R ohms=220, rectifier-diode D',
      'U.D3 R.a, R.b Q.g, Q.s G.minus, Q.d M.minus, M.plus G.plus, D.a Q.d, D.k G.plus',
    );
    return inTime(pump, 2).acting.map(({ because }) => Number(/at (\d+) %/.exec(because)?.[1]));
  };
  // From full speed, at which it begins, it falls below the half at which it counts as running, or does not.
  expect(speed(0.9)).toHaveLength(1);
  expect(speed(0.3)).toHaveLength(2);
});

it('what drifts slowly beside a dimmed pin is leapt over, and goes where it goes beside one that is off', () => {
  const slow = (level: number) =>
    dimmed(
      level,
      'resistor L ohms=1000, resistor R ohms=1e6, capacitor C farads=100e-6 leak=1e12 esr=0.001',
      'U.D3 L.a, L.b U.GND, U.5V R.a, R.b C.a, C.b U.GND, C.a U.A0',
      { channels: channel('U.A0', { every: 1, threshold: 1000 }).channels },
    );
  const dead = { ...sceneOf(120), starts: 'power-on' as const };
  const [still, beside] = [0, 0.5].map(
    (level) => rehearse(slow(level), dead, undefined, 'time').readings['c1'].values,
  );
  expect(still[100] - still[10]).toBeGreaterThan(400);
  for (const [i, value] of still.entries()) expect(Math.abs(beside[i] - value)).toBeLessThan(1.5);
});

it.each([0.3, 0.45, 0.8])(
  'a servo whose pin is on for %d of the time turns back as far',
  (level) => {
    const arm = dimmed(level, 'servo M', 'U.5V M.VCC, M.GND U.GND, U.D3 M.SIG');
    const { acting, nets } = inTime(arm, 4);
    const own = acting.filter((a) => a.part === 'M');
    // It was told "on" until now, and is past its middle until it has come back as far: by the closed form of two lags.
    expect(own.map((a) => a.active)).toEqual(level < 0.5 ? [true, false] : [true]);
    if (level < 0.5) {
      const [arrives, told] = [0.1, 0.02];
      const at = (t: number): number =>
        level +
        ((1 - level) * (arrives * Math.exp(-t / arrives) - told * Math.exp(-t / told))) /
          (arrives - told);
      expect(at(own[1].t)).toBeCloseTo(0.5, 1);
    }
    // It draws more on the way than once it is there.
    const supply = nets['M.VCC'].values;
    expect((supply.at(-1) ?? NaN) - Math.min(...supply)).toBeGreaterThan(0.01);
  },
);
