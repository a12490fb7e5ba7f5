import { writeFile } from 'node:fs/promises';
import { Command } from 'commander';
import {
  checkFile,
  exportFile,
  listCatalog,
  rehearseFile,
  solve,
  type Report,
} from './commands.js';
import { BadInput } from './load-design.js';

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
  .action((o: { json?: boolean }) => run(listCatalog, o.json));

program
  .command('solve <file>')
  .description('volts, amps and watts at rest')
  .option('--scene <name>', 'whose daylight falls; the first one otherwise')
  .option('--json', 'print JSON')
  .action((file: string, o: { json?: boolean; scene?: string }) =>
    run(() => solve(file, o), o.json),
  );

program
  .command('check <file>')
  .description('what is wrong or close to it; exit code 1 on an error')
  .option('--scene <name>', 'whose daylight falls; the first one otherwise')
  .option('--json', 'print JSON')
  .action((file: string, o: { json?: boolean; scene?: string }) =>
    run(() => checkFile(file, o), o.json),
  );

program
  .command('rehearse <file>')
  .description('play a scene; exit code 1 when something is missed or fires falsely')
  .option('--scene <name>', 'the first one otherwise')
  .option('--seed <number>', 'seed of the noise')
  .option('--csv <file>', 'write every reading')
  .option('--json', 'print JSON')
  .action((file: string, o: { json?: boolean; scene?: string; seed?: string; csv?: string }) =>
    run(async () => {
      const report = await rehearseFile(file, o);
      if (o.csv !== undefined && report.csv !== undefined) await save(o.csv, report.csv);
      return report;
    }, o.json),
  );

program
  .command('export <file>')
  .description('write the design in another form')
  .requiredOption('--to <kind>', 'json')
  .option('--json', 'print JSON')
  .action((file: string, o: { json?: boolean; to: string }) =>
    run(() => exportFile(file, o), o.json),
  );

async function save(file: string, text: string): Promise<void> {
  await writeFile(file, text).catch((error: Error) => {
    throw new BadInput(`${file} could not be written: ${error.message}.`);
  });
}

await program.parseAsync();
