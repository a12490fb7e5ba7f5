import { findKind } from '@yurei/core/catalog';
import { decimals, formatArea, formatDuration, formatQuantity } from '@yurei/core/quantity';
import { reasonOf, type Chance, type Dealt, type Performance, type Ranked } from '@yurei/core/plan';

/** One fact of a sensor as a row of the table in which sensors stand side by side. */
export interface Fact {
  label: string;
  say(ranked: Ranked, chances: readonly Chance[] | undefined): string;
}

const none = '–';

const sayOutcome = ({ outcome, delay }: Dealt): string => {
  if (outcome === undefined) return 'cannot happen there';
  return delay === undefined ? outcome : `${outcome}, after ${formatQuantity(delay, 's')}`;
};

const saySignal = ({ signal, reads }: Performance): string => {
  if (!signal) return none;
  if (reads?.by === 'level') return 'high or low';
  const { rest, wanted, line, trips, full } = signal;
  const side = trips === 'below' ? 'trips below' : 'trips above';
  return `${rest} at rest, ${wanted} with it, ${side} ${line}, of ${full}`;
};

const sayTimes = ({ warmUp, holds }: Performance): string => {
  const said = [
    ...(warmUp ? [`${formatDuration(warmUp)} after power`] : []),
    ...(holds ? [`stays ${formatDuration(holds)}`] : []),
  ];
  return said.join(', ') || none;
};

/** Of many nights: in how many what must be noticed was, and what fired falsely. */
const sayNights = (chances: readonly Chance[] | undefined): string =>
  (chances ?? [])
    .filter(({ share }) => share.tries > 0)
    .map(({ name, intent, share }) => {
      const did = intent === 'wanted' ? 'noticed' : 'fired';
      const [low, high] = [share.low, share.high].map((s) => decimals(100 * s, 1));
      return `${name}: ${did} in ${share.events} of ${share.tries} (${low} to ${high} %)`;
    })
    .join('; ') || none;

/** Both errors over many nights, in a few words. */
export function sayErrors(chances: readonly Chance[] | undefined): string {
  const tried = (chances ?? []).filter(({ share }) => share.tries > 0);
  if (tried.length === 0) return '';
  const worst = (
    word: string,
    intent: Chance['intent'],
    error: (of: number) => number,
  ): string[] => {
    const shares = tried
      .filter((c) => c.intent === intent)
      .map(({ share }) => error(share.events / share.tries));
    return shares.length > 0 ? [`${word} ${decimals(100 * Math.max(...shares), 1)} %`] : [];
  };
  const nights = Math.max(...tried.map(({ share }) => share.tries));
  const said = [
    ...worst('misses', 'wanted', (s) => 1 - s),
    ...worst('fires falsely in', 'nuisance', (s) => s),
  ];
  return `Of ${nights} nights: ${said.join(', ')}.`;
}

const of = (say: (does: Performance) => string): Fact['say'] => {
  return ({ does }) => (does ? say(does) : none);
};

/** What is told of each sensor, whatever the brief asks. */
export const facts: readonly Fact[] = [
  { label: 'Reads', say: of(saySignal) },
  {
    label: 'Clear of its noise',
    say: of(({ signal }) =>
      signal ? `${decimals(signal.overNoise, 0)} standard deviations` : none,
    ),
  },
  { label: 'Over many nights', say: (_, chances) => sayNights(chances) },
  { label: 'Current, on average', say: of(({ amps }) => formatQuantity(amps, 'A')) },
  {
    label: 'Cells last',
    say: of(({ lasts }) => (lasts === undefined ? none : formatDuration(lasts))),
  },
  {
    label: 'Surely notices on',
    say: of(({ covers, forAll }) =>
      covers === undefined
        ? none
        : `${formatArea(covers)} from there; at least ${forAll} for all of the plan`,
    ),
  },
  { label: 'Can be relied on', say: of(sayTimes) },
  { label: 'Around it', say: of(({ around }) => around.join(', ') || 'nothing') },
  { label: 'Wired so', say: of(({ because }) => because.join(' ') || none) },
  { label: 'Read at', say: of(({ reads }) => reads?.at ?? 'a comparator') },
  {
    label: 'Tells which one',
    say: of(({ identifies }) => (identifies ? 'yes' : 'no')),
  },
  {
    label: 'Ages (told, not computed)',
    say: ({ sensor }) => findKind(sensor)?.ages ?? none,
  },
  { label: 'Price', say: ({ price }) => price },
];

/** What of the brief comes of it, a row for each. */
export const dealtFacts = (dealt: readonly Dealt[]): Fact[] =>
  dealt.map(({ need, name }) => ({
    label: name,
    say: of(({ dealt: own }) => {
      const found = own.find((d) => d.need === need);
      return found ? sayOutcome(found) : none;
    }),
  }));

/** A sensor as the best of a side: what came of it, what it draws, how many parts it wants and what it costs. */
export function saySide(ranked: Ranked): string {
  const { label, does, price } = ranked;
  if (!does) return label;
  const parts = does.around.length;
  const wants = parts === 0 ? 'nothing' : parts === 1 ? 'one part' : `${parts} parts`;
  return `${label}. ${reasonOf(ranked)} Draws ${formatQuantity(does.amps, 'A')} in all, wants ${wants} around it, price ${price}.`;
}
