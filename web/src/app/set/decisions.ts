import type { Channel } from '@yurei/core/design';
import { sayErrors, sayRate, type Judgement, type SetJudgement } from '@yurei/core/judge';
import type { Level } from '@yurei/core/logic';
import type { Room } from '@yurei/core/rehearsal';
import { decimals, formatQuantity, withDecimal } from '@yurei/core/quantity';

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

const tell = (value: number): string => withDecimal(String(Math.round(value * 10) / 10));

/** Levels, band and debounce: what is so whatever is read. */
export function settingRows(
  channel: Channel,
  levels: readonly Level[],
  counted: Counted,
  noise: number,
): Row[] {
  const widths = noise > 0 ? ` = ${decimals(channel.hysteresis / noise, 0)} × noise` : '';
  const [first] = levels;
  const band = first ? Math.abs(first.trip - first.clear) : channel.hysteresis;
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

/** How far what is quiet, and what is wanted, stays on its side of the line. */
export function roomRows(
  { trips, threshold }: Channel,
  { quiet, wanted }: Room,
  counted: Counted,
): Row[] {
  const beyond = (counts: number): number =>
    trips === 'below' ? threshold - counts : counts - threshold;
  const [over, past] = [beyond(quiet), beyond(wanted)];
  const room = (counts: number, where: string): string =>
    counts < 0 ? `none: ${counted(-counts, ' counts')} ${where}` : counted(counts, ' counts');
  return [
    {
      label: 'Room on the quiet side',
      value: room(-over, 'beyond the line'),
      bad: over > 0,
    },
    // What is wanted may be for another channel to notice.
    { label: 'Room on the wanted side', value: room(past, 'short of the line') },
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
    atMostPerDay !== undefined && seconds >= longEnough ? `, ≤ ${sayRate(atMostPerDay)}` : '';
  const perDay =
    falses.perDay === undefined
      ? []
      : [{ label: 'Fires by noise alone', value: sayRate(falses.perDay), bad: falses.perDay > 1 }];
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

const missRow = ({ name, margin, beyond: { events, tries } }: SetJudgement): Row => ({
  label: `Misses ${name}`,
  value: `${sayErrors(tries - events, tries)}, ${off(margin)}`,
  bad: events < tries,
});

const fireRow = ({ name, margin, beyond: { events, tries } }: SetJudgement): Row => ({
  label: `Fires on ${name}`,
  value: `${sayErrors(events, tries)}, ${off(margin)}`,
  bad: events > 0,
});

/** How far the reading nearest to being decided wrongly lies from the line. */
const off = (margin: number): string =>
  margin < 0 ? `${tell(-margin)} over` : `${tell(margin)} off`;

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
