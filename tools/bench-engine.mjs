import { readFileSync } from 'node:fs';
import { Circuit, runCycles } from '../core/dist/circuit/index.js';
import { alarm, comparators } from './bench-designs.mjs';

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
    circuit.setState('B0', { felt: 1 + (i % 9) });
    return circuit.solve();
  });
  console.log(`operating point of 40 parts, warm, one sensor changes: ${time}`);
  console.log(
    `the same from nothing (compile, order, solve): ${many(100, () => new Circuit(alarm()).solve())}`,
  );
}

/** A controller that reads six channels and fires three sounders. */
function controller(circuit, every, sleeps) {
  let fired = [false, false, false];
  const pins = () => ({
    ...Object.fromEntries(fired.map((on, i) => [`D${i + 2}`, { mode: 'output', high: on }])),
    ...Object.fromEntries(
      Array.from({ length: 6 }, (_, i) => [`A${i}`, { mode: 'analogue', high: false }]),
    ),
  });
  let reads = 0;
  circuit.setState('U1', { pins: pins() });
  return {
    reads: () => reads,
    every,
    tick: (t, volts) => {
      reads += 1;
      const now = fired.map((_, i) => volts(circuit.design.wires[6 + 6 * 2 * i].to) > 4);
      if (now.every((on, i) => on === fired[i])) return undefined;
      fired = now;
      return () => circuit.setState('U1', { pins: pins() });
    },
  };
}

function minute() {
  const circuit = new Circuit(alarm());
  circuit.design = alarm();
  for (let i = 0; i < 6; i++) circuit.setState(`B${i}`, { felt: 10 });
  const ticker = controller(circuit, 0.01);
  circuit.solve();
  const run = circuit.transient();
  const { ms: took } = ms(() => {
    run.startAtRest();
    for (let t = 2.5; t <= 60; t += 2.5) {
      run.advance(t, ticker);
      circuit.setState(`B${(t / 2.5) % 6}`, { felt: t % 5 === 0 ? 10 : 4000 });
      run.restart();
    }
  });
  console.log(
    `60 s of 40 parts, 10 ms controller loop: ${took.toFixed(0)} ms; ${run.steps} steps, ${run.rejected} tried again, ${run.stepper.iterations} Newton iterations, ${ticker.reads()} readings, ${run.events} events, halt ${run.halt}`,
  );
}

function growth() {
  const sizes = [1, 2, 5, 10, 15, 20];
  for (const n of sizes) {
    const design = comparators(n);
    const circuit = new Circuit(design);
    for (let i = 0; i < n; i++) circuit.setState(`B${i}`, { felt: 5 + i });
    circuit.solve();
    const rows = circuit.network.system.size;
    const time = many(300, (i) => {
      circuit.setState('B0', { felt: 1 + (i % 9) });
      return circuit.network.rest();
    });
    console.log(`${design.parts.length} parts, ${rows} unknowns: steady state ${time}`);
  }
}
operatingPoint();
minute();
growth();
/** A board that sleeps 8 s, wakes for 20 ms, and so on; leaping over cycles that repeat, or not. */
function sleeper(hours, leaping) {
  const circuit = new Circuit(alarm());
  for (let i = 0; i < 6; i++) circuit.setState(`B${i}`, { felt: 10 });
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
sleeper(1, false);
sleeper(1, true);
sleeper(24, false);
sleeper(24, true);
