import { nameOf, type Design } from '@yurei/core/design';
import { contactLives, electrodeLives, runDown, sayLife, type RunDown } from '@yurei/core/lifetime';
import { formatQuantity, toDigits } from '@yurei/core/quantity';
import { rehearse } from '@yurei/core/rehearsal';
import { BadInput } from './bad-input.js';
import { loadDesign, pickScene } from './load-design.js';
import type { Report } from './report.js';
import { table } from './table.js';

/** What `yurei lasts` is asked, as typed. */
export interface LastsOptions {
  scene?: string;
  times?: string;
}

const mostTimes = 86_400;

/** How long batteries, contacts and electrodes last where a scene comes some times a day; exit code 1 when one is used up at once. */
export async function lastsOf(file: string, options: LastsOptions): Promise<Report> {
  const design = await loadDesign(file);
  const scene = pickScene(design, options.scene);
  if (!scene)
    throw new BadInput(`${file}: the design has no scene to rehearse. Add one in Rehearse.`);
  const times = options.times?.trim() === '' ? NaN : Number(options.times ?? '1');
  if (!(times >= 0 && times <= mostTimes))
    throw new BadInput(`--times ${options.times} is not a number from 0 to ${mostTimes}.`);
  const down = runDown(design, scene, times);
  const run = rehearse(design, scene, undefined, 'time');
  const contacts = contactLives(design, run, times);
  const electrodes = electrodeLives(design, scene, run, times);
  const rows = [
    ...(down ? batteryRows(design, down) : []),
    ...contacts.map(({ part, relay, operations, bear, lasts }) => [
      `contacts of ${part}${relay === 'relay' ? '' : ` ${relay}`}`,
      operations > 0 ? sayLife(lasts) : 'not switched',
      `${operations} operations in the scene, ${bear} in all (common practice)`,
    ]),
    ...electrodes.map(({ part, aDay, bear, lasts }) => [
      `electrodes of ${part}`,
      lasts < Infinity ? sayLife(lasts) : 'nothing flows',
      `${formatQuantity(aDay / 3600, 'A·h')} a day, ${formatQuantity(bear / 3600, 'A·h')} eat one up (Faraday’s law)`,
    ]),
  ];
  return {
    text:
      rows.length === 0
        ? 'There is no battery, no relay and no bare electrode in it; how other parts age is not computed.'
        : [table(rows), ...(down ? courseLines(down) : [])].join('\n'),
    json: { times, batteries: down ?? null, contacts, electrodes },
    exitCode: down?.lasts === 0 ? 1 : 0,
  };
}

const share = (of: number): string => `${toDigits(100 * of, 3)} %`;

const batteryRows = ({ parts }: Design, down: RunDown): string[][] =>
  Object.entries(down.aDay).map(([part, { all, atRest }]) => [
    `${nameOf(parts, part)} (${part})`,
    part === down.part ? sayLife(down.lasts) : '',
    all > 0
      ? `loses ${share(all)} a day, ${share(atRest)} at rest${part === down.part ? `; in the end ${down.because}` : ''}`
      : `gains ${share(-all)} a day`,
  ]);

const courseLines = ({ course }: RunDown): string[] =>
  course.length < 2
    ? []
    : [
        '',
        table(
          course.map(({ t, levels }) => [
            t === 0 ? 'at first' : `after ${formatQuantity(t, 's')}`,
            ...Object.entries(levels).map(([part, level]) => `${part} ${share(level)}`),
          ]),
        ),
      ];
