import { rename, writeFile } from 'node:fs/promises';
import { Command } from 'commander';
import type { SolveOptions } from './analyses.js';
import { BadInput } from './bad-input.js';
import type { CheckOptions } from './check.js';
import type { JudgeOptions } from './judge.js';
import type { LastsOptions } from './lasts.js';
import type { TrialsOptions } from './nights.js';
import type { Report } from './report.js';

// Each command loads what it needs when it is asked.
const commands = () => import('./commands.js');
const shelf = () => import('./shelf.js');

interface Output {
  json?: boolean;
  csv?: string;
  vcd?: string;
}

const collect = (value: string, before: string[] = []): string[] => [...before, value];

/** Prints a report and sets the exit code; messages about bad input go to standard error. */
async function run(work: () => Promise<Report> | Report, json: boolean | undefined): Promise<void> {
  try {
    const report = await work();
    process.stdout.write(`${json ? JSON.stringify(report.json) : report.text}\n`);
    process.exitCode = report.exitCode;
  } catch (error) {
    if (!(error instanceof BadInput) && !(error instanceof RangeError)) throw error;
    console.error(error.message);
    process.exitCode = 2;
  }
}

const program = new Command('yurei')
  .description('Solves, checks and rehearses detection and alarm circuits.')
  .showHelpAfterError()
  .exitOverride((error) => process.exit(error.exitCode === 0 ? 0 : 2));

program
  .command('catalog')
  .description('list every kind of part')
  .option('--json', 'print JSON')
  .action((o: { json?: boolean }) => run(async () => (await commands()).listCatalog(), o.json));

program
  .command('solve <file>')
  .description('volts, amps and watts: at rest, swept, in time, with noise or in the worst case')
  .option(
    '--scene <name>',
    'whose daylight falls, the first one otherwise; with --transient it is played',
  )
  .option(
    '--sweep <PART.PARAM=a:b:n>',
    'change a value from a to b and back; "felt" for a sensor, or temperature=a:b:n',
  )
  .option('--transient <time>', 'run in time, for example 0.1 or 20ms')
  .option(
    '--drive <PART.PARAM=t:v,t:v>',
    'change a value during --transient; may be repeated',
    collect,
  )
  .option('--from <start>', 'rest or dead: whether power comes on at time 0 of --transient')
  .option('--noise <terminal>', 'thermal and shot noise at a net')
  .option('--worst <terminal>', 'spread of a voltage over all tolerances')
  .option('--temperature <°C>', '25 otherwise')
  .option('--budget <time>', 'most computing time of --transient; 120 s otherwise')
  .option('--csv <file>', 'write every point of --sweep or --transient')
  .option('--json', 'print JSON')
  .action((file: string, o: SolveOptions & Output) =>
    run(async () => withFiles((await commands()).solve(file, o), o), o.json),
  );

program
  .command('check <file>')
  .description('what is wrong, with what cures it; exit code 1 on an error, 3 on a caution')
  .option('--scene <name>', 'in which happenings are looked at; the first one otherwise')
  .option('--fix', 'make the cures of which there is only one, and write the file')
  .option('--json', 'print JSON')
  .action((file: string, o: CheckOptions & Pick<Output, 'json'>) =>
    run(async () => keepFixed((await import('./check.js')).checkFile(file, o), file), o.json),
  );

program
  .command('judge <readings.csv>')
  .description('where to put a threshold: both errors on labelled readings (set,intent,counts)')
  .option('--trips <above|below>', 'above otherwise')
  .option('--line <counts>', 'judge this line instead of the best one')
  .option('--cost-miss <n>', 'what a miss costs, 1 otherwise')
  .option('--cost-false <n>', 'what a false alarm costs, 1 otherwise')
  .option('--every <time>', 'between readings, as they were taken; 10ms otherwise')
  .option('--hits <n>', 'in a row that trip, 1 otherwise')
  .option('--json', 'print JSON')
  .action((file: string, o: JudgeOptions & Output) =>
    run(async () => (await import('./judge.js')).judgeFile(file, o), o.json),
  );

program
  .command('rehearse <file>')
  .description('play a scene; exit code 1 when something is missed or fires falsely')
  .option('--scene <name>', 'the first one otherwise')
  .option('--seed <number>', 'seed of the noise')
  .option(
    '--settled',
    'take the circuit as settled at each moment: quicker; what takes time is lost',
  )
  .option('--csv <file>', 'write every reading')
  .option('--vcd <file>', 'write readings, volts and outputs as a value change dump')
  .option('--json', 'print JSON')
  .action((file: string, o: { scene?: string; seed?: string; settled?: boolean } & Output) =>
    run(async () => withFiles((await commands()).rehearseFile(file, o), o), o.json),
  );

program
  .command('nights <file>')
  .description('many nights of a scene: detection with bounds, false triggers a day, what matters')
  .option('--scene <name>', 'the first one otherwise')
  .option('--nights <n>', 'how many, 100 otherwise')
  .option('--seed <number>', 'of the first night, 1 otherwise')
  .option('--nominal', 'every part at its nominal value')
  .option('--temperature <±K>', 'how much the air differs, 10 otherwise')
  .option('--supply <±share>', 'how much supplies differ, 0.05 otherwise')
  .option('--start <±s>', 'when happenings begin, 1 otherwise')
  .option('--strength <±share>', 'speed, size and strength of happenings, 0.2 otherwise')
  .option('--place <±m>', 'where sensors and happenings are, 0.02 otherwise')
  .option('--json', 'print JSON')
  .action((file: string, o: TrialsOptions & Output) =>
    run(async () => (await import('./nights.js')).trialsOf(file, o), o.json),
  );

program
  .command('log <file>')
  .description('what a board has told over its serial line, kept by a terminal program')
  .requiredOption('--of <design>', 'whose program the board runs')
  .option('--csv <file>', 'write every event')
  .option('--json', 'print JSON')
  .action((file: string, o: { of: string } & Output) =>
    run(async () => withFiles((await import('./log.js')).logOf(file, o.of), o), o.json),
  );

program
  .command('plan <file>')
  .description('sensors for the brief of a design, wired and rehearsed, the best first')
  .option('--json', 'print JSON')
  .action((file: string, o: Output) =>
    run(async () => (await import('./plan.js')).planOf(file), o.json),
  );

program
  .command('lasts <file>')
  .description('how long batteries and contacts last where a scene comes once a day')
  .option('--scene <name>', 'the first one otherwise')
  .option('--times <n>', 'how often the scene comes in a day, 1 otherwise')
  .option('--json', 'print JSON')
  .action((file: string, o: LastsOptions & Output) =>
    run(async () => (await import('./lasts.js')).lastsOf(file, o), o.json),
  );

program
  .command('export <file>')
  .description('write the design in another form')
  .requiredOption(
    '--to <kind>',
    'json, its wires as a hook-up list (csv, md), its picture (svg), or the program of its board (firmware)',
  )
  .option('--out <folder>', 'of the program: where its folder is put, here otherwise')
  .option('--in <language>', 'of the program: cpp or python, where its board takes both')
  .option('--quiet', 'of the program: without what it says over its serial line')
  .option('--json', 'print JSON')
  .action(
    (file: string, o: { json?: boolean; to: string; out?: string; quiet?: boolean; in?: string }) =>
      run(async () => {
        if (o.to === 'firmware')
          return (await import('./firmware.js')).writeProject(file, o.out, o.quiet, o.in);
        const { fontRules } = await import('./fonts.js');
        return (await commands()).exportFile(file, o, o.to === 'svg' ? fontRules() : undefined);
      }, o.json),
  );

const data = ['--data <folder>', 'of the server; YUREI_DATA or "data" otherwise'] as const;
interface Folder {
  data?: string;
}

program
  .command('backup <file>')
  .description('copy the shelf as it is now into a file; the server may be running')
  .option(...data)
  .action((file: string, o: Folder) =>
    run(async () => (await shelf()).backUp(file, o.data), false),
  );

program
  .command('restore <file>')
  .description('put a backup in the place of the shelf; stop the server first')
  .option(...data)
  .action((file: string, o: Folder) =>
    run(async () => (await shelf()).restore(file, o.data), false),
  );

program
  .command('export-all <file>')
  .description('write every design with its saves and studies into one open file (ZIP)')
  .option(...data)
  .action((file: string, o: Folder) =>
    run(async () => (await shelf()).exportAll(file, o.data), false),
  );

program
  .command('import-all <file>')
  .description(
    'put all designs of such a file on the shelf; overwrites nothing; stop the server first',
  )
  .option(...data)
  .action((file: string, o: Folder) =>
    run(async () => (await shelf()).importAll(file, o.data), false),
  );

program
  .command('passcode')
  .description('set the passcode without which the server does not open to a network')
  .option(...data)
  .action((o: Folder) => run(async () => (await shelf()).passcode(o.data), false));

/** Writes the files of a report that were asked for. */
async function withFiles(work: Promise<Report>, { csv, vcd }: Output): Promise<Report> {
  const report = await work;
  if (csv !== undefined) {
    if (report.csv === undefined) throw new BadInput('--csv needs --sweep or --transient.');
    await save(csv, report.csv);
  }
  if (vcd !== undefined && report.vcd !== undefined) await save(vcd, report.vcd);
  return report;
}

async function save(file: string, text: string): Promise<void> {
  await writeFile(file, text).catch((error: Error) => {
    throw new BadInput(`${file} could not be written: ${error.message}.`);
  });
}

/** Writes what was fixed in place of the file: beside it first, so that either stands whole. */
async function keepFixed(
  work: Promise<Report & { fixed?: string }>,
  file: string,
): Promise<Report> {
  const report = await work;
  if (report.fixed === undefined) return report;
  const beside = `${file}.fixed`;
  try {
    await writeFile(beside, report.fixed);
    await rename(beside, file);
  } catch (error) {
    throw new BadInput(
      `${file}: what was fixed could not be written: ${(error as Error).message}.`,
    );
  }
  return report;
}

await program.parseAsync();
