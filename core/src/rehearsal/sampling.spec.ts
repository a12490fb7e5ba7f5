import { pinLevel } from '../catalog/index.js';
import { solveOnce, voltsAt } from '../circuit/index.js';
import type { Channel, Design } from '../design/index.js';
import { sketch } from '../testing/small.js';
import { snapshot } from './index.js';

const channel = (id: string, pin: string): Channel => ({
  id,
  name: id,
  pin,
  trips: 'above',
  threshold: 1000,
  hysteresis: 10,
  every: 0.01,
  hits: 1,
  misses: 1,
});

/** A divider of two equal resistors on A0, and the full supply on A1, which is read before it. */
function divider(ohms: number, ...extra: [parts: string[], wires: string[]][]): Design {
  const design = sketch(
    [
      'adapter G',
      'controller-5v-8bit U leak=1e-12',
      `resistor A ohms=${ohms}`,
      `resistor B ohms=${ohms}`,
      ...extra.flatMap(([parts]) => parts),
    ],
    [
      'G.plus U.VIN',
      'G.minus U.GND',
      'U.5V A.a',
      'A.b B.a',
      'B.b U.GND',
      'A.b U.A0',
      'U.5V U.A1',
      ...extra.flatMap(([, wires]) => wires),
    ],
  );
  return {
    ...design,
    controller: { pins: ['U.A0', 'U.A1'].map((pin) => ({ pin, mode: 'analogue' as const })) },
    channels: [channel('full', 'U.A1'), channel('half', 'U.A0')],
  };
}

const half = (design: Design): number => snapshot(design, undefined).counts['half'] ?? NaN;

describe('a sampled converter reads a source of high resistance wrong', () => {
  // V + (Vbefore − V)·e^(−t/((Rs + 10 kΩ)·14 pF)), t = 12 µs, Rs half of each resistor.
  it.each([
    [2e3, 512],
    [20e3, 512],
    [2e6, Math.round(1023 * (0.5 + 0.5 * Math.exp(-12e-6 / (1.01e6 * 14e-12))))],
    [20e6, Math.round(1023 * (0.5 + 0.5 * Math.exp(-12e-6 / (10.01e6 * 14e-12))))],
  ])('two of %d Ω read %d', (ohms, counts) => {
    expect(Math.abs(half(divider(ohms)) - counts)).toBeLessThanOrEqual(3);
  });

  it('a capacitor at the pin holds it while it is sampled', () => {
    const held = divider(2e6, [['capacitor C farads=1e-7 leak=1e13'], ['C.a U.A0', 'C.b U.GND']]);
    expect(Math.abs(half(held) - 512)).toBeLessThanOrEqual(1);
  });
});

it.each([
  [1e3, 1e6, 'high'],
  [1e6, 1e3, 'low'],
  [12e3, 10e3, 'either'],
])(
  'a digital input behind %d Ω over %d Ω reads %s (0.3 and 0.6 of the supply)',
  (top, bottom, level) => {
    const design = sketch(
      ['adapter G', 'controller-5v-8bit U', `resistor A ohms=${top}`, `resistor B ohms=${bottom}`],
      ['G.plus U.VIN', 'G.minus U.GND', 'U.5V A.a', 'A.b B.a', 'B.b U.GND', 'A.b U.D2'],
    );
    const solution = solveOnce(design);
    const volts = voltsAt(solution, 'U.D2') ?? NaN;
    expect(pinLevel(design, 'U.D2', volts, solution.parts['U'])).toBe(level);
  },
);
