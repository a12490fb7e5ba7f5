import { fork } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';
import { scoreSlip, soundDesign } from '@yurei/core/diagnosis';
import { readDesign } from '@yurei/core/exchange';
import { slipKinds } from '@yurei/core/slip';
import { keepWritten } from './written.mjs';

/**
 * Makes every usual slip in every demo design and writes docs/findings-score.md from what is said of them.
 * With a number N only each N-th slip is made, and the file says so: node tools/findings-score.mjs 9
 */
const every = Number(process.argv[2] ?? 1);
const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));

/** Every slip of every design with its number. */
function* corpus() {
  let number = 0;
  for (const name of names) {
    const { design } = readDesign(readFileSync(`demo/${name}.yurei.json`, 'utf8'));
    for (const kind of slipKinds)
      for (const slip of kind.all(design))
        yield { number: number++, name, design, kind: kind.id, slip };
  }
}

function work(share, of) {
  const sound = new Map();
  let taken = 0;
  for (const { number, name, design, kind, slip } of corpus()) {
    if (number % every !== 0 || taken++ % of !== share) continue;
    if (!sound.has(name)) sound.set(name, soundDesign(design));
    const began = performance.now();
    const scored = scoreSlip(sound.get(name), slip);
    process.send({ number, name, kind, made: slip.says, ms: performance.now() - began, ...scored });
  }
  process.disconnect();
}

function gather() {
  const self = fileURLToPath(import.meta.url);
  const of = availableParallelism();
  const rows = [];
  const workers = Array.from({ length: of }, (_, share) => {
    const child = fork(self, [String(every), String(share), String(of)]);
    child.on('message', (row) => rows.push(row));
    return new Promise((done, fail) => {
      child.on('exit', (code) => (code === 0 ? done() : fail(new Error(`Ended with ${code}.`))));
    });
  });
  return Promise.all(workers).then(() => rows.sort((a, b) => a.number - b.number));
}

const percent = (part, whole) => (whole === 0 ? '–' : `${((100 * part) / whole).toFixed(1)} %`);
const count = (rows, of) => rows.filter(of).length;

function row(label, rows) {
  const faults = rows.filter((r) => r.changes === 'doing');
  return `| ${[
    label,
    rows.length,
    count(rows, (r) => r.changes === 'nothing'),
    count(rows, (r) => r.changes === 'values'),
    faults.length,
    percent(
      count(faults, (r) => r.found),
      faults.length,
    ),
    percent(
      count(faults, (r) => r.placed),
      faults.length,
    ),
    percent(
      count(faults, (r) => r.cured),
      faults.length,
    ),
    rows.reduce((sum, r) => sum + r.harmful, 0),
  ].join(' | ')} |`;
}

const listed = (rows) =>
  rows.map((r) => `- ${r.name}: ${r.made}: ${r.says}`.replaceAll('|', '\\|'));

function report(rows) {
  const faults = rows.filter((r) => r.changes === 'doing');
  const times = rows
    .filter((r) => r.found)
    .map((r) => r.ms)
    .sort((a, b) => a - b);
  const at = (share) => (times[Math.floor(share * (times.length - 1))] / 1000).toFixed(1);
  return [
    '# How well mistakes are found',
    '',
    `Written by \`node tools/findings-score.mjs${every === 1 ? '' : ` ${every}`}\`: ${every === 1 ? 'every slip' : `each ${every}th`} of all that can be made by program, ${rows.length} of them, each made alone in one of the ${names.length} demo designs, and what Wire says of it. A slip counts as a fault where the design then does otherwise than before in any state that is looked at (at rest, each output alone, all of them, in each happening of its first scene, each sensor through its range): other parts act, a channel answers otherwise, a rating is exceeded. Where only voltages or currents differ, it is another value that works as well; where nothing differs, nobody can tell.`,
    '',
    'Of faults: _found_ is that something is found that is not found without the slip; _placed_ that the first root, or the change it proposes, is at the place of the slip (a part with more than six wires counts by its terminals); _cured_ that its first cure leaves nothing to find and the design does what it did. _Harm_ counts cures offered, of all slips, that take the design farther from what it did.',
    '',
    '| kind of slip | made | nothing changes | only values | faults | found | placed | cured | harm |',
    '|---|---:|---:|---:|---:|---:|---:|---:|---:|',
    ...slipKinds.map(({ id, label }) =>
      row(
        label,
        rows.filter((r) => r.kind === id),
      ),
    ),
    row('**all**', rows),
    '',
    `Time for all that is found, roots and cures, on the machine that wrote this: ${at(0.5)} s in the median, ${at(0.9)} s in nine of ten, ${at(1)} s at most.`,
    '',
    'What is not reached, and why: of a part left out its loose ends are found, but which part stood there only its maker knows: a load is proposed by the name of its output, an LED behind its resistor, a driver, a supply, a fuse, a resistor, and what stands elsewhere in the same way; of that the place in the plan is taken as the maker knows it. A single sensor is not proposed, nor a controller. Two legs on one potential, a value that works in every state that is looked at and wears out or drifts later, and slips that only show in time (a capacitor ten times off) are not seen, because faults are compared at rest-like states. Where the first root is elsewhere, the slip hides behind a stronger consequence.',
    '',
    '## Faults that nothing was found of',
    '',
    ...listed(faults.filter((r) => !r.found)),
    '',
    '## Faults whose first root is elsewhere',
    '',
    ...listed(faults.filter((r) => r.found && !r.placed)),
    '',
    '## Faults placed rightly and not cured',
    '',
    ...listed(faults.filter((r) => r.placed && !r.cured)),
    '',
    '## Cures that do harm',
    '',
    ...listed(rows.filter((r) => r.harmful > 0)),
    '',
  ].join('\n');
}

if (process.send) work(Number(process.argv[3]), Number(process.argv[4]));
else {
  const text = await format(report(await gather()), { parser: 'markdown' });
  keepWritten('docs/findings-score.md', text, 'npm run findings-score');
}
