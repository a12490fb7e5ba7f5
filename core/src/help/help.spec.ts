import { exactBounds, upperBound } from '../judge/index.js';
import { terms, topicOf, topics } from './index.js';

it('the glossary has each word once, by the alphabet', () => {
  const words = terms.map((t) => t.term);
  expect(words).toEqual([...new Set(words)].sort((a, b) => a.localeCompare(b)));
  for (const { means } of terms) expect(means).toMatch(/^[A-Z].*[.]$/s);
});

it('each help page says how, why, by what formula and from where', () => {
  for (const topic of topics) {
    const words = topic.text.join(' ').split(/\s+/).length;
    // Half a page.
    expect([topic.id, words > 70 && words < 220]).toEqual([topic.id, true]);
    expect(topic.formula).not.toBe('');
    expect(topic.source).not.toBe('');
  }
  expect(() => topicOf('cooking')).toThrow(RangeError);
});

it('what the pages say of numbers is so', () => {
  // None of 20 beyond the line: the bound that Set shows.
  expect(upperBound(0, 20).toFixed(2)).toBe('0.14');
  const nights = exactBounds(198, 200);
  expect([nights.low.toFixed(2), nights.high.toFixed(3)]).toEqual(['0.96', '0.999']);
  expect(topicOf('nights').text.join(' ')).toContain('between 96 and 99.9 per cent');
  expect(topicOf('threshold').text.join(' ')).toContain('fewer than 14 in a hundred');
});
