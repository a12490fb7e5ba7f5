import fc from 'fast-check';
import { channelReader, highReading } from '../../catalog/index.js';
import type { Channel, Design } from '../../design/index.js';
import { atFirst, type Course } from '../proof/course.js';

/** Levels around which a channel decides, and far from them. */
function levels({ threshold, hysteresis, baseline, trips }: Channel, full: number): number[] {
  if (full === highReading) return [0, full];
  const from = baseline?.kind === 'fixed' ? baseline.counts : baseline ? 400 : 0;
  const lines = [threshold, threshold + hysteresis, threshold - hysteresis];
  const sides = trips === 'away' ? [...lines, ...lines.map((l) => -l)] : lines;
  const near = sides.flatMap((l) => [from + l - 1, from + l, from + l + 1]);
  return [0, 200, 390, 400, 410, 500, full, ...near]
    .map((n) => Math.round(n))
    .filter((n) => n >= 0 && n <= full);
}

/** Courses in which channels go back and forth around their lines, now fast, now slowly. */
export function arbitraryCourse(design: Design, length: number): fc.Arbitrary<Course> {
  const { channels } = design;
  const known = channels.map((c) =>
    levels(c, channelReader(design, c.pin)?.full ?? highReading)
      // No echo comes at once.
      .filter((n) => n > 0 || atFirst(design, c) === 0),
  );
  return fc
    .record({
      clock: fc.integer({ min: 0, max: 86_399_999 }),
      cuts: fc.oneof(
        fc.constant([]),
        fc.uniqueArray(fc.integer({ min: 1, max: length - 1 }), { maxLength: 3 }),
      ),
      steps: fc.array(
        fc.record({
          after: fc.oneof(
            fc.integer({ min: 0, max: 30 }),
            fc.integer({ min: 0, max: 600 }),
            fc.integer({ min: 0, max: 4000 }),
          ),
          channel: fc.nat({ max: Math.max(0, channels.length - 1) }),
          level: fc.nat({ max: 999 }),
        }),
        { minLength: 1, maxLength: 60 },
      ),
    })
    .map(({ clock, steps, cuts }): Course => {
      let at = 0;
      const changes = steps.flatMap(({ after, channel: place, level }) => {
        const channel = channels[place];
        if (!channel) return [];
        at += after;
        const own = known[place] ?? [0];
        return [{ at, channel: channel.id, counts: own[level % own.length] ?? 0 }];
      });
      return {
        ...{ length, clock, changes: changes.filter((c) => c.at <= length) },
        cuts: [...cuts].sort((a, b) => a - b),
      };
    });
}
