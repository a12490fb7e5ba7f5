import type { Channel, Scene } from '@yurei/core/design';
import { levelsAtRest } from '@yurei/core/logic';
import { wentWrong, type Rehearsal, type Trace } from '@yurei/core/rehearsal';
import type { ChartConfiguration, ScatterDataPoint } from 'chart.js';
import { across, seconds, still, up } from '../common/axis';
import type { Inks } from '../common/inks';
import { extremes } from '../data/series';

/** More points than this are thinned to the lowest and highest of each stretch. */
const mostPoints = 1400;

/** Counts of every channel over the scene, with levels and happenings. */
export function timelineConfig(
  rehearsal: Rehearsal,
  scene: Scene,
  channels: readonly Channel[],
  inks: Inks,
): ChartConfiguration<'line'> {
  return {
    type: 'line',
    data: {
      datasets: channels.map((channel) => ({
        label: channel.name,
        data: pointsOf(rehearsal.readings[channel.id] ?? { times: [], values: [] }),
        borderColor: inks.indigo,
        borderWidth: 1.3,
        pointRadius: 0,
        stepped: 'before' as const,
      })),
    },
    options: {
      ...still,
      parsing: false,
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: scene.duration,
          ...across(inks, { callback: seconds }),
        },
        y: {
          min: 0,
          ...up(inks, { maxTicksLimit: 5 }),
        },
      },
      plugins: {
        tooltip: { enabled: false },
        annotation: {
          annotations: {
            ...levels(rehearsal, channels, inks),
            ...exposures(rehearsal, inks),
          },
        },
      },
    },
  };
}

function levels(rehearsal: Rehearsal, channels: readonly Channel[], inks: Inks) {
  const line = (value: number, borderColor: string, borderDash: number[]) => ({
    type: 'line' as const,
    yMin: value,
    yMax: value,
    borderColor,
    borderWidth: 1.2,
    borderDash,
  });
  return Object.fromEntries(
    channels.flatMap((c) =>
      levelsAtRest(c, rehearsal.readings[c.id]?.values[0] ?? 0).flatMap(({ side, trip, clear }) => [
        [`${c.id}-on-${side}`, line(trip, inks.lantern, [])] as const,
        [`${c.id}-off-${side}`, line(clear, inks.amber, [4, 3])] as const,
      ]),
    ),
  );
}

/** A band where each happening was really felt; at least a sliver, so that short ones are seen. */
function exposures(rehearsal: Rehearsal, inks: Inks) {
  return Object.fromEntries(
    rehearsal.verdicts.flatMap((v) => {
      if (!v.exposure) return [];
      const colour = wentWrong(v.outcome) ? inks.lantern : inks.moss;
      const sliver = rehearsal.duration / 300;
      return [
        [
          v.happening,
          {
            type: 'box' as const,
            xMin: v.exposure.start - sliver,
            xMax: v.exposure.end + sliver,
            backgroundColor: `${colour}40`,
            borderWidth: 0,
            label: {
              display: true,
              content: v.outcome,
              position: { x: 'center' as const, y: 'start' as const },
              color: colour,
              font: { size: 11, weight: 'bold' as const },
            },
          },
        ],
      ];
    }),
  );
}

const thinned = new WeakMap<Trace, ScatterDataPoint[]>();

/** The lowest and the highest reading of each stretch, so that no short dip is lost; worked out once a trace. */
function pointsOf(trace: Trace): ScatterDataPoint[] {
  let points = thinned.get(trace);
  if (!points) {
    points = extremes(trace.times, trace.values, 0, trace.times.length, mostPoints / 2);
    thinned.set(trace, points);
  }
  return points;
}
