import { catalog, pinLevel, terminalOf } from '@yurei/core/catalog';
import { sayVolts, voltsAt, type Solution } from '@yurei/core/circuit';
import { splitRef, type Design } from '@yurei/core/design';
import { check, fiveQuestions, gatherEvidence } from '@yurei/core/check';
import {
  writeDesign,
  writeHookUpCsv,
  writeHookUpMarkdown,
  writeRehearsalCsv,
  writeVcd,
} from '@yurei/core/exchange';
import { formatQuantity } from '@yurei/core/quantity';
import { runDown } from '@yurei/core/lifetime';
import { rehearse, scoreRehearsal, snapshot, tellTrouble, wentWrong } from '@yurei/core/rehearsal';
import { BadInput } from './bad-input.js';
import { loadDesign, pickScene } from './load-design.js';
import {
  noiseReport,
  sceneAt,
  sweepReport,
  transientReport,
  worstReport,
  type SolveOptions,
} from './analyses.js';
import { pictureOf } from './picture.js';
import type { Report } from './report.js';
import { table } from './table.js';

export type { Report };

export function listCatalog(): Report {
  return {
    text: table(catalog.map((k) => [k.kind, k.stage, k.summary])),
    json: catalog.map(
      ({ kind, label, summary, stage, terminals, params, notes, cautions, source }) => ({
        kind,
        label,
        summary,
        stage,
        terminals,
        params,
        notes,
        cautions,
        source,
      }),
    ),
    exitCode: 0,
  };
}

/** The circuit solved: at rest unless an analysis is asked for. */
export async function solve(file: string, options: SolveOptions): Promise<Report> {
  const design = await loadDesign(file);
  const { sweep, transient, noise, worst } = options;
  const asked = [sweep, transient, noise, worst].filter((o) => o !== undefined);
  if (asked.length > 1) {
    throw new BadInput('Ask for one of --sweep, --transient, --noise and --worst at a time.');
  }
  if (transient === undefined && (options.drive ?? options.from ?? options.budget) !== undefined) {
    throw new BadInput('--drive, --from and --budget belong to --transient. Add --transient TIME.');
  }
  if (sweep !== undefined) return sweepReport(design, { ...options, sweep });
  if (transient !== undefined) return transientReport(design, { ...options, transient });
  if (noise !== undefined) return noiseReport(design, { ...options, noise });
  if (worst !== undefined) return worstReport(design, { ...options, worst });
  return atRest(design, options);
}

/** Volts of every net, volts, amps and watts of every part. */
function atRest(design: Design, options: SolveOptions): Report {
  const { solution, counts, stimulus } = snapshot(design, sceneAt(design, options));
  const isMains = (ref: string): boolean => terminalOf(design, ref)?.role === 'mains';
  const nets = solution.nets.map((net) => [net.name, sayVolts(net, 4), net.terminals.join(' ')]);
  const parts = Object.entries(solution.parts).map(([id, part]) => [
    id,
    Object.keys(part.amps).some((t) => isMains(`${id}.${t}`))
      ? 'not computed'
      : formatQuantity(part.watts, 'W'),
    Object.entries(part.amps)
      .filter(([terminal]) => !terminal.startsWith('#') && !isMains(`${id}.${terminal}`))
      .map(([terminal, amps = 0]) => `${terminal} ${formatQuantity(amps, 'A')}`)
      .join(', '),
  ]);
  const channels = design.channels.map((c) => [c.name, `${counts[c.id] ?? 'no'} counts`, c.pin]);
  const inputs = inputLevels(design, solution);
  const text = [
    'Nets',
    table(nets),
    '\nParts (heat; current into each terminal)',
    table(parts),
    ...(channels.length > 0 ? ['\nChannels', table(channels)] : []),
    ...(inputs.length > 0 ? ['\nDigital inputs', table(inputs)] : []),
    ...solution.problems.map((p) => `\n${p.message} ${p.cure}`),
  ].join('\n');
  const exitCode = solution.problems.length > 0 ? 1 : 0;
  return { text, json: { ...solution, counts, stimulus }, exitCode };
}

/** What each pin set up as an input reads: a row of pin, level and volts. */
function inputLevels(design: Design, solution: Solution): string[][] {
  return design.controller.pins.flatMap(({ pin, mode }) => {
    const volts = voltsAt(solution, pin);
    const solved = solution.parts[splitRef(pin).part];
    if ((mode !== 'input' && mode !== 'pull-up') || volts === undefined || !solved) return [];
    const level = pinLevel(design, pin, volts, solved);
    const meaning = level === 'either' ? 'low or high: between its thresholds' : level;
    return meaning ? [[pin, meaning, formatQuantity(volts, 'V', 4)]] : [];
  });
}

/** Plays a scene; exit code 1 when something was missed, fired falsely or went wrong electrically. */
export async function rehearseFile(
  file: string,
  options: { scene?: string; seed?: string; settled?: boolean; csv?: string; vcd?: string },
): Promise<Report> {
  const design = await loadDesign(file);
  const chosen = pickScene(design, options.scene);
  if (!chosen)
    throw new BadInput(`${file}: the design has no scene to rehearse. Add one in Rehearse.`);
  const seed = options.seed === undefined ? chosen.seed : Number(options.seed);
  if (!Number.isInteger(seed) || seed < 0) {
    throw new BadInput(`--seed ${options.seed} is not a whole number from 0 up.`);
  }
  const scene = { ...chosen, seed };
  const rehearsal = rehearse(design, scene, undefined, options.settled ? 'fast' : 'time');
  const evidence = gatherEvidence(design, scene);
  const down = options.settled ? undefined : runDown(design, scene, 1);
  const answers = fiveQuestions(evidence, check(evidence), rehearsal, down);
  const { verdicts, spurious, troubles, halted } = rehearsal;
  const failed =
    halted !== undefined ||
    spurious.length > 0 ||
    troubles.length > 0 ||
    verdicts.some((v) => wentWrong(v.outcome));
  const text = [
    table(verdicts.map((v) => [v.outcome, v.intent, v.name, v.because])),
    ...(halted
      ? [
          `followed until ${formatQuantity(halted.t, 's')} only: ${halted.because}; what happens later has no verdict`,
        ]
      : []),
    ...spurious.map(
      (t) => `fired at ${formatQuantity(t, 's')}, brought about by nothing that happens`,
    ),
    ...troubles.map((trouble) => tellTrouble(design, trouble)),
    '',
    table(answers.map((a) => [a.label, a.value, a.detail])),
  ].join('\n');
  const { logic: _logic, ...recorded } = rehearsal;
  return {
    text,
    // What was not followed to its end has no rates.
    json: { ...recorded, ...(halted ? {} : { score: scoreRehearsal(design, rehearsal) }), answers },
    exitCode: failed ? 1 : 0,
    csv: options.csv === undefined ? undefined : writeRehearsalCsv(rehearsal),
    vcd: options.vcd === undefined ? undefined : writeVcd(design, rehearsal),
  };
}

type Export = (design: Design, faces?: string) => string | Promise<string>;

/** Kinds of export, by what each makes of a design. */
const exportKinds: Readonly<Record<string, Export>> = {
  // As it was understood, migrated to the current version.
  json: writeDesign,
  csv: writeHookUpCsv,
  md: writeHookUpMarkdown,
  svg: pictureOf,
};

/**
 * A design as a file of its own, its wires as a hook-up list, or its picture.
 *
 * @param faces letters for the picture, as rules `@font-face`
 */
export async function exportFile(
  file: string,
  { to }: { to: string },
  faces?: string,
): Promise<Report> {
  const write = Object.hasOwn(exportKinds, to) ? exportKinds[to] : undefined;
  if (!write)
    throw new BadInput(
      `"${to}" is no kind of export. Use one of ${[...Object.keys(exportKinds), 'firmware'].join(', ')}.`,
    );
  const design = await loadDesign(file);
  return { text: (await write(design, faces)).trimEnd(), json: design, exitCode: 0 };
}
