import type { Channel } from '../design/index.js';
import { bestLevels } from './best-levels.js';
import type { Judgement } from './judgement.js';

const share = (events: number) => ({ events, tries: 10, low: 0, high: 1 });
const best = (line: number, gap: number, misses = 0): NonNullable<Judgement['best']> => ({
  line,
  gap,
  misses: share(misses),
  falses: share(0),
  cost: 0,
});
const fixed: Channel['baseline'] = { kind: 'fixed', counts: 500 };

it.each<[string, Judgement['best'], Partial<Channel>, number | undefined, object | undefined]>([
  ['rounds down for a channel that trips above', best(512.6, 40), {}, 8, [512, 8]],
  ['rounds up for one that trips below', best(512.2, 40), { trips: 'below' }, 8, [513, 8]],
  [
    'rounds down below a baseline: distance counts up',
    best(30.7, 40),
    { trips: 'below', baseline: fixed },
    8,
    [30, 8],
  ],
  ['keeps the hysteresis within the gap', best(512, 5.9), {}, 8, [512, 5]],
  ['but leaves one count of it', best(512, 0.4), {}, 8, [512, 1]],
  ['lets noise rule where nothing parts the readings', best(512, 5, 2), {}, 8, [512, 8]],
  [
    'keeps the channel’s own where there is no noise to go by',
    best(512, 90),
    {},
    undefined,
    [512, 51],
  ],
  ['never goes below zero', best(-3.2, 40), {}, 8, [0, 8]],
  ['says nothing without a line', undefined, {}, 8, undefined],
])('%s', (_, line, change, hysteresis, levels) => {
  const channel = { trips: 'above' as const, hysteresis: 51, ...change };
  const judged = { ...(line ? { best: line } : {}), ...(hysteresis ? { hysteresis } : {}) };
  const found = bestLevels(judged as Judgement, channel);
  expect(found && [found.threshold, found.hysteresis]).toEqual(levels);
});
