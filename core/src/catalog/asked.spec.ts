import fc from 'fast-check';
import { brief } from '../testing/small.js';
import { askedAt, wordsOf } from './index.js';

/** Two bytes as a number with sign (two's complement). */
const signed = (word: number): number => Buffer.from([word >> 8, word & 0xff]).readInt16BE();

describe('what a chip holds when it reads so many counts', () => {
  it('is the number itself, its share of the full scale, or the angle of two words', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3600 }), (counts) => {
        expect(wordsOf({ words: 'counts' }, counts)).toEqual([counts]);
        const [share = NaN] = wordsOf({ words: 'share', of: 17_500 }, counts);
        expect(Math.abs((share / 65_535) * 17_500 - counts)).toBeLessThan(0.5);
        const [high = NaN, low = NaN] = wordsOf({ words: 'number' }, 500_000 * counts);
        expect(high * 65_536 + low).toBe(500_000 * counts);
        const [x = NaN, y = NaN] = wordsOf({ words: 'angle' }, counts).map(signed);
        const degrees = (180 / Math.PI) * Math.atan2(y, x);
        expect(Math.abs(10 * degrees + 1800 - counts)).toBeLessThan(0.5);
      }),
    );
  });
});

describe('how a part is asked in a design', () => {
  const chip = 'radio-board-3v3 U, heading-sensor B address=30 register=9, resistor R ohms=100';

  it('by address, register and the pins that its lines lead to, through a resistor too', () => {
    const design = brief(chip, 'B.SDA R.a, R.b U.P14, B.SCL U.P15');
    expect(askedAt(design, 'B.heading')).toEqual({
      ...{ by: 'register', address: 30, register: 9, holds: { words: 'angle' } },
      ...{ data: 'U.P14', clock: 'U.P15' },
    });
  });

  it('without a pin where a line leads nowhere, and not at all where it is none', () => {
    const design = brief(chip, 'B.SCL U.P15');
    expect(askedAt(design, 'B.heading')).toMatchObject({ data: undefined, clock: 'U.P15' });
    expect(askedAt(design, 'U.P15')).toBeUndefined();
    expect(askedAt(brief('tag-reader B', ''), 'B.tag')).toBeUndefined();
  });

  it('the second reading of a chip stands one word after the first', () => {
    const design = brief('temperature-humidity-chip B', '');
    const registers = ['B.temperature', 'B.humidity'].map((ref) => {
      const asked = askedAt(design, ref);
      return asked?.by === 'register' ? asked.register : NaN;
    });
    expect(registers).toEqual([0, 2]);
  });
});
