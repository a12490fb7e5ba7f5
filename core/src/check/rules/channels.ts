import { kindOfCondition } from '../../condition/index.js';
import { channelReader, kindOf, paramsOf, sayReading } from '../../catalog/index.js';
import { everyCondition, splitRef, type Channel, type Design } from '../../design/index.js';
import { upperTail } from '../../judge/index.js';
import {
  beyond,
  conditionsOf,
  levelsAtRest,
  filterNoise,
  unitOf,
  type Level,
} from '../../logic/index.js';
import {
  decimals,
  formatNominal,
  formatQuantity,
  toDigits,
  withDecimal,
} from '../../quantity/index.js';
import { happeningSpan } from '../../scene/index.js';
import type { Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { missChance, slowestReading } from '../../threshold/index.js';
import { percent } from '../words.js';

const about = (channel: Channel): string[] => [channel.id, splitRef(channel.pin).part, channel.pin];

export const channelBlind: Rule = {
  code: 'channel-blind',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'threshold',
  title: 'A channel without a reading',
  bench: 'It reads whatever the open pin picks up.',
  source: 'Solved voltage at the pin; a chip on a bus answers only with supply and pull-ups.',
  find: ({ design, rest }) =>
    design.channels
      .filter((c) => rest.counts[c.id] === undefined || !channelReader(design, c.pin))
      .map((channel): Found => ({
        subject: channel.id,
        title: `${channel.name} reads nothing`,
        reason: `There is no reading at ${channel.pin}: wire a sensor to it.`,
        about: about(channel),
      })),
};

/** A level trips on one of its two sides. */
const sayDigital = ({ side }: Level): string => `when ${side === 'below' ? 'low' : 'high'}`;

/** Counts as they are told: levels of a baseline in per cent need not be whole. */
const tell = (counts: number): string => withDecimal(String(Math.round(counts * 10) / 10));
const sayLevel = ({ side, trip }: Level): string => `${side} ${tell(trip)}`;

/** Channels whose reading is used as a number and whose answer nothing asks for, such as a knob. */
export function onlyNumbers(design: Design): Set<string> {
  const asked = everyCondition(design).flatMap(([, c]) =>
    'channel' in c && !kindOfCondition(c).numeric ? [c.channel] : [],
  );
  return new Set([...conditionsOf(design).numbers].filter((id) => !asked.includes(id)));
}

/** Channels that read something and are asked for an answer, with what reads them. */
const reading = ({ design, rest }: Evidence) => {
  const numbers = onlyNumbers(design);
  return design.channels.flatMap((channel) => {
    if (numbers.has(channel.id)) return [];
    const reader = channelReader(design, channel.pin);
    const counts = rest.counts[channel.id];
    return reader && counts !== undefined ? [{ channel, reader, counts }] : [];
  });
};

export const thresholdUnreachable: Rule = {
  code: 'threshold-unreachable',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'threshold',
  title: 'A threshold outside what can be read',
  bench: 'It never trips, or trips once and never clears.',
  source: 'Full scale 2^N − 1 of the converter.',
  find: (evidence) =>
    reading(evidence).flatMap(({ channel, reader: { full }, counts }): Found[] => {
      const within = (count: number): boolean => count > 0 && count < full;
      const lost = levelsAtRest(channel, counts).find((l) => !within(l.trip) || !within(l.clear));
      if (!lost) return [];
      return [
        {
          subject: channel.id,
          title: `${channel.name} can never switch both ways`,
          reason: `It trips ${lost.side} ${tell(lost.trip)} and clears at ${tell(lost.clear)}, but only 0 … ${full} can be read.`,
          about: about(channel),
        },
      ];
    }),
};

export const trippedAtRest: Rule = {
  code: 'tripped-at-rest',
  severity: 'error',
  consequence: 'cries wolf',
  concern: 'threshold',
  title: 'A channel on the tripped side with nothing there',
  bench: 'The alarm sounds from power-on.',
  source: 'Solved reading at rest against the threshold.',
  find: (evidence) =>
    reading(evidence).map(({ channel, reader, counts }): Found => {
      const levels = levelsAtRest(channel, counts);
      const isLevel = reader.by === 'level';
      const trips = levels.map((l) => (isLevel ? sayDigital(l) : sayLevel(l))).join(' or ');
      const numbers = `At rest it reads ${sayReading(evidence.design, channel.pin, counts, '')}; it trips ${trips}`;
      const margin = Math.min(...levels.map((l) => Math.abs(counts - l.trip)));
      return evidence.rest.tripped[channel.id]
        ? {
            subject: channel.id,
            title: `${channel.name} is tripped at rest`,
            reason: `${numbers}, so it fires with nothing there.`,
            about: about(channel),
          }
        : {
            subject: channel.id,
            severity: 'fine',
            title: `${channel.name} rests clear`,
            reason: isLevel ? `${numbers}.` : `${numbers}: ${tell(margin)} counts away.`,
            about: about(channel),
          };
    }),
};

/** Normal noise in the middle of a band this many standard deviations wide leaves it in 0.27 % of readings. */
const noiseWidths = 6;

export const mayChatter: Rule = {
  code: 'may-chatter',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'threshold',
  title: 'Hysteresis narrower than the noise',
  bench: 'The relay rattles while the reading stands near the threshold.',
  source:
    'Six standard deviations hold 99.7 % of normal noise; crossings of independent readings, 2·p·(1−p).',
  find: (evidence) =>
    reading(evidence).flatMap(({ channel, reader, counts }): Found[] => {
      // What the channel compares: after its filter, in what its threshold is in.
      const noise = reader.noise * filterNoise(channel.filter);
      const one = unitOf(channel, counts);
      const least = Math.max(1, Math.ceil((noiseWidths * noise) / one));
      const perMinute = changesPerMinute(channel, noise, channel.hysteresis * one);
      if (channel.hysteresis >= least || perMinute < seldom) return [];
      return [
        {
          subject: channel.id,
          title: `${channel.name} may chatter`,
          reason: `Its hysteresis of ${tell(channel.hysteresis * one)} counts is narrower than ${noiseWidths} × the converter's noise of ${toDigits(noise, 3)} counts: with the reading at the middle of it, about ${perMinute < 10 ? decimals(perMinute, 1) : Math.round(perMinute)} changes a minute.`,
          about: about(channel),
          fix: {
            label: `Hysteresis → ${least}`,
            edit: { type: 'put-channel', channel: { ...channel, hysteresis: least } },
          },
        },
      ];
    }),
};

/** Once an hour: fewer changes than this are none, as where many readings in a row must agree. */
const seldom = 1 / 60;

/**
 * How often a channel changes with its reading amid its hysteresis: each reading passes a side with
 * probability q, `hits` or `misses` in a row are needed, and both waits follow each other.
 */
function changesPerMinute(channel: Channel, noise: number, hysteresis: number): number {
  if (noise <= 0) return 0;
  const q = upperTail(hysteresis / 2 / noise);
  const wait = (inRow: number): number => (1 - q ** inRow) / ((1 - q) * q ** inRow);
  return (2 * 60) / channel.every / (wait(channel.hits) + wait(channel.misses));
}

export const pulseMissed: Rule = {
  code: 'pulse-missed',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'threshold',
  title: 'Readings too far apart for what is to be noticed',
  bench: 'It works when tried by hand and misses the real thing now and then.',
  source:
    'Chance of a reading in a pulse of d at readings every T: (d − (n−1)·T)/T, at most 1 (closed form).',
  find: (evidence) =>
    reading(evidence).flatMap(({ channel, counts }): Found[] => {
      if (channel.edge) return [];
      const levels = levelsAtRest(channel, counts);
      const wanted = evidence.happening.filter(
        (s) =>
          s.happening?.intent === 'wanted' &&
          levels.some((l) => beyond(l, s.counts.get(channel.id) ?? counts)),
      );
      return wanted.slice(0, 1).flatMap(({ happening }): Found[] => {
        if (!happening) return [];
        const { start, end } = happeningSpan(happening);
        const held = end - start + holdOf(evidence, channel);
        const { every, hits } = channel;
        const missed = missChance(held, channel);
        if (missed <= 0 || !(held > 0)) return [];
        const faster = Number((0.9 * slowestReading(held, channel)).toPrecision(2));
        return [
          {
            subject: channel.id,
            severity: missed > 0.5 ? 'error' : 'caution',
            title: `${channel.name} can miss “${happening.name}”`,
            reason: `It lasts ${formatQuantity(held, 's')}; with ${hits} readings in a row every ${formatNominal(every, 's')} it is missed in ${percent(missed)} of cases.`,
            about: about(channel),
            ...(faster >= 1e-4
              ? {
                  fix: {
                    label: `Read every ${formatNominal(faster, 's')}`,
                    edit: { type: 'put-channel', channel: { ...channel, every: faster } } as const,
                  },
                }
              : {}),
          },
        ];
      });
    }),
};

/** How much longer than what it feels a sensor at the pin keeps its output, s. */
function holdOf({ wiring }: Evidence, channel: Channel): number {
  const holds = wiring
    .ends(channel.pin)
    .filter((e) => kindOf(e.part).stage === 'feels')
    .map((e) => e.kind.hold?.(paramsOf(e.part)) ?? 0);
  return Math.max(0, ...holds);
}
