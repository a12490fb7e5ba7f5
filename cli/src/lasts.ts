import type { Design } from '@yurei/core/design';
import { contactLives, runDown, sayLife, type RunDown } from '@yurei/core/lifetime';
import { formatQuantity, toDigits } from '@yurei/core/quantity';
import { useScene } from '@yurei/core/rehearsal';
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

/** How long batteries and contacts last where a scene comes some times a day; exit code 1 when one is used up at once. */
export async function lastsOf(file: string, options: LastsOptions): Promise<Report> {
  const design = await loadDesign(file);
  const scene = pickScene(design, options.scene);
  if (!scene)
    throw new BadInput(`${file}: the design has no scene to rehearse. Add one in Rehearse.`);
  const times = options.times?.trim() === '' ? NaN : Number(options.times ?? '1');
  if (!(times >= 0 && times <= mostTimes))
    throw new BadInput(`--times ${options.times} is not a number from 0 to ${mostTimes}.`);
  const down = runDown(design, scene, times);
  const { relayOperations } = useScene(design, scene);
  const contacts = contactLives(design, { relayOperations, duration: scene.duration }, times);
  const rows = [
    ...(down ? batteryRows(design, down) : []),
    ...contacts.map(({ part, relay, operations, bear, lasts }) => [
      `contacts of ${part}${relay === 'relay' ? '' : ` ${relay}`}`,
      operations > 0 ? sayLife(lasts) : 'not switched',
      `${operations} operations in the scene, ${bear} in all (common practice)`,
    ]),
  ];
  return {
    text:
      rows.length === 0
        ? 'There is no battery and no relay in it; how sensors age is not computed.'
        : [table(rows), ...(down ? courseLines(down) : [])].join('\n'),
    json: { times, batteries: down ?? null, contacts },
    exitCode: down?.lasts === 0 ? 1 : 0,
  };
}

const share = (of: number): string => `${toDigits(100 * of, 3)} %`;

const batteryRows = ({ parts }: Design, down: RunDown): string[][] =>
  Object.entries(down.aDay).map(([part, { all, atRest }]) => [
    `${parts.find((p) => p.id === part)?.name ?? part} (${part})`,
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
