import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { Circuit, Network, runCycles, thermalVoltage, Transient } from '@yurei/core/circuit';
import { Solver } from 'odex';
import { alarm, comparators } from './bench-designs.mjs';
import { ensureStiffPeer } from './install.mjs';
import { root } from './run.mjs';

/** Times the circuit engine alone; see docs/performance.md. */
const ms = (work) => {
  const began = performance.now();
  const result = work();
  return { ms: performance.now() - began, result };
};
function many(runs, work) {
  for (let i = 0; i < Math.min(50, runs); i++) work(i);
  const times = Array.from({ length: runs }, (_, i) => ms(() => work(i)).ms).sort((a, b) => a - b);
  const at = (share) => times[Math.floor(share * (runs - 1))].toFixed(3);
  return `median ${at(0.5)} ms, 95 % ${at(0.95)} ms, largest ${at(1)} ms (${runs} runs)`;
}

function operatingPoint() {
  const circuit = new Circuit(alarm());
  circuit.solve();
  const time = many(2000, (i) => {
    circuit.setState('B0', { stimulus: { light: 1 + (i % 9), infrared: 1 + (i % 9) } });
    return circuit.solve();
  });
  console.log(`operating point of 40 parts, warm, one sensor changes: ${time}`);
  console.log(
    `the same from nothing (compile, order, solve): ${many(100, () => new Circuit(alarm()).solve())}`,
  );
}

/** Bytes that one Newton iteration (stamp, factor, solve) leaves on the heap. */
function allocation() {
  setFlagsFromString('--expose-gc');
  setFlagsFromString('--max-semi-space-size=256');
  const gc = runInNewContext('gc');
  const circuit = new Circuit(alarm());
  circuit.solve();
  const { system, sorted } = circuit.network;
  const next = new Float64Array(system.x.length);
  const iterate = () => {
    system.clear();
    for (const device of sorted.linear) device.load(system);
    system.keep();
    system.recall();
    for (const device of sorted.curved) device.load(system);
    system.solve(next);
  };
  for (let k = 0; k < 20000; k++) iterate();
  gc();
  const before = process.memoryUsage().heapUsed;
  for (let k = 0; k < 20000; k++) iterate();
  const bytes = (process.memoryUsage().heapUsed - before) / 20000;
  const devices = sorted.linear.length + sorted.curved.length;
  console.log(
    `one Newton iteration over ${devices} devices leaves ${bytes.toFixed(0)} bytes on the heap`,
  );
}

/** A controller that reads six channels and fires three sounders. */
function controller(circuit, every) {
  let fired = [false, false, false];
  const pins = () => ({
    ...Object.fromEntries(fired.map((on, i) => [`D${i + 2}`, { mode: 'output', high: on }])),
    ...Object.fromEntries(
      Array.from({ length: 6 }, (_, i) => [`A${i}`, { mode: 'analogue', high: false }]),
    ),
  });
  let reads = 0;
  let changes = 0;
  circuit.setState('U1', { pins: pins() });
  return {
    counts: () => `${reads} readings, ${changes} changes of its pins`,
    every,
    tick: (t, volts) => {
      reads += 1;
      const now = fired.map((_, i) => volts(`B${i}.b`) > 4);
      if (now.every((on, i) => on === fired[i])) return undefined;
      fired = now;
      changes += 1;
      return () => circuit.setState('U1', { pins: pins() });
    },
  };
}

function minute() {
  const circuit = new Circuit(alarm());
  for (let i = 0; i < 6; i++) circuit.setState(`B${i}`, { stimulus: { light: 10, infrared: 10 } });
  const ticker = controller(circuit, 0.01);
  circuit.solve();
  const run = circuit.transient();
  const { ms: took } = ms(() => {
    run.startAtRest();
    for (let t = 2.5; t <= 60; t += 2.5) {
      run.advance(t, ticker);
      circuit.setState(`B${Math.floor(t / 5) % 3}`, {
        stimulus: { light: t % 5 === 0 ? 10 : 4000, infrared: t % 5 === 0 ? 10 : 4000 },
      });
      run.restart();
    }
  });
  console.log(
    `60 s of 40 parts, 10 ms controller loop: ${took.toFixed(0)} ms; ${run.steps} steps, ${run.rejected} tried again, ${run.stepper.iterations} Newton iterations, ${ticker.counts()}${run.halt ? `, ended early: ${run.halt}` : ''}`,
  );
}

/** Steady state and time for designs of ten to two hundred parts; draws docs/growth.svg. */
function growth() {
  const points = [1, 2, 3, 5, 7, 10, 13, 16, 20].map((n) => {
    const design = comparators(n);
    const circuit = new Circuit(design);
    const feel = (k) => {
      for (let i = 0; i < n; i++)
        circuit.setState(`B${i}`, {
          stimulus: { light: 5 + ((i + k) % 7), infrared: 5 + ((i + k) % 7) },
        });
    };
    const once = (k) => {
      feel(k);
      circuit.network.rest();
    };
    for (let k = 0; k < 100; k++) once(k);
    const times = Array.from({ length: 300 }, (_, k) => ms(() => once(k)).ms).sort((a, b) => a - b);
    const median = times[150];
    const unknowns = circuit.network.system.size;
    console.log(
      `${design.parts.length} parts, ${unknowns} unknowns: steady state ${median.toFixed(4)} ms`,
    );
    return { parts: design.parts.length, median };
  });
  const [first, last] = [points[1], points[points.length - 1]];
  const power = Math.log(last.median / first.median) / Math.log(last.parts / first.parts);
  console.log(`grows as parts^${power.toFixed(2)} from ${first.parts} to ${last.parts} parts`);
  writeFileSync('docs/growth.svg', plot(points));
}

/** Time against parts, with a straight line through the origin and the largest for the eye. */
function plot(points) {
  const [width, height, left, bottom] = [520, 300, 60, 40];
  const last = points[points.length - 1];
  const x = (parts) => left + ((width - left - 20) * parts) / last.parts;
  const y = (time) => height - bottom - ((height - bottom - 30) * time) / (1.1 * last.median);
  const dots = points.map(
    (p) => `<circle cx="${x(p.parts).toFixed(1)}" cy="${y(p.median).toFixed(1)}" r="4"/>`,
  );
  const text = (tx, ty, label, anchor = 'middle') =>
    `<text x="${tx}" y="${ty}" text-anchor="${anchor}" font-size="12" stroke="none">${label}</text>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" fill="#20242B" stroke="#20242B">
<rect width="${width}" height="${height}" fill="#FFFDF7" stroke="none"/>
<path d="M${left} 20V${height - bottom}H${width - 10}" fill="none"/>
<path d="M${x(0)} ${y(0)}L${x(last.parts)} ${y(last.median)}" stroke="#DDD5C4" stroke-width="2"/>
<g fill="#3D4F8A" stroke="none">${dots.join('')}</g>
${text(x(last.parts), height - bottom + 18, `${last.parts} parts`)}${text(x(0), height - bottom + 18, '0')}
${text(left - 6, y(last.median) + 4, `${last.median.toFixed(2)} ms`, 'end')}
${text(width / 2, 16, 'time of one steady state, warm, against parts; line: in proportion')}
</svg>
`;
}

const r = (a, b, ohms) => ({ type: 'resistor', a, b, ohms });
const c = (a, b, farads) => ({ type: 'capacitor', a, b, farads });
const scale = 1.8 * thermalVoltage();
const shockley = (v) => 7e-9 * Math.expm1(Math.min(v / scale, 40));
const diode = (anode, cathode) => ({
  type: 'diode',
  anode,
  cathode,
  saturation: 7e-9,
  emission: 1.8,
});
const sine = (hertz, amplitude) => ({
  type: 'voltage-source',
  plus: 'in',
  minus: '0',
  volts: 0,
  wave: { shape: 'sine', mean: 0, amplitude, hertz },
});

/** Stiff circuits: fast parts beside slow ones. The peer integrates the same equations, written by hand. */
const stiff = [
  {
    name: 'coil with a diode beside it, on a sine',
    elements: [
      sine(100, 12),
      r('in', 'a', 10),
      c('a', '0', 1e-7),
      { type: 'inductor', a: 'a', b: 'b', henries: 0.05, ohms: 0 },
      r('b', '0', 50),
      diode('0', 'a'),
    ],
    watch: 'a',
    until: 0.05,
    y0: [0, 0],
    f: (t, [v, i]) => [
      ((12 * Math.sin(200 * Math.PI * t) - v) / 10 - i + shockley(-v)) / 1e-7,
      (v - 50 * i) / 0.05,
    ],
    out: ([v]) => v,
  },
  {
    name: 'clamped sensor line with a slow filter behind',
    elements: [
      sine(10, 8),
      r('in', 'a', 100),
      c('a', '0', 1e-9),
      diode('a', 'b'),
      c('b', '0', 1e-9),
      r('b', '0', 10e3),
      r('b', 'd', 100e3),
      c('d', '0', 1e-6),
    ],
    watch: 'd',
    until: 0.3,
    y0: [0, 0, 0],
    f: (t, [a, b, d]) => {
      const i = shockley(a - b);
      return [
        ((8 * Math.sin(20 * Math.PI * t) - a) / 100 - i) / 1e-9,
        (i - b / 10e3 - (b - d) / 100e3) / 1e-9,
        (b - d) / 100e3 / 1e-6,
      ];
    },
    out: ([, , d]) => d,
  },
  {
    name: 'supply filter of three stages, 100 ns to 100 ms',
    elements: [
      { type: 'voltage-source', plus: 'in', minus: '0', volts: 12 },
      r('in', 'a', 1),
      c('a', '0', 1e-7),
      r('a', 'b', 100),
      c('b', '0', 1e-5),
      r('b', 'd', 1e4),
      c('d', '0', 1e-5),
    ],
    watch: 'd',
    until: 0.5,
    y0: [0, 0, 0],
    f: (_, [a, b, d]) => [
      ((12 - a) / 1 - (a - b) / 100) / 1e-7,
      ((a - b) / 100 - (b - d) / 1e4) / 1e-5,
      (b - d) / 1e4 / 1e-5,
    ],
    out: ([, , d]) => d,
  },
];

function ours({ elements, watch, until }) {
  const placed = elements.map((element, i) => ({ part: String(i), element, node: (n) => n }));
  const network = new Network(placed, '0');
  const course = [];
  const run = new Transient(network);
  const note = (t) => course.push([t, network.volts(watch)]);
  run.observe({ stepped: note });
  run.startDead();
  run.advance(until);
  return course;
}

function theirs({ f, y0, out, until }, tolerance) {
  const course = [];
  const solver = new Solver(f, y0.length, {
    absoluteTolerance: tolerance,
    relativeTolerance: tolerance,
    maxSteps: 1e8,
  });
  solver.solve(0, y0, until, (_, t, y) => void course.push([t, out(y)]));
  return course;
}

/** Builds the stiff peer; undefined where its library cannot be had. */
async function buildCvode() {
  if (!(await ensureStiffPeer())) return undefined;
  const folder = mkdtempSync(join(tmpdir(), 'yurei-cvode-'));
  const program = join(folder, 'bench-cvode');
  const libraries = ['cvode', 'nvecserial', 'sunmatrixdense', 'sunlinsoldense'];
  const built = spawnSync('gcc', [
    ...['-O2', '-o', program, resolve(root, 'tools/bench-cvode.c')],
    ...libraries.map((name) => `-lsundials_${name}`),
    '-lm',
  ]);
  return built.status === 0 ? program : undefined;
}

/** The stiff peer at a tolerance: mean time of a run, and its course; undefined where it gives up. */
function cvode(program, circuit, tolerance) {
  const words = [circuit, tolerance, tolerance * 1e-3].map(String);
  const { status, stdout } = spawnSync(program, words, { encoding: 'utf8', maxBuffer: 1e8 });
  if (status !== 0) return undefined;
  const [time, ...lines] = stdout.trim().split('\n');
  return { ms: Number(time), result: lines.map((line) => line.split(' ').map(Number)) };
}

async function againstPeers() {
  const program = await buildCvode();
  if (!program) console.log('Not compared with CVODE of SUNDIALS.');
  stiff.forEach((test, circuit) => {
    const exact = new Solver(test.f, test.y0.length, {
      absoluteTolerance: 1e-10,
      relativeTolerance: 1e-10,
      maxSteps: 1e8,
    });
    const worst = (course) => {
      const at = exact.integrate(0, test.y0);
      let [error, size] = [0, 0];
      for (const [t, v] of course) {
        error = Math.max(error, Math.abs(v - test.out(at(t))));
        size = Math.max(size, Math.abs(v));
      }
      return error / size;
    };
    const runs = 20;
    for (let i = 0; i < runs; i++) ours(test);
    const all = ms(() => Array.from({ length: runs }, () => ours(test)));
    const mine = { ms: all.ms / runs, result: all.result[0] };
    const error = worst(mine.result);
    // The loosest tolerance at which the peer is as accurate; stability, not accuracy, sets its steps.
    let peer;
    let peerError = Infinity;
    for (const tolerance of [1e-3, 1e-4, 1e-5, 1e-6]) {
      peer = ms(() => theirs(test, tolerance));
      peerError = worst(peer.result);
      if (peerError <= Math.max(error, 1e-4)) break;
    }
    console.log(
      `${test.name}: ${mine.ms.toFixed(1)} ms (error ${error.toExponential(1)}, ${mine.result.length} steps); odex ${peer.ms.toFixed(0)} ms (error ${peerError.toExponential(1)}): ${(peer.ms / mine.ms).toFixed(0)} times`,
    );
    if (!program) return;
    // From a tolerance like our error on, the loosest at which it is as accurate; each try costs a reference.
    for (let tolerance = 3 * error; tolerance > 1e-11; tolerance /= 3) {
      const stiffPeer = cvode(program, circuit, tolerance);
      const its = stiffPeer ? worst(stiffPeer.result) : Infinity;
      if (its > error) continue;
      console.log(
        `  CVODE at ${tolerance.toExponential(0)}: ${stiffPeer.ms.toFixed(2)} ms (error ${its.toExponential(1)}, ${stiffPeer.result.length} steps); the engine takes ${(mine.ms / stiffPeer.ms).toFixed(1)} times as long`,
      );
      break;
    }
  });
}

/** A board that sleeps 8 s, wakes for 20 ms, and so on; leaping over cycles that repeat, or not. */
function sleeper(hours, leaping) {
  const circuit = new Circuit(alarm());
  for (let i = 0; i < 6; i++) circuit.setState(`B${i}`, { stimulus: { light: 10, infrared: 10 } });
  circuit.setParams('U1', { own: 20e-6 });
  circuit.solve();
  const run = circuit.transient();
  const own = (amps) => {
    circuit.setParams('U1', { own: amps });
    run.restart();
  };
  const cycle = (start) => {
    own(0.02);
    run.advance(start + 0.02);
    own(20e-6);
    run.advance(start + 8);
  };
  const count = Math.round((hours * 3600) / 8);
  let done = { run: count, leapt: 0 };
  const { ms: took } = ms(() => {
    run.startAtRest();
    if (leaping) done = runCycles(run, { period: 8, count, cycle });
    else for (let k = 0; k < count; k++) cycle(8 * k);
  });
  const charge = circuit.values('G1').update().volts['#level'];
  console.log(
    `${hours} h of 40 parts, asleep 8 s between readings${leaping ? '' : ', every cycle in full'}: ${took.toFixed(0)} ms; ${done.run} cycles run, ${done.leapt} leapt over, ${run.steps} steps; battery at ${(100 * charge).toFixed(6)} %`,
  );
}
operatingPoint();
allocation();
minute();
growth();
await againstPeers();
sleeper(24, false);
sleeper(24, true);
