import { readdirSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { readDesign } from '@yurei/core/exchange';
import { runDown } from '@yurei/core/lifetime';
import { rehearse } from '@yurei/core/rehearsal';
import { root } from './run.mjs';

/**
 * Every scene of the demo designs, taken as settled and followed in time: how long each takes in the same run, and whether
 * both come to the same. See docs/performance.md.
 */
const timed = (work) => {
  const began = performance.now();
  const result = work();
  return { ms: performance.now() - began, result };
};
const outcomes = ({ verdicts, spurious }) =>
  [...verdicts.map((v) => v.outcome), `${spurious.length} besides`].join(', ');

const ratios = [];
for (const file of readdirSync(resolve(root, 'demo')).filter((f) => f.endsWith('.yurei.json'))) {
  const { design } = readDesign(readFileSync(resolve(root, 'demo', file), 'utf8'));
  for (const scene of design.scenes) {
    // The first run of a design is not its pace.
    rehearse(design, scene);
    const settled = timed(() => rehearse(design, scene));
    const inTime = timed(() => rehearse(design, scene, undefined, 'time'));
    const ratio = inTime.ms / settled.ms;
    ratios.push(ratio);
    const [one, other] = [outcomes(settled.result), outcomes(inTime.result)];
    const same = one === other ? 'the same' : `${one} against ${other}`;
    console.log(
      `${design.title}, ${scene.name}, ${scene.duration} s: ${settled.ms.toFixed(0)} ms settled, ${inTime.ms.toFixed(0)} ms in time, ${ratio.toFixed(1)}; ${same}`,
    );
  }
}
const file = readFileSync(resolve(root, 'demo/fuel-locker-loop.yurei.json'), 'utf8');
const { design } = readDesign(file);
const [night] = design.scenes;
const opens = night.happenings.find((h) => h.intent === 'wanted');
const starts = Array.from({ length: 200 }, (_, i) => 100 + 430.7 * i);
const noticed = (path) =>
  starts.filter((start) => {
    const params = { ...opens.params, stays: 1, moves: 0.5 };
    const scene = { ...night, duration: 86_400, happenings: [{ ...opens, start, params }] };
    return rehearse(design, scene, undefined, path).verdicts[0].outcome === 'noticed';
  }).length;
for (const path of ['fast', 'time'])
  console.log(
    `an opening of 2 s in 24 h of “${design.title}”, ${path === 'time' ? 'in time' : 'settled'}: noticed at ${noticed(path)} of ${starts.length} start times`,
  );

/** A design read every so often, its first scene's happenings given anew at the moments told; in time and as settled. */
function long(name, every, duration, starts, more = {}) {
  const file = readFileSync(resolve(root, 'demo', `${name}.yurei.json`), 'utf8');
  const { design: own } = readDesign(file);
  const channels = own.channels.map((c) => ({ ...c, every: every ?? c.every }));
  const [first] = own.scenes;
  const happenings = starts.map((start, i) => {
    const { id, ...h } = first.happenings[i % first.happenings.length];
    return { ...h, id: `${id}-${i}`, start };
  });
  const asked = { ...own, channels, ...more };
  for (const path of ['fast', 'time']) {
    const { ms, result } = timed(() =>
      rehearse(asked, { ...first, duration, happenings }, undefined, path),
    );
    console.log(
      `${duration} s of “${own.title}”, ${path === 'time' ? 'in time' : 'settled'}: ${(ms / 1000).toFixed(1)} s; ${outcomes(result).slice(0, 60)}`,
    );
  }
}
const twice = (scene) => [0, 300].flatMap((t) => scene.happenings.map((h) => h.start + t));
const stairs = readDesign(readFileSync(resolve(root, 'demo/loft-stairs.yurei.json'), 'utf8'));
long('loft-stairs', 0.01, 600, twice(stairs.design.scenes[0]));
const halfDays = Array.from({ length: 60 }, (_, i) => 600 + 43_200 * i);
long('slipway-beam', 0.1, 30 * 86_400, halfDays);
long('boarding-mat', 0.1, 30 * 86_400, halfDays);
const gate = readDesign(readFileSync(resolve(root, 'demo/creek-gate-watch.yurei.json'), 'utf8'));
const asleep = { ...gate.design.controller, sleep: { every: 8, awake: 0.3 } };
long('creek-gate-watch', undefined, 86_400, [20_000, 43_200, 43_260], { controller: asleep });

for (const name of ['fuel-locker-loop', 'creek-gate-watch']) {
  const { design } = readDesign(readFileSync(resolve(root, 'demo', `${name}.yurei.json`), 'utf8'));
  const { ms, result } = timed(() => runDown(design, design.scenes[0], 1));
  console.log(
    `“${design.title}” followed down: ${(ms / 1000).toFixed(1)} s; lasts ${(result.lasts / 86_400).toFixed(0)} days`,
  );
}

ratios.sort((a, b) => a - b);
const at = (share) => ratios[Math.floor(share * (ratios.length - 1))].toFixed(1);
console.log(
  `in time against settled: median ${at(0.5)}, nine of ten within ${at(0.9)}, at most ${at(1)}`,
);
