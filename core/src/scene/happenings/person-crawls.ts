import { walker } from '../body/walker.js';

export const personCrawls = walker({
  kind: 'person-crawls',
  label: 'Someone crawls',
  summary: 'A person on hands and knees: lower, slower, quieter.',
  words: ['crawl', 'intruder', 'burglar', 'low', 'floor'],
  danger: 'intruder',
  speed: 0.4,
  usual: [0.1, 1.6],
  width: 0.5,
  height: 0.6,
  excess: 8,
  mass: 75,
  echo: 0.5,
  footfall: 0.02,
  loudness: 32,
  source: 'Crawling about 0.4 m/s and 0.6 m high; surface and echo as of a walker (from memory).',
});
