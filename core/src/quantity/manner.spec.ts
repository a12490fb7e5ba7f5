import fc from 'fast-check';
import {
  axisIn,
  decimals,
  formatNominal,
  formatQuantity,
  parseQuantity,
  plainManner,
  significant,
  writeIn,
  type Manner,
  type Unit,
} from './index.js';

afterEach(() => writeIn(plainManner));

const comma: Manner = { ...plainManner, decimal: ',' };
const imperial: Manner = { ...plainManner, temperature: '°F', length: 'inch' };
const nbsp = (text: string) => text.replace(/ /g, '\u00a0');
const valueOf = (text: string, unit: Unit) => {
  const parsed = parseQuantity(text, unit);
  return parsed.ok ? parsed.value : parsed.reason;
};

// 1 in = 25.4 mm and 1 ft = 0.3048 m exactly; °F = 1.8 °C + 32 (NIST SP 811, appendix B.8).
it.each<[Manner, number, Unit, string]>([
  [comma, 4700, 'Ω', '4,70 kΩ'],
  [comma, 0.25, '', '0,250'],
  [imperial, 25, '°C', '77.0 °F'],
  [imperial, -40, '°C', '−40.0 °F'],
  [imperial, 0.1016, 'm', '4.00 in'],
  [imperial, 3.048, 'm', '10.0 ft'],
  [imperial, -0.0254, 'm', '−1.00 in'],
  [imperial, 5, 'K', '5.00 K'],
  [imperial, 2, 'm/s', '2.00 m/s'],
  [{ ...imperial, decimal: ',' }, 0.0127, 'm', '0,500 in'],
])('%j writes %d %s as %s', (manner, value, unit, text) => {
  writeIn(manner);
  expect(formatQuantity(value, unit)).toBe(nbsp(text));
});

it.each<[Manner, string, Unit, number | RegExp]>([
  [plainManner, '77 °F', '°C', 25],
  [plainManner, '77F', '°C', 25],
  [plainManner, '77', '°C', 77],
  [plainManner, '4 in', 'm', 0.1016],
  [plainManner, "10'", 'm', 3.048],
  [plainManner, '4,5 cm', 'm', 0.045],
  [plainManner, '2 ft', 'V', /not a way to write V/],
  [imperial, '77', '°C', 25],
  [imperial, '25 °C', '°C', 25],
  [imperial, '4', 'm', /Write 4 in, 4 ft or 4 m/],
  [imperial, '4 m', 'm', 4],
  [imperial, '0', 'm', 0],
  [comma, '4,7 k', 'Ω', 4700],
  [comma, '4.7 k', 'Ω', 4700],
  [comma, '1,234', 'V', 1.234],
  [comma, '1.234', 'V', /may mean 1,234 or 1234/],
  [comma, '1,5 h', 's', 5400],
])('%j reads %s in %s', (manner, text, unit, value) => {
  writeIn(manner);
  const read = valueOf(text, unit);
  if (value instanceof RegExp) expect(read).toMatch(value);
  else expect(read).toBeCloseTo(value, 12);
});

const manners = fc.record<Manner>({
  decimal: fc.constantFrom('.', ','),
  temperature: fc.constantFrom('°C', '°F'),
  length: fc.constantFrom('m', 'inch'),
});

it('reads back what it has written, in every manner', () => {
  const units = fc.constantFrom<Unit>('Ω', 'V', 'm', '°C', 'F', '%', 's');
  const sizes = fc.double({ min: 1e-3, max: 9e5, noNaN: true });
  fc.assert(
    fc.property(manners, units, sizes, (manner, unit, value) => {
      writeIn(manner);
      const read = valueOf(formatNominal(value, unit), unit);
      // Written to six digits; near 0 °F those leave less of °C.
      const dust = 2e-5 * Math.max(value, unit === '°C' ? 40 : 0);
      expect(Math.abs(Number(read) - value)).toBeLessThan(Math.max(dust, 1e-12));
    }),
  );
});

it('writes plain numbers with the same decimal sign', () => {
  writeIn(comma);
  expect([decimals(1.25, 1), decimals(-0.361, 2), significant(0.0123, 2)]).toEqual([
    '1,3',
    '−0,36',
    '0,012',
  ]);
});

it('draws a whole axis in one unit, whatever single values would be written in', () => {
  const at = (unit: string, value: number) => {
    const axis = axisIn(unit);
    return [axis.unit, Number(axis.at(value).toPrecision(6))];
  };
  expect([at('m', 0.1524), at('°C', 25), at('lx', 12)]).toEqual([
    ['m', 0.1524],
    ['°C', 25],
    ['lx', 12],
  ]);
  writeIn(imperial);
  // NIST SP 811: 1 ft = 0.3048 m exactly; t/°F = 1.8 t/°C + 32.
  expect([at('m', 0.1524), at('m', 3.048), at('°C', 25), at('lx', 12)]).toEqual([
    ['ft', 0.5],
    ['ft', 10],
    ['°F', 77],
    ['lx', 12],
  ]);
});
