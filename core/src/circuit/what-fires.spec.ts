import { kindOf, paramsOf, type Numbers } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { dead, peak, run, solve, volts } from '../testing/on-the-bench.js';
import { sketch } from '../testing/small.js';
import { Circuit, runTransient, type Solution } from './index.js';

/** A part between the terminals of a supply. */
const fed = (kind: string, supplied: number, plus: string, minus: string, params = ''): Solution =>
  solve(
    [`adapter G volts=${supplied} ohms=0.001 maxAmps=30`, `${kind} X ${params}`.trim()],
    `G.plus X.${plus}; X.${minus} G.minus`,
  );
const amps = (solution: Solution, terminal: string): number =>
  solution.parts['X'].amps[terminal] ?? NaN;
const acts = (kind: string, solution: Solution, params: Numbers = {}): boolean => {
  const part = { id: 'X', kind, name: 'X', params };
  return kindOf(part).acts?.active(solution.parts['X'], paramsOf(part)) ?? false;
};

describe('what loads draw, against what they are said to draw', () => {
  const cases: [string, number, string, string, string, number, number][] = [
    ['strobe', 12, 'plus', 'minus', '', 0.15, 1e-3],
    ['fan-12v', 12, 'plus', 'minus', '', 0.15, 0.03],
    ['strip-12v', 12, 'plus', 'minus', 'length=2', 0.8, 0.05],
    ['strip-addressable', 5, 'VCC', 'GND', 'pixels=60 level=1', 60 * 0.6e-3, 1e-2],
    ['valve-12v', 12, 'plus', 'minus', '', 0.5, 0.05],
    ['magnetic-lock', 12, 'plus', 'minus', '', 0.32, 0.05],
    ['speaker', 1, 'a', 'b', '', 1 / 6.8, 0.02],
    ['servo', 5, 'VCC', 'GND', 'now=1', 0.25, 1e-3],
    ['servo', 5, 'VCC', 'GND', 'now=2', 0.7, 2e-3],
    ['radio-link', 3.3, 'VCC', 'GND', 'now=2', 0.1, 1e-3],
    ['radio-link', 3.3, 'VCC', 'GND', 'now=0', 2e-6, 0.1],
    ['character-display', 5, 'VCC', 'GND', '', 0.022, 1e-3],
    ['memory-card', 3.3, 'VCC', 'GND', 'now=1', 0.08, 1e-3],
    ['real-time-clock', 3.3, 'VCC', 'GND', '', 0.2e-3, 0.02],
    ['tag-reader', 3.3, 'VCC', 'GND', '', 0.02, 1e-3],
    ['bridge-amplifier', 5, 'VCC', 'GND', '', 1.5e-3, 1e-2],
    ['gas-combustible', 5, 'h1', 'h2', '', 5 / 33, 1e-3],
    ['pyroelectric-module', 12, 'VCC', 'GND', '', 60e-6, 0.3],
    ['chip-8bit-40pin', 5, 'VCC', 'GND', '', 0.012, 1e-2],
    ['radio-board-3v3', 5, 'VIN', 'GND', 'now=1', 0.16, 0.02],
    ['radio-board-3v3', 5, 'VIN', 'GND', 'now=3', 60e-6, 0.1],
    ['small-computer-3v3', 5, '5V', 'GND', '', 0.6, 1e-2],
  ];
  it.each(cases)('%s at %d V, %s to %s, %s: %d A', (kind, v, plus, minus, params, said, within) => {
    const drawn = amps(fed(kind, v, plus, minus, params), plus);
    expect(Math.abs(drawn / said - 1)).toBeLessThanOrEqual(within);
  });
});

describe('what acts, and when', () => {
  const cases: [string, number, string, string, boolean][] = [
    ['strobe', 7.5, 'plus', 'minus', false],
    ['strobe', 9, 'plus', 'minus', true],
    ['fan-12v', 4, 'plus', 'minus', false],
    ['fan-12v', 7, 'plus', 'minus', true],
    ['valve-12v', 7, 'plus', 'minus', false],
    ['valve-12v', 9.5, 'plus', 'minus', true],
    ['magnetic-lock', 6, 'plus', 'minus', false],
    ['magnetic-lock', 12, 'plus', 'minus', true],
    ['small-motor', 0.5, 'plus', 'minus', false],
    ['small-motor', 5, 'plus', 'minus', true],
    ['strip-12v', 6, 'plus', 'minus', false],
    ['strip-12v', 12, 'plus', 'minus', true],
    ['network-message', 0.5, 'send', 'GND', false],
    ['network-message', 3.3, 'send', 'GND', true],
  ];
  it.each(cases)('%s at %d V, %s to %s: %s', (kind, v, plus, minus, active) => {
    expect(acts(kind, fed(kind, v, plus, minus))).toBe(active);
  });

  it('a valve opens later than it closes earlier: hysteresis of its armature', () => {
    const design = sketch(['adapter G', 'valve-12v X'], ['G.plus X.plus', 'X.minus G.minus']);
    const circuit = new Circuit(design);
    const open = [7, 9, 7, 4, 2].map((v) => {
      circuit.setParams('G', { volts: v });
      return (circuit.solve().parts['X'].volts['#armature'] ?? 0) > 0.5;
    });
    expect(open).toEqual([false, true, true, true, false]);
  });

  it('an audio player plays while PLAY is low, and says so by BUSY', () => {
    const player = (held: string): Solution =>
      solve(
        ['adapter G volts=5', 'audio-player X', 'resistor R ohms=100', 'resistor B ohms=100000'],
        `G.plus X.VCC; X.GND G.minus; X.PLAY R.a; R.b ${held}; X.BUSY B.a; B.b G.minus`,
      );
    const [low, high] = [player('G.minus'), player('G.plus')];
    expect([acts('audio-player', low), acts('audio-player', high)]).toEqual([true, false]);
    expect(volts(low, 'X.BUSY')).toBeLessThan(0.5);
    expect(volts(high, 'X.BUSY')).toBeGreaterThan(4.5);
    expect(amps(low, 'VCC') - amps(high, 'VCC')).toBeCloseTo(0.25, 2);
  });

  it('an addressable strip is lit as bright as it is set while DIN is high enough for it', () => {
    const strip = (data: number, level: number): Solution =>
      solve(
        [
          'adapter G volts=5 ohms=0.001 maxAmps=5',
          `adapter D volts=${data}`,
          `strip-addressable X pixels=60 level=${level}`,
        ],
        'G.plus X.VCC; X.GND G.minus; D.plus X.DIN; D.minus G.minus',
      );
    expect(amps(strip(5, 1), 'VCC') / (60 * 0.0506)).toBeCloseTo(1, 1);
    expect(amps(strip(5, 0.5), 'VCC') / (60 * 0.0256)).toBeCloseTo(1, 1);
    const lit = (data: number, level: number) =>
      acts('strip-addressable', strip(data, level), { level });
    // 3.3 V is less than 0.7 of its 5 V: the level shifter that makers forget.
    expect([lit(5, 1), lit(5, 0), lit(3.3, 1), lit(0, 1)]).toEqual([true, false, false, false]);
  });

  it('a three-colour LED lights the colours that are fed', () => {
    const lit = solve(
      ['adapter G volts=5', 'rgb-led X', 'resistor R ohms=220', 'resistor B ohms=100'],
      'G.plus R.a; R.b X.red; G.plus B.a; B.b X.blue; X.k G.minus',
    );
    // The forward volts at 10 mA are those of the parameters.
    expect(amps(lit, 'red')).toBeCloseTo((5 - 1.95) / 220, 3);
    expect(amps(lit, 'blue')).toBeCloseTo((5 - 3.05) / 100, 2);
    expect(amps(lit, 'green')).toBeCloseTo(0, 9);
  });
});

describe('motors and coils in time', () => {
  it('a small motor starts with its stall current, and held it keeps it', () => {
    const parts = (held: number): string[] => [
      'adapter G volts=6 ohms=0.001 maxAmps=30',
      `small-motor X held=${held}`,
    ];
    const wires = 'G.plus X.plus; X.minus G.minus';
    const stall = amps(solve(parts(1), wires), 'plus');
    expect(stall / 0.8).toBeCloseTo(1, 1);
    const free = amps(solve(parts(0), wires), 'plus');
    // A fifth of the stall torque on top of what it takes unloaded.
    expect(free).toBeCloseTo(0.07 + 0.2 * (0.8 - 0.07), 1);
    const started = dead(parts(0), wires, 0.5);
    const { ratings } = peak(started, 'X');
    expect(ratings.length).toBeGreaterThan(0);
  });
  it('a lock with a diode across it lets go later than without', () => {
    const lets = (...clamp: string[]): number => {
      const { acting } = run(
        ['adapter G', 'loop-contact S bounce=0', 'magnetic-lock X', ...clamp],
        `G.plus S.a; S.b X.plus; X.minus G.minus${clamp.length ? '; D.k X.plus; D.a X.minus' : ''}`,
        2,
        [{ part: 'S', of: { stimulus: 'gap' }, times: [0, 0.5, 0.5], values: [0, 0, 1] }],
      );
      return acting.find((a) => a.part === 'X' && !a.active)?.t ?? NaN;
    };
    expect(lets('rectifier-diode D') - 0.5).toBeGreaterThan(3 * (lets() - 0.5));
  });

  it.each([0.3, 1.5])(
    'a servo turns back within %d s of being told, and draws more until it is there',
    (turns) => {
      const { acting, times, nets } = run(
        [
          'adapter G volts=5 ohms=0.1',
          'loop-contact S bounce=0',
          `servo X turns=${turns} moving=0.5 idle=0.01`,
        ],
        'G.plus S.a; S.b X.SIG; G.plus X.VCC; X.GND G.minus',
        0.5 + 2 * turns,
        [{ part: 'S', of: { stimulus: 'gap' }, times: [0, 0.5, 0.5], values: [0, 0, 1] }],
      );
      expect(acting.map((a) => a.active)).toEqual([true, false]);
      // Halfway after ln 2 of its time constant, a third of what it takes; its chip takes 20 ms to tell.
      expect(acting[1].t - 0.5).toBeCloseTo((turns / 3) * Math.log(2) + 0.02, 1);
      // Half an ampere sags its supply by 50 mV while it turns: to a twentieth of the way after three time constants.
      const supply = Object.values(nets).find((volts) => Math.min(...volts) > 4.9) ?? [];
      const turning = times.filter((t, i) => supply[i] < 4.97 && t > 0.5);
      expect(turning.length).toBeGreaterThan(5);
      expect((turning[turning.length - 1] - 0.5) / turns).toBeGreaterThan(0.9);
      expect((turning[turning.length - 1] - 0.5) / turns).toBeLessThan(1.4);
    },
  );
});

describe('relay boards', () => {
  /** A board whose inputs are held by resistors; which of its contacts conduct to a lamp feed. */
  const closed = (channels: number, active: number, high: readonly number[]): number[] => {
    const numbers = Array.from({ length: channels }, (_, i) => i + 1);
    const design: Design = sketch(
      [
        'adapter G volts=5 maxAmps=3',
        'adapter L volts=12',
        `relay-board-${channels} X active=${active}`,
        ...numbers.flatMap((n) => [`resistor I${n} ohms=10`, `resistor R${n} ohms=1000`]),
      ],
      [
        'G.plus X.VCC',
        'X.GND G.minus',
        'L.minus G.minus',
        ...numbers.flatMap((n) => [
          `I${n}.a ${high.includes(n) ? 'G.plus' : 'G.minus'}`,
          `I${n}.b X.IN${n}`,
          `L.plus X.COM${n}`,
          `X.NO${n} R${n}.a`,
          `R${n}.b G.minus`,
        ]),
      ],
    );
    const solution = new Circuit(design).solve();
    expect(solution.problems).toEqual([]);
    return numbers.filter((n) => volts(solution, `R${n}.a`) > 11);
  };
  const cases: [number, number, number[], number[]][] = [
    [1, 0, [], [1]],
    [1, 0, [1], []],
    [1, 1, [], []],
    [1, 1, [1], [1]],
    [2, 0, [1], [2]],
    [4, 1, [2, 3], [2, 3]],
    [8, 0, [1, 2, 3, 4, 5, 6, 7], [8]],
    [8, 1, [], []],
  ];
  it.each(cases)(
    '%d channels, active when %d, inputs %j high: %j closed',
    (n, active, high, on) => {
      expect(closed(n, active, high)).toEqual(on);
    },
  );

  it('a 3.3 V pin does not quite switch a low-active 5 V input off', () => {
    const glow = (high: number): number => {
      const solution = solve(
        ['adapter G volts=5', `adapter P volts=${high}`, 'relay-board-1 X'],
        'G.plus X.VCC; X.GND G.minus; P.plus X.IN1; P.minus G.minus',
      );
      return Math.abs(solution.parts['X'].amps['IN1'] ?? NaN);
    };
    expect(glow(3.3)).toBeGreaterThan(100 * glow(5));
  });

  it('without power nothing moves; a relay takes milliseconds to pull in', () => {
    const off = solve(
      ['adapter G volts=0', 'relay-board-1 X', 'resistor R'],
      'G.plus X.VCC; X.GND G.minus; X.IN1 R.a; R.b G.minus',
    );
    expect(acts('relay-board-1', off)).toBe(false);
    const design = sketch(
      ['adapter G volts=5', 'relay-board-1 X', 'resistor R ohms=10'],
      ['G.plus X.VCC', 'X.GND G.minus', 'X.IN1 R.a', 'R.b G.minus'],
    );
    const { acting } = runTransient(design, { until: 0.1, from: 'dead' });
    const pulled = acting.find((a) => a.active)?.t ?? NaN;
    expect(pulled).toBeGreaterThan(1e-3);
    expect(pulled).toBeLessThan(0.03);
  });
});

describe('controllers', () => {
  const skills = (kind: string, skill: string): number =>
    kindOf({ kind }).terminals.filter((t) => t.can?.some((c) => c === skill)).length;
  it.each([
    ['controller-5v-8bit', 'analogue', 6],
    ['controller-5v-8bit', 'interrupt', 2],
    ['controller-5v-8bit', 'pwm', 6],
    ['controller-5v-8bit', 'data', 1],
    ['chip-8bit-40pin', 'analogue', 8],
    ['chip-8bit-40pin', 'interrupt', 3],
    ['chip-8bit-40pin', 'pwm', 4],
    ['radio-board-3v3', 'analogue', 8],
    ['radio-board-3v3', 'touch', 4],
    ['small-computer-3v3', 'analogue', 0],
    ['small-computer-3v3', 'data', 1],
  ])('%s has %s pins: %d', (kind, skill, many) => {
    expect(skills(kind, skill)).toBe(many);
  });
  it('only pins with a converter behind them can be analogue', () => {
    for (const kind of ['chip-8bit-40pin', 'radio-board-3v3', 'small-computer-3v3']) {
      for (const { role, modes = [], can = [] } of kindOf({ kind }).terminals) {
        if (role !== 'pin') continue;
        expect(modes.includes('analogue')).toBe(can.includes('analogue'));
        expect(modes).toContain('input');
      }
    }
  });

  const over = (kind: string, supply: string, pin: string): number => {
    const { parts } = solve(
      ['adapter G volts=5', `${kind} X`, 'resistor R ohms=100'],
      `G.plus X.${supply}; X.GND G.minus; G.plus R.a; R.b X.${pin}`,
    );
    const rating = kindOf({ kind }).ratings.find((r) => r.across?.from === pin);
    const params = paramsOf({ id: 'X', kind, name: 'X', params: {} });
    return (rating?.stress(parts['X'], params) ?? NaN) / (rating?.limit(params) ?? NaN);
  };
  it('5 V at a pin is too much for a 3.3 V board, and fine for a 5 V one', () => {
    expect(over('radio-board-3v3', 'VIN', 'P8')).toBeGreaterThan(1);
    expect(over('small-computer-3v3', '5V', 'P8')).toBeGreaterThan(1);
    expect(over('controller-5v-8bit', 'VIN', 'D8')).toBeLessThan(3);
    expect(over('chip-8bit-40pin', 'VCC', 'PB0')).toBeLessThan(1);
  });

  it('the converter compares with what it is told to: supply, AREF pin, or its own reference', () => {
    const solved = solve(
      ['adapter G volts=5', 'adapter A volts=3', 'chip-8bit-40pin X'],
      'G.plus X.VCC; X.GND G.minus; A.plus X.AREF; A.minus G.minus',
    ).parts['X'];
    const { converter } = kindOf({ kind: 'chip-8bit-40pin' });
    const reference = (choice: string): number =>
      converter?.reference(solved, { reference: choice }) ?? NaN;
    expect(reference('the supply')).toBeCloseTo(5, 2);
    expect(reference('the AREF pin')).toBeCloseTo(3, 1);
    expect(reference('2.56 V inside')).toBe(2.56);
  });
});
