import type { Drive } from '../design/index.js';

/** A well-known rhythm of on and off. */
export interface Pattern {
  id: string;
  name: string;
  beats: readonly number[];
  source: string;
}

/** Rhythms with a meaning, and plain ones; seconds on and off in turn. */
export const patterns: readonly Pattern[] = [
  {
    id: 'evacuation',
    name: 'evacuation, three pulses',
    beats: [0.5, 0.5, 0.5, 0.5, 0.5, 1.5],
    source: 'ISO 8201:2017',
  },
  {
    id: 'monoxide',
    name: 'carbon monoxide, four pulses',
    beats: [0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 5],
    source: 'NFPA 72 (from memory)',
  },
  { id: 'slow', name: 'slow', beats: [1, 1], source: 'common practice' },
  { id: 'fast', name: 'fast', beats: [0.2, 0.2], source: 'common practice' },
  { id: 'blip', name: 'sign of life', beats: [0.05, 4.95], source: 'common practice' },
];

/** The pattern that some beats are, if they are one of those with a name. */
export const patternOf = (drive: Drive): Pattern | undefined =>
  drive.as === 'pattern' ? patterns.find((p) => p.beats.join() === drive.beats.join()) : undefined;
