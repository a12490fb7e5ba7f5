import type { Share } from '@yurei/core/judge';
import {
  rehearseTrial,
  summarise,
  usualVariation,
  type TrialsSummary,
  type Variation,
} from '@yurei/core/trials';
import { formatQuantity } from '@yurei/core/quantity';
import { BadInput } from './bad-input.js';
import { loadDesign, pickScene } from './load-design.js';
import type { Report } from './report.js';
import { table } from './table.js';

/** What `yurei nights` is asked, as typed. */
export interface TrialsOptions {
  scene?: string;
  nights?: string;
  seed?: string;
  temperature?: string;
  supply?: string;
  start?: string;
  strength?: string;
  place?: string;
  nominal?: boolean;
}

const mostTrials = 100_000;

/** Many nights of a scene: how often everything in it is noticed or fires falsely, and what that depends on. */
export async function trialsOf(file: string, options: TrialsOptions): Promise<Report> {
  const design = await loadDesign(file);
  const scene = pickScene(design, options.scene);
  if (!scene)
    throw new BadInput(`${file}: the design has no scene to rehearse. Add one in Rehearse.`);
  const count = whole(options.nights ?? '100', '--nights', 1, mostTrials);
  const first = whole(options.seed ?? '1', '--seed', 0, 2 ** 31 - 1 - count);
  const vary: Variation = {
    tolerances: options.nominal !== true,
    temperature: amount(options.temperature, '--temperature', usualVariation.temperature, 100),
    supply: amount(options.supply, '--supply', usualVariation.supply, 0.5),
    start: amount(options.start, '--start', usualVariation.start, 1e5),
    strength: amount(options.strength, '--strength', usualVariation.strength, 0.99),
    place: amount(options.place, '--place', usualVariation.place, 100),
  };
  const trials = Array.from({ length: count }, (_, i) =>
    rehearseTrial(design, scene, vary, first + i),
  );
  const summary = summarise(trials, scene);
  const failed = summary.happenings.some(({ intent, share }) =>
    intent === 'wanted' ? share.events < share.tries : share.events > 0,
  );
  return {
    text: sayTrials(summary),
    json: { vary, ...summary },
    exitCode: failed || summary.falses.count > 0 ? 1 : 0,
  };
}

function sayTrials({
  nights: trials,
  troubled,
  happenings,
  falses,
  influences,
  worst,
}: TrialsSummary): string {
  const rows = happenings.map(({ name, intent, share, delays }) => [
    name,
    share.tries === 0
      ? 'not tried: no sensor feels it'
      : `${intent === 'wanted' ? 'noticed' : 'fired falsely'} ${say(share)}`,
    delays
      ? `after ${formatQuantity(delays.median, 's')}, 95 % within ${formatQuantity(delays.most, 's')}`
      : '',
  ]);
  const perDay = (rate: number): string => String(Number(rate.toPrecision(3)));
  return [
    `${trials} nights${troubled > 0 ? `; ${troubled} could not be rehearsed` : ''}`,
    table(rows),
    `False triggers: ${falses.count} in ${formatQuantity(falses.seconds, 's')} = ${perDay(falses.perDay)} a day of such scenes, at most ${perDay(falses.atMostPerDay)} (95 % sure)`,
    ...(influences.length > 0
      ? [
          '\nWhat matters (rank correlation; above 0: more of it is worse)',
          table(influences.map((i) => [i.what, i.happening, i.correlation.toFixed(2)])),
        ]
      : ['\nNothing that varies matters more than chance.']),
    ...(worst.length > 0
      ? [
          '\nWorst nights, to be drawn again with --nights 1 --seed',
          table(
            worst.map((w) => [
              String(w.seed),
              [
                ...w.missed.map((name) => `missed ${name}`),
                ...w.fired.map((name) => `fired at ${name}`),
                ...(w.strays > 0 ? [`fired ${w.strays} × at nothing`] : []),
              ].join(', '),
            ]),
          ),
        ]
      : []),
  ].join('\n');
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
const say = ({ events, tries, low, high }: Share): string =>
  `${events} of ${tries} (${percent(low)} … ${percent(high)})`;

function whole(text: string, option: string, min: number, max: number): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isInteger(value) || value < min || value > max)
    throw new BadInput(`${option} ${text}: give a whole number from ${min} to ${max}.`);
  return value;
}

function amount(text: string | undefined, option: string, usual: number, max: number): number {
  if (text === undefined) return usual;
  const value = text.trim() === '' ? NaN : Number(text);
  if (!(value >= 0 && value <= max)) throw new BadInput(`${option} ${text}: give 0 to ${max}.`);
  return value;
}
