import type { Channel } from '@yurei/core/design';
import type { Judgement, SetJudgement } from '@yurei/core/judge';
import type { Level } from '@yurei/core/logic';
import { formatQuantity } from '@yurei/core/quantity';

/** One thing that is told of how a channel decides. */
export interface Row {
  label: string;
  value: string;
  bad?: boolean;
}

/** Counts as they are told, with volts where a converter reads them; the word says that they are a distance. */
export type Counted = (counts: number, word?: ' counts') => string;

export const countedIn =
  (oneCount: number | undefined): Counted =>
  (counts, word) => {
    const volts = oneCount === undefined ? '' : ` = ${formatQuantity(counts * oneCount, 'V')}`;
    return `${tell(counts)}${word ?? ''}${volts}`;
  };

const tell = (value: number): string => String(Math.round(value * 10) / 10);

/** Levels, band and debounce: what is so whatever is read. */
export function settingRows(
  channel: Channel,
  levels: readonly Level[],
  counted: Counted,
  noise: number,
): Row[] {
  const widths = noise > 0 ? ` = ${(channel.hysteresis / noise).toFixed(0)} × noise` : '';
  const band = levels.length > 0 ? Math.abs(levels[0].trip - levels[0].clear) : channel.hysteresis;
  return [
    ...levels.flatMap((level) => [
      { label: 'Trips', value: `${level.side} ${counted(level.trip)}` },
      {
        label: 'Clears',
        value: `${level.side === 'above' ? 'below' : 'above'} ${counted(level.clear)}`,
      },
    ]),
    {
      label: 'Gap between on and off',
      value: `${counted(band, ' counts')}${widths}`,
    },
    {
      label: 'Must agree',
      value: `${channel.hits} in a row = ${formatQuantity(channel.hits * channel.every, 's')}`,
    },
  ];
}

/** Readings over less than this are not told as so many a day, s. */
const longEnough = 600;

/** Both errors with their bounds, set by set, and how often it would fire by itself. */
export function errorRows(judgement: Judgement): Row[] {
  const { sets, falses } = judgement;
  const misses = sets.filter((s) => s.intent === 'wanted').map((s) => missRow(s));
  const fires = sets.filter((s) => s.intent !== 'wanted').map((s) => fireRow(s));
  const { trips, seconds, atMostPerDay } = falses.counted;
  // A bound from a few seconds says nothing of a day.
  const bound =
    atMostPerDay !== undefined && seconds >= longEnough ? `, ≤ ${rate(atMostPerDay)}` : '';
  const perDay =
    falses.perDay === undefined
      ? []
      : [{ label: 'Fires by noise alone', value: rate(falses.perDay), bad: falses.perDay > 1 }];
  const counted =
    seconds > 0
      ? [
          {
            label: 'Fired with nothing wanted',
            value: `${trips} in ${formatQuantity(seconds, 's')}${bound}`,
            bad: trips > 0,
          },
        ]
      : [];
  return [...misses, ...fires, ...perDay, ...counted];
}

const missRow = ({ name, margin, beyond: { events, tries, low, high } }: SetJudgement): Row => ({
  label: `Misses ${name}`,
  value: `${bounded(tries - events, tries, 1 - high, 1 - low)}, ${off(margin)}`,
  bad: events < tries,
});

const fireRow = ({ name, margin, beyond: { events, tries, low, high } }: SetJudgement): Row => ({
  label: `Fires on ${name}`,
  value: `${bounded(events, tries, low, high)}, ${off(margin)}`,
  bad: events > 0,
});

/** How far the reading nearest to being decided wrongly lies from the line. */
const off = (margin: number): string =>
  margin < 0 ? `${tell(-margin)} over` : `${tell(margin)} off`;

/** A share with what the true one may be. */
function bounded(events: number, tries: number, low: number, high: number): string {
  const range =
    events === 0
      ? `≤ ${percent(high)}`
      : events === tries
        ? `≥ ${percent(low)}`
        : `${percent(low)} … ${percent(high)}`;
  return `${percent(events / tries)} (${events} of ${tries}, ${range})`;
}

/** A share as it is told: no more places than it deserves. */
export function percent(share: number): string {
  const value = 100 * share;
  return `${value === 0 || value >= 10 ? value.toFixed(0) : value.toPrecision(2)} %`;
}

/** False triggers as they are told. */
export function rate(perDay: number): string {
  if (perDay < 1e-6) return 'practically never';
  if (perDay < 1 / 365) return `once in ${(1 / perDay / 365).toPrecision(2)} years`;
  return perDay < 1
    ? `once in ${(1 / perDay).toPrecision(2)} days`
    : `${Number(perDay.toPrecision(2))} a day`;
}

/** How many more readings without an error would make 5 % certain. */
export function moreProof({ more, errors }: Judgement): string {
  const parts = [
    more.wanted > 0 && errors.misses.tries > 0 ? `${more.wanted} more wanted` : '',
    more.other > 0 && errors.falses.tries > 0 ? `${more.other} more quiet` : '',
  ].filter(Boolean);
  return parts.length === 0
    ? 'Both errors are below 5 %, 95 % sure.'
    : `${parts.join(' and ')} readings without an error would bring both bounds under 5 %.`;
}
