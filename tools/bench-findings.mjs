import { readdirSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { isDeepStrictEqual } from 'node:util';
import { Worker } from 'node:worker_threads';
import { applyEdit } from '@yurei/core/design';
import { provenIn } from '@yurei/core/diagnosis';
import { readDesign } from '@yurei/core/exchange';
import { slipKinds } from '@yurei/core/slip';
import { merged } from '../e2e/dist/merged.js';

/**
 * How long it takes until what is wrong is named with what cures it, and until cures are held against every scene: of the demo
 * designs as they are, of each N-th usual slip in them, and of five of them on one bench. As in the app changes are tried in one
 * worker, and beside it workers for half of the cores go through scenes without a change, and then as many others with each, of as
 * much of a design as a cure can move; see docs/performance.md.
 */
const every = Number(process.argv[2] ?? 61);
const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));
const read = (text) => readDesign(text).design;
const demo = (name) => read(readFileSync(`demo/${name}.yurei.json`, 'utf8'));

const waiting = new Map();
let questions = 0;
function hand() {
  const worker = new Worker(new URL('bench-findings-hand.mjs', import.meta.url));
  worker.on('message', ({ id, answer }) => waiting.get(id)(answer));
  return worker;
}
/** As many as the app takes. */
const halfOfAll = Math.max(1, Math.floor(Math.min(8, availableParallelism()) / 2));
const trying = hand();
const judging = Array.from({ length: halfOfAll }, hand);
const others = Array.from({ length: halfOfAll }, hand);

function ask(worker, question) {
  const id = questions++;
  return new Promise((resolve) => {
    waiting.set(id, resolve);
    worker.postMessage({ id, ...question });
  }).finally(() => waiting.delete(id));
}

/** Goes through every scene with each of some changes. */
function outcomes(design, edits, workers) {
  const pieces = edits.flatMap((edit) => design.scenes.map((scene) => ({ design, scene, edit })));
  let next = 0;
  const work = async (worker) => {
    for (let piece = pieces[next++]; piece; piece = pieces[next++]) await ask(worker, piece);
  };
  return Promise.all(workers.map(work));
}

/**
 * How long it takes until all is named, until every cure is proven, and where one mistake does not explain all until two are
 * counted on and what comes of that is proven, ms; of a sound design scenes are left alone.
 */
async function timed(design, isWrong = true) {
  const began = performance.now();
  const since = () => performance.now() - began;
  const before = outcomes(design, isWrong ? [undefined] : [], judging);
  const first = await ask(trying, { design });
  const named = since();
  const further = first.isUnexplained ? ask(trying, {}) : undefined;
  await prove(design, first.cures, before);
  const proven = since();
  const two = await further;
  const isKnown = ({ edit }) => first.cures.some((c) => isDeepStrictEqual(c.edit, edit));
  if (two)
    await prove(
      design,
      two.cures.filter((cure) => !isKnown(cure)),
      before,
    );
  const provenOfTwo = two && since();
  await before;
  return { named, proven, provenOfTwo };
}

/** Holds cures against every scene, each in as much of a design as it can move. */
async function prove(design, cures, before) {
  const parts = new Map();
  for (const cure of cures) {
    const part = provenIn(design, cure);
    parts.set(part, [...(parts.get(part) ?? []), cure.edit]);
  }
  for (const [part, edits] of parts) {
    const unchanged = part === design ? before : outcomes(part, [undefined], judging);
    await Promise.all([unchanged, outcomes(part, edits, others)]);
  }
}

/** Designs with each N-th slip of all that are usual. */
function* faulty(designs, step) {
  let number = 0;
  for (const design of designs)
    for (const kind of slipKinds)
      for (const slip of kind.all(design))
        if (number++ % step === 0) yield applyEdit(design, slip.edit);
}

function tell(what, times) {
  const all = [...times].sort((a, b) => a - b);
  const at = (share) => `${all[Math.floor(share * (all.length - 1))].toFixed(0)} ms`;
  console.log(`${what}: median ${at(0.5)}, 90 % ${at(0.9)}, largest ${at(1)} of ${all.length}`);
}

async function inTurn(designs, isWrong) {
  const rows = [];
  for (const design of designs) rows.push(await timed(design, isWrong));
  return rows;
}

const named = (rows) => rows.map((r) => r.named);
function tellRows(what, rows) {
  tell(`${what}, named`, named(rows));
  const proven = rows.map((r) => r.proven);
  tell(`${what}, proven`, proven);
  const two = rows.flatMap((r) => r.provenOfTwo ?? []);
  if (two.length > 0) tell(`${what}, counting on two mistakes where one does not explain all`, two);
}

const demos = names.map(demo);
await inTurn(demos.slice(0, 6), false);
tell('as they are, named', named(await inTurn(demos, false)));
tellRows('a slip in one of 6 to 17 parts', await inTurn(faulty(demos, every)));
const large = read(
  JSON.stringify(
    merged('Bench', [
      'varnish-bench-fire',
      'mooring-boom',
      'fuel-locker-vapour',
      'sail-loft-motion',
      'chart-room-touch',
    ]),
  ),
);
const parts = `${large.parts.length} parts on one bench`;
tell(`${parts}, as they are, named`, named(await inTurn([large], false)));
tellRows(`${parts}, with a slip`, await inTurn(faulty([large], every)));
for (const worker of [trying, ...judging, ...others]) await worker.terminate();
