import { pinConverter } from '../../catalog/index.js';
import { splitRef, type Channel } from '../../design/index.js';
import { clearLevel } from '../../logic/index.js';
import type { Finding, Rule } from '../finding.js';

/** Normal noise in the middle of a band this many standard deviations wide leaves it in 0.27 % of readings. */
const noiseWidths = 6;

/** Every channel's threshold against what its converter can read, its noise, and its reading at rest. */
export const thresholds: Rule = ({ design, rest }) =>
  design.channels.flatMap((channel): Finding[] => {
    const counts = rest.counts[channel.id];
    const converter = pinConverter(design, channel.pin);
    if (counts === undefined || !converter) {
      return [
        finding(
          channel,
          'error',
          `${channel.name} reads nothing`,
          `There is no voltage at ${channel.pin}: wire a sensor to it.`,
        ),
      ];
    }
    return [
      ...reachable(channel, converter.full),
      ...restMargin(channel, counts, rest.tripped[channel.id] ?? false),
      ...band(channel, converter.noise),
    ];
  });

function finding(
  channel: Channel,
  severity: Finding['severity'],
  title: string,
  reason: string,
  topic = 'rest',
): Finding {
  return {
    id: `${topic}:${channel.id}`,
    severity,
    step: 'set',
    title,
    reason,
    about: [channel.id, splitRef(channel.pin).part],
  };
}

function reachable(channel: Channel, full: number): Finding[] {
  const clear = clearLevel(channel);
  if (channel.threshold > 0 && channel.threshold < full && clear > 0 && clear < full) return [];
  const reason = `It trips ${channel.trips} ${channel.threshold} and clears at ${clear}, but the converter only reads 0 … ${full}.`;
  return [finding(channel, 'error', `${channel.name} can never switch both ways`, reason, 'reach')];
}

function restMargin(channel: Channel, counts: number, tripped: boolean): Finding[] {
  const margin = Math.abs(counts - channel.threshold);
  const numbers = `At rest it reads ${counts}; it trips ${channel.trips} ${channel.threshold}`;
  if (tripped) {
    return [
      finding(
        channel,
        'error',
        `${channel.name} is tripped at rest`,
        `${numbers}, so it fires with nothing there.`,
      ),
    ];
  }
  return [
    finding(channel, 'fine', `${channel.name} rests clear`, `${numbers}: ${margin} counts away.`),
  ];
}

function band(channel: Channel, noise: number): Finding[] {
  const least = Math.max(1, Math.ceil(noiseWidths * noise));
  if (channel.hysteresis >= least) return [];
  return [
    {
      ...finding(
        channel,
        'caution',
        `${channel.name} may chatter`,
        `Its hysteresis of ${channel.hysteresis} counts is narrower than ${noiseWidths} × the converter's noise of ${noise} counts.`,
        'band',
      ),
      fix: {
        label: `Hysteresis → ${least}`,
        edit: { type: 'put-channel', channel: { ...channel, hysteresis: least } },
      },
    },
  ];
}
