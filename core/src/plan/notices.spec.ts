import type { Brief } from '../design/index.js';
import { noticesFor, unreadNotices } from './index.js';

const brief = (kinds: string[], more: Partial<Brief> = {}): Brief => ({
  ...more,
  needs: kinds.map((kind, i) => ({
    ...{ id: `n${i}`, intent: 'wanted', kind, name: kind, params: {} },
  })),
  tells: '',
});

it.each<[string, Brief, string[]]>([
  ['nothing is asked yet', brief([]), []],
  ['a flame', brief(['flame'], { answer: 'light' }), ['fire']],
  ['smoke, from a closed adapter', brief(['smoke-fills'], { feed: 'mains' }), ['fire']],
  ['gas that shuts a valve', brief(['gas-released'], { answer: 'valve' }), ['gas', 'mains']],
  [
    'someone who walks, as long as nothing else is said of what then',
    brief(['person-walks']),
    ['intruder'],
  ],
  ['someone who walks, for a light', brief(['person-walks'], { answer: 'light' }), []],
  [
    'a lock on cells',
    brief(['tag-shown'], { answer: 'lock', feed: 'battery' }),
    ['lock', 'battery'],
  ],
  ['children about', brief(['dusk-falls'], { children: true }), ['near']],
])('%s', (_, asked, ids) => {
  expect(noticesFor(asked).map((n) => n.id)).toEqual(ids);
});

it('what must not set it off calls for nothing', () => {
  const asked = brief(['flame']);
  const needs = asked.needs.map((n) => ({ ...n, intent: 'nuisance' as const }));
  expect(noticesFor({ ...asked, needs })).toEqual([]);
});

it('what was read stays read, and something new is told', () => {
  const read = brief(['flame'], { read: ['fire'], answer: 'light' });
  expect(unreadNotices(read)).toEqual([]);
  expect(unreadNotices({ ...read, answer: 'pump' }).map((n) => n.id)).toEqual(['mains']);
});

it('each names what it stands on, and says it in whole sentences', () => {
  const all = noticesFor(
    brief(['flame', 'gas-released'], { feed: 'battery', answer: 'valve', children: true }),
  );
  expect(all).toHaveLength(5);
  for (const { says, source } of all) {
    expect(source).not.toBe('');
    for (const sentence of says) expect(sentence).toMatch(/^[A-Z].*\.$/);
  }
});
