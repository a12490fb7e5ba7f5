import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { emptyDesign } from '@yurei/core/design';
import { readDesign } from '@yurei/core/exchange';
import {
  blindPath,
  candidates,
  compare,
  coverage,
  firstDesign,
  suggestPlaces,
  tripPoints,
} from '@yurei/core/plan';
import { quietScene } from '@yurei/core/rehearsal';
import { root } from './run.mjs';

/** Plans looked over, easiest ways in and sensors compared: how long each takes in one thread. See docs/performance.md. */
const person = { kind: 'person-walks', params: {} };
const timed = (work) => {
  const began = performance.now();
  work();
  return performance.now() - began;
};
const median = (all) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)];
const tell = (what, work, runs = 5) => {
  timed(work);
  const ms = Array.from({ length: runs }, () => timed(work));
  console.log(
    `${what}: median ${median(ms).toFixed(0)} ms, largest ${Math.max(...ms).toFixed(0)} ms of ${runs}`,
  );
};

/** The same small design many times on one plan of 20 by 15 m, with walls. */
function many(sensors, walls) {
  const need = { id: 'n1', intent: 'wanted', name: 'It', ...person };
  const empty = emptyDesign('Many');
  const { design, sensor } = firstDesign(
    { ...empty, brief: { ...empty.brief, needs: [need] } },
    { sensor: 'pyroelectric-module', named: 'Sensor', needs: [need], scene: 'x' },
  );
  const renamed = (text, i) => text.replace(/"([A-Z]\d+)(\.|")/g, `"$1x${i}$2`);
  const copies = Array.from({ length: sensors }, (_, i) => {
    const { parts, wires, channels, controller } = JSON.parse(renamed(JSON.stringify(design), i));
    return {
      parts: parts.map((p) =>
        p.id === `${sensor}x${i}`
          ? { ...p, place: { x: (i * 7.3) % 20, y: (i * 4.1) % 15, facing: (i * 47) % 360 } }
          : p,
      ),
      wires: wires.map((w) => ({ ...w, id: `${w.id}x${i}` })),
      channels: channels.map((c) => ({ ...c, id: `${c.id}x${i}` })),
      pins: controller.pins,
    };
  });
  const all = (of) => copies.flatMap((copy) => copy[of]);
  const ground = design.parts.find((p) => p.kind === 'adapter').id;
  const grounds = Array.from({ length: sensors - 1 }, (_, i) => ({
    ...{ id: `g${i}`, from: `${ground}x${i}.minus`, to: `${ground}x${i + 1}.minus` },
  }));
  return {
    ...design,
    plan: {
      ...{ width: 20, depth: 15 },
      walls: Array.from({ length: walls }, (_, i) => {
        const from = { x: (i * 3.7) % 19, y: (i * 5.3) % 14 };
        return { from, to: { x: from.x + (i % 2), y: from.y + ((i + 1) % 2) } };
      }),
    },
    parts: all('parts'),
    wires: [...all('wires'), ...grounds],
    channels: all('channels'),
    controller: { pins: all('pins') },
    outputs: [],
    rules: [],
    scenes: [],
  };
}

const loft = readDesign(readFileSync(resolve(root, 'demo/sail-loft-motion.yurei.json'), 'utf8'));
const [evening] = loft.design.scenes;
tell('coverage of the sail loft', () => coverage(loft.design, evening, person));
tell('easiest way through the sail loft', () =>
  blindPath(loft.design, evening, person, [{ x: 0, y: 0 }], { x: 8, y: 5 }),
);
const large = many(30, 50);
let points = [];
const once = timed(() => (points = tripPoints(large, quietScene)));
console.log(`what trips 30 sensors: ${(once / 1000).toFixed(1)} s, once`);
tell(
  'coverage of 30 sensors and 50 walls while they are moved',
  () => coverage(large, quietScene, person, points),
  3,
);
tell(
  'easiest way past 30 sensors and 50 walls while they are moved',
  () => blindPath(large, quietScene, person, [{ x: 0, y: 7.4 }], { x: 20, y: 7.4 }, points),
  3,
);
const eight = many(8, 50);
const eightPoints = tripPoints(eight, quietScene);
const movable = eight.parts.filter((p) => p.place).map((p) => p.id);
const guard = { thing: person, entrances: [], guarded: { x: 10, y: 7.5 } };
tell(
  'places suggested for 8 sensors among 50 walls',
  () => suggestPlaces(eight, quietScene, guard, movable, eightPoints),
  2,
);
for (const kinds of [['door-opens'], ['person-walks', 'pet'], ['flame', 'lamp-on']]) {
  const needs = kinds.map((kind, i) => ({
    ...{ id: `n${i}`, intent: i === 0 ? 'wanted' : 'nuisance', kind, name: kind, params: {} },
  }));
  const empty = emptyDesign('Compared');
  const design = { ...empty, brief: { ...empty.brief, needs } };
  const offered = candidates(needs);
  const each = offered.map((c) => timed(() => compare(design, c)));
  const sum = each.reduce((a, b) => a + b, 0);
  console.log(
    `${offered.length} sensors compared for ${kinds.join(' and not ')}: ${(sum / 1000).toFixed(1)} s in all, median ${median(each).toFixed(0)} ms, largest ${Math.max(...each).toFixed(0)} ms`,
  );
}
