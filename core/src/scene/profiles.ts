import type { Circumstances } from './happening-kind.js';

/** Surroundings that go together, to begin a scene with. */
export interface Profile {
  id: string;
  label: string;
  /** Where and when that is. */
  circumstances: Circumstances;
  /** By the id of what surrounds; all else is as usual. */
  ambient: Readonly<Record<string, number>>;
  source: string;
}

const fromMemory = 'illuminances as told in lighting handbooks (from memory)';

/** Light, weather and what else there is to feel where nothing happens, by place and time. */
export const profiles: readonly Profile[] = [
  {
    id: 'dark',
    label: 'Night, no moon',
    circumstances: { by: 'night' },
    ambient: { temperature: 10, humidity: 80 },
    source: fromMemory,
  },
  {
    id: 'moon',
    label: 'Night, full moon',
    circumstances: { outdoors: true, by: 'night' },
    ambient: { daylight: 0.2, temperature: 8, humidity: 80 },
    source: fromMemory,
  },
  {
    id: 'lit-room',
    label: 'A room with its lamps on',
    circumstances: { outdoors: false },
    ambient: { lamp: 300, temperature: 20, humidity: 50 },
    source: '300 lx as for plain work (EN 12464-1, from memory)',
  },
  {
    id: 'overcast',
    label: 'Outdoors, overcast',
    circumstances: { outdoors: true, by: 'day' },
    ambient: { daylight: 5000, temperature: 12, humidity: 75 },
    source: fromMemory,
  },
  {
    id: 'sun-and-clouds',
    label: 'Outdoors, sun and passing clouds',
    circumstances: { outdoors: true, by: 'day' },
    ambient: { sky: 1, hour: 11, passing: 0.8, temperature: 18, swing: 5, humidity: 60 },
    source: 'the sky and its clouds are computed',
  },
  {
    id: 'day-and-night',
    label: 'A whole day and night, clear',
    circumstances: { outdoors: true },
    ambient: { sky: 1, hour: 12, temperature: 15, swing: 8, humidity: 65 },
    source: 'the sky is computed',
  },
  {
    id: 'frost',
    label: 'A frosty night',
    circumstances: { by: 'night' },
    ambient: { temperature: -8, humidity: 85 },
    source: 'as it may be (own convention)',
  },
];
