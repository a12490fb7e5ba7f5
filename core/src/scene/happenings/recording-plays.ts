import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';
import { between } from '../between.js';

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
        ? between(recording.times, recording.values, recording.times[0] + t * params.speed) -
          recording.values[0]
        : undefined,
  },
  source: 'Straight lines between the readings of the recording (own convention).',
});
