import type { Brief } from '../design/index.js';
import { profiles, type Profile } from '../scene/index.js';

/** By where and when: the surroundings in which it is tried. */
const surroundingsOf = {
  indoors: { day: 'lit-room', night: 'dark' },
  outdoors: { day: 'overcast', night: 'moon' },
} as const;

/**
 * The surroundings in which a brief is tried: by day, by night, or both. As long as nobody said where, it is a room; as
 * long as nobody said when, it is by day.
 */
export function sitesOf({ outdoors, by = 'day' }: Pick<Brief, 'outdoors' | 'by'>): Profile[] {
  const site = surroundingsOf[outdoors ? 'outdoors' : 'indoors'];
  const times = by === 'always' ? (['day', 'night'] as const) : [by];
  return times.flatMap((time) => profiles.find(({ id }) => id === site[time]) ?? []);
}
