import { readdirSync, readFileSync } from 'node:fs';
import { applyEdit } from '@yurei/core/design';
import { diagnose, prove } from '@yurei/core/diagnosis';
import { readDesign } from '@yurei/core/exchange';
import { slipKinds } from '@yurei/core/slip';
import { merged } from '../e2e/dist/merged.js';

/**
 * How long it takes until what is wrong is named with what cures it, and until every cure is held against every scene: of the
 * demo designs as they are, and of each N-th usual slip in them; of five of them on one bench until it is named. One thread;
 * see docs/performance.md.
 */
const every = Number(process.argv[2] ?? 61);
const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));
const read = (text) => readDesign(text).design;
const demo = (name) => read(readFileSync(`demo/${name}.yurei.json`, 'utf8'));

function timed(design, proves = true) {
  const began = performance.now();
  const { roots } = diagnose(design, design.scenes[0]);
  const named = performance.now();
  for (const { cures } of proves ? roots : []) for (const { edit } of cures) prove(design, edit);
  return { named: named - began, proven: performance.now() - began };
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

const named = (design) => timed(design, false).named;
const demos = names.map(demo);
demos.slice(0, 6).forEach(named);
tell('as they are, named', demos.map(named));
const rows = [...faulty(demos, every)].map((design) => timed(design));
tell(
  'a slip in one of 6 to 17 parts, named',
  rows.map((r) => r.named),
);
tell(
  'a slip in one of 6 to 17 parts, proven',
  rows.map((r) => r.proven),
);
const large = read(
  JSON.stringify(
    merged('Bench', [
      'varnish-bench-fire',
      'mooring-boom',
      'fuel-locker-vapour',
      'slipway-beam',
      'chart-room-touch',
    ]),
  ),
);
const parts = `${large.parts.length} parts on one bench`;
tell(`${parts}, as they are, named`, [named(large)]);
tell(`${parts}, with a slip, named`, [...faulty([large], 2 * every)].map(named));
