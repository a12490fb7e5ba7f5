import fc from 'fast-check';
import {
  colourBands,
  eSeries,
  formatNominal,
  formatQuantity,
  parseQuantity,
  preferredValues,
  readBands,
  type BandColour,
  type Unit,
} from './index.js';

describe('parseQuantity', () => {
  const accepted: [string, Unit, number][] = [
    ['4k7', 'Ω', 4700],
    ['4.7k', 'Ω', 4700],
    ['4700', 'Ω', 4700],
    ['4,7 k', 'Ω', 4700],
    ['4.7 kΩ', 'Ω', 4700],
    ['4.7 kohm', 'Ω', 4700],
    ['0R22', 'Ω', 0.22],
    ['4R7', 'Ω', 4.7],
    ['220R', 'Ω', 220],
    ['1M', 'Ω', 1e6],
    ['2.2Meg', 'Ω', 2.2e6],
    ['220 µF', 'F', 220e-6],
    ['220u', 'F', 220e-6],
    ['1.5 nF', 'F', 1.5e-9],
    ['2n2', 'F', 2.2e-9],
    ['50 mA', 'A', 0.05],
    ['−3.3 V', 'V', -3.3],
    ['1e3', 'Ω', 1000],
    ['412', 'counts', 412],
    ['2 lux', 'lx', 2],
    ['180 °', '°', 180],
  ];
  it.each(accepted)('reads %j in %s as %d', (text, unit, value) => {
    expect(parseQuantity(text, unit)).toEqual({ ok: true, value });
  });

  const refused: [string, Unit, RegExp][] = [
    ['4.7 bananas', 'Ω', /bananas.*4k7/],
    ['', 'Ω', /Type a value/],
    ['abc', 'V', /not a number/],
    ['4,700', 'Ω', /4\.700 or 4700/],
    ['3 V', 'Ω', /not a way to write Ω/],
    ['4k7k', 'Ω', /./],
    ['1e999', 'Ω', /too large/],
    ['5 k', 'counts', /counts/],
    ['4R7', 'V', /./],
  ];
  it.each(refused)('refuses %j in %s and says why', (text, unit, reason) => {
    const parsed = parseQuantity(text, unit);
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.reason).toMatch(reason);
  });

  it('reads back what formatNominal writes, to six digits', () => {
    const units = fc.constantFrom<Unit>('Ω', 'V', 'A', 'F', 's', 'lx', 'counts');
    fc.assert(
      fc.property(fc.double({ min: 1e-9, max: 9e8, noNaN: true }), units, (value, unit) => {
        const whole = unit === 'counts' ? Math.round(value) : value;
        const parsed = parseQuantity(formatNominal(whole, unit), unit);
        expect(parsed.ok && Math.abs(parsed.value - whole) <= 1e-5 * whole).toBe(true);
      }),
    );
  });
});

describe('formatQuantity', () => {
  const cases: [number, Unit, string][] = [
    [4700, 'Ω', '4.70 kΩ'],
    [0.0118, 'A', '11.8 mA'],
    [999.9, 'Ω', '1.00 kΩ'],
    [0.05, 'V', '50.0 mV'],
    [-12, 'V', '−12.0 V'],
    [643.4, 'counts', '643 counts'],
    [1e-9, 'V', '0 V'],
    [NaN, 'V', '–'],
    [Infinity, 'A', '–'],
    [25000, 'lx', '25000 lx'],
    [3.94e-170, 'W/m²', '0 W/m²'],
    [2e-15, 'F', '0.00200 pF'],
  ];
  it.each(cases)('writes %d %s as %s', (value, unit, text) => {
    expect(formatQuantity(value, unit).replace(/\u00a0/g, ' ')).toBe(text);
  });
});

describe('preferred values, IEC 60063:2015', () => {
  it('has the E6 and E12 values of the standard', () => {
    expect(eSeries('E6')).toEqual([1.0, 1.5, 2.2, 3.3, 4.7, 6.8]);
    expect(eSeries('E12')).toEqual([1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2]);
  });
  it.each([
    ['E48', 48, [1.05, 2.05, 5.11, 9.53]],
    ['E96', 96, [1.02, 2.43, 4.99, 9.76]],
  ] as const)('has %s with %d values', (series, count, some) => {
    expect(eSeries(series)).toHaveLength(count);
    expect(eSeries(series)).toEqual(expect.arrayContaining([...some]));
  });
  it('finds neighbours in any decade, and itself', () => {
    expect(preferredValues(900, 'E12')).toEqual({ nearest: 820, below: 820, above: 1000 });
    expect(preferredValues(0.047, 'E24')).toEqual({ nearest: 0.047, below: 0.047, above: 0.047 });
    expect(() => preferredValues(0)).toThrow(RangeError);
  });
  it('never lies further off than the gap of the series', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 1e7, noNaN: true }), (value) => {
        const { below, above, nearest } = preferredValues(value, 'E24');
        expect(below).toBeLessThanOrEqual(value * (1 + 1e-9));
        expect(above).toBeGreaterThanOrEqual(value * (1 - 1e-9));
        // The widest gap of E24 is from 1.3 to 1.5.
        expect(Math.abs(nearest / value - 1)).toBeLessThanOrEqual(Math.sqrt(1.5 / 1.3) - 1 + 1e-9);
      }),
    );
  });
});

describe('colour code, IEC 60062:2016', () => {
  const cases: [number, number, BandColour[]][] = [
    [4700, 0.05, ['yellow', 'violet', 'red', 'gold']],
    [10e3, 0.01, ['brown', 'black', 'black', 'red', 'brown']],
    [0.22, 0.05, ['red', 'red', 'silver', 'gold']],
    [1e6, 0.1, ['brown', 'black', 'green', 'silver']],
    [49.9, 0.01, ['yellow', 'white', 'white', 'gold', 'brown']],
  ];
  it.each(cases)('%d Ω at %d', (ohms, tolerance, bands) => {
    expect(colourBands(ohms, tolerance)).toEqual(bands);
    const read = readBands(bands);
    expect(read.ohms).toBeCloseTo(ohms, 6);
    expect(read.tolerance).toBe(tolerance);
  });
  it('refuses what has no code', () => {
    expect(() => colourBands(-1, 0.05)).toThrow(RangeError);
    expect(() => colourBands(100, 0.07)).toThrow(/tolerance/);
    expect(() => readBands(['gold', 'red', 'red', 'gold'])).toThrow(RangeError);
  });
});

describe('long times', () => {
  it.each([
    [119, '119 s'],
    [120, '2 min'],
    [359, '5 min 59 s'],
    [3599.6, '1 h'],
    [5400, '1 h 30 min'],
    [86_399, '1 d'],
    [90_061, '1 d 1 h'],
    [-5400, '−1 h 30 min'],
    [30 * 86_400, '30 d'],
    [1e9, '11574 d 2 h'],
  ])('%d s are %s', (seconds, said) => {
    expect(formatQuantity(seconds, 's').replace(/\u00a0/g, ' ')).toBe(said);
  });

  it('are told to half of the smaller part', () => {
    const lengths = { d: 86_400, h: 3600, min: 60, s: 1 };
    fc.assert(
      fc.property(fc.double({ min: 120, max: 1e8, noNaN: true }), (seconds) => {
        const said = [...formatQuantity(seconds, 's').matchAll(/(\d+)\u00a0(d|h|min|s)/g)];
        const told = said.map(([, n, unit]) => [Number(n), lengths[unit as 'd']] as const);
        const sum = told.reduce((total, [n, length]) => total + n * length, 0);
        expect(Math.abs(sum - seconds)).toBeLessThanOrEqual(told[0][1] / 2);
        expect(told.length).toBeLessThanOrEqual(2);
      }),
    );
  });

  it('chosen by a maker are told to the second, and read back as they were', () => {
    expect(formatNominal(1500, 's').replace(/\u00a0/g, ' ')).toBe('25 min');
    expect(formatNominal(5430, 's').replace(/\u00a0/g, ' ')).toBe('1 h 30 min 30 s');
    expect(formatNominal(119, 's').replace(/\u00a0/g, ' ')).toBe('119 s');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), (seconds) => {
        expect(parseQuantity(formatNominal(seconds, 's'), 's')).toEqual({
          ok: true,
          value: seconds,
        });
      }),
    );
  });

  it.each([
    ['1 h 30 min', 5400],
    ['2h', 7200],
    ['90 min', 5400],
    ['1.5 h', 5400],
    ['1h 5m', 3900],
    ['1 d 12 hours', 129_600],
    ['250 ms', 0.25],
    ['2 ks', 2000],
    ['30 s', 30],
  ])('%s are read', (text, value) => {
    expect(parseQuantity(text, 's')).toEqual({ ok: true, value });
  });

  it.each(['30 min 1 h', '1 h 1 h', '1 h soon', 'h', '5 parsecs'])(
    '%s is refused, with how to write it',
    (text) => {
      expect(parseQuantity(text, 's')).toMatchObject({
        ok: false,
        reason: expect.stringMatching(/1 h 30 min/),
      });
    },
  );
});
