import { createRequire } from 'node:module';
import { readdirSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { root } from './run.mjs';
import { readDesign } from '@yurei/core/exchange';
import { askProof, boardOf, firmwareOf, judgeProof, standIn } from '@yurei/core/firmware';
import { rehearse } from '@yurei/core/rehearsal';
import { clockAt } from '@yurei/core/scene';

/** How long it takes to write the program of each demo design, and to prove it on its own scene in MicroPython. */
const find = createRequire(resolve(root, 'web/package.json'));
const { loadMicroPython } = await import(
  find.resolve('@micropython/micropython-webassembly-pyscript/micropython.mjs')
);
const python = await loadMicroPython({ heapsize: 64 * 2 ** 20 });
python.runPython(standIn);

const timed = (does) => {
  const began = performance.now();
  const of = does();
  return [performance.now() - began, of];
};

const [writes, proofs] = [[], []];
for (const file of readdirSync(resolve(root, 'demo'))) {
  const { design } = readDesign(readFileSync(resolve(root, 'demo', file), 'utf8'));
  const target = boardOf(design);
  const [scene] = design.scenes;
  if (!('board' in target) || !scene) continue;
  for (let i = 0; i < 10; i++) writes.push(timed(() => firmwareOf({ ...design }, target.board))[0]);
  const played = rehearse(design, scene, undefined, 'fast');
  const [time, proof] = timed(() => {
    const asked = askProof(design, target.board, played, clockAt(scene));
    python.globals.set('text', JSON.stringify(asked.job));
    python.runPython('told = play(text)');
    return judgeProof(asked, python.globals.get('told'));
  });
  proofs.push({ title: design.title, time, passes: proof.passes });
}
writes.sort((a, b) => a - b);
const at = (share) => writes[Math.floor(share * (writes.length - 1))].toFixed(1);
console.log(
  `program written: median ${at(0.5)} ms, 95 % ${at(0.95)} ms, largest ${at(1)} ms (aim 50)`,
);
const [slowest] = proofs.sort((a, b) => b.time - a.time);
console.log(
  `proof in MicroPython: slowest ${(slowest.time / 1000).toFixed(1)} s, ${slowest.title}, ${slowest.passes} passes (aim 10)`,
);
