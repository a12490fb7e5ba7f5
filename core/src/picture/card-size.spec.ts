import fc from 'fast-check';
import { cardSize, fitHeadline, inset, letters, type CardContent } from './card-size.js';
import { shorten, textWidth, valueWidth, wrap } from './text-width.js';

const content = (over: Partial<CardContent> = {}): CardContent => ({
  name: 'Load resistor',
  id: 'R1',
  headline: '10 kΩ',
  live: '888 mW',
  west: [''],
  east: [''],
  labelled: false,
  supplies: 0,
  more: '',
  ...over,
});
const words = fc
  .array(fc.string({ minLength: 1, maxLength: 14 }), { minLength: 1, maxLength: 6 })
  .map((w) => w.join(' '));
const width = (text: string): number => textWidth(text, letters.name, 'bold');

describe('a name', () => {
  it('is broken into lines that fit, and loses nothing but what is marked as cut', () => {
    fc.assert(
      fc.property(words, fc.integer({ min: 30, max: 200 }), (name, room) => {
        const lines = wrap(name, room, 2, width);
        expect(lines.length).toBeLessThanOrEqual(2);
        for (const line of lines)
          expect(width(line)).toBeLessThanOrEqual(Math.max(room, width('…')));
        const whole = lines.every((line) => !line.endsWith('…'));
        if (whole) expect(lines.join(' ')).toBe(name.split(/\s+/).join(' '));
      }),
    );
  });

  it.each([
    ['Lamp resistor', ['Lamp resistor']],
    ['Lower beam receiver', ['Lower beam', 'receiver']],
    ['Radio to the house on the northern hill', ['Radio to the', 'house on the n…']],
  ])('%s', (name, lines) => {
    expect(cardSize(content({ name })).nameLines).toEqual(lines);
  });
});

describe('a card', () => {
  it('is as wide as its longest line and no wider', () => {
    const narrow = cardSize(content());
    expect(narrow.width).toBeGreaterThanOrEqual(width('Load resistor') + 2 * inset);
    const wide = cardSize(content({ headline: '100 µF, 25 V' }));
    expect(wide.width).toBe(
      Math.ceil(textWidth('R1', 12, 'bold') + 5 + valueWidth('100 µF, 25 V', 12) + 2 * inset),
    );
    expect(wide.height).toBe(narrow.height);
  });

  it('is higher by a line for a name in two, and by its tabs', () => {
    const plain = cardSize(content()).height;
    expect(cardSize(content({ name: 'Lower beam receiver' })).height).toBe(plain + 15);
    const labelled = (n: number) =>
      cardSize(content({ labelled: true, west: Array<string>(n).fill('A0') })).height;
    expect(labelled(5) - labelled(4)).toBe(19);
  });

  it('stands flags in rows that are no wider than it is', () => {
    for (const supplies of [1, 2, 3, 7]) {
      const { width, flagsPerRow } = cardSize(content({ supplies }));
      expect(flagsPerRow * 60 - 4).toBeLessThanOrEqual(Math.max(width, 56));
    }
  });

  it('keeps its size when its value gets longer: the value is cut', () => {
    const { width } = cardSize(content());
    expect(fitHeadline('10 kΩ', 'R1', width)).toBe('10 kΩ');
    expect(fitHeadline('4.7 kΩ, 0.25 W, 1 %', 'R1', width)).toMatch(/^4\.7 k.*…$/);
  });
});

it('cuts a text to any room, down to nothing but the mark', () => {
  expect(shorten('abc', 0, width)).toBe('…');
  expect(shorten('abc', 100, width)).toBe('abc');
});
