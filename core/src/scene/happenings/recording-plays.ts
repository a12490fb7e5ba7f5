import type { Recording } from '../../design/index.js';
import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';
import { between } from '../between.js';

/** Its reading so long after its first. */
const played = ({ times, values }: Recording, after: number): number =>
  between(times, values, (times[0] ?? 0) + after);

export const recordingPlays = defineHappening({
  kind: 'recording-plays',
  label: 'A recording plays',
  summary:
    'Stand-ins for recorded readings play theirs from its beginning; before and after, its first value.',
  words: ['recording', 'csv', 'replay', 'playback', 'stand-in', 'log', 'readings'],
  where: 'everywhere',
  params: [
    { id: 'lasts', label: 'Plays for', unit: 's', default: 60, min: 0.01, max: 1e7 },
    { id: 'speed', label: 'Times as fast', unit: '×', default: 1, min: 0.001, max: 1e4 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    recorded: ({ params, t }, { recording }) =>
      recording && during(t, params.lasts)
        ? played(recording, t * params.speed) - played(recording, 0)
        : undefined,
  },
  source: 'Straight lines between the readings of the recording (own convention).',
});
