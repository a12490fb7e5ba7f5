import { catalog, type PartKind } from '../catalog/index.js';
import { sketch } from '../testing/small.js';
import { Circuit, runTransient } from './index.js';

/** Feeds, and what stands in for a sensor with a voltage of its own. */
const givers = new Set([
  ...catalog.filter((k) => k.stage === 'feeds').map((k) => k.kind),
  'signal-generator',
  'recorded-sensor',
]);
const kinds = catalog.map((kind) => [kind.kind, kind] as const);

/** A part with every terminal tied to ground through a resistor of its own, and a dead supply nearby. */
function tied(kind: PartKind, ...volts: [terminal: string, volts: number][]) {
  const parts = [`${kind.kind} X`, 'adapter G ohms=0.001'];
  const wires: string[] = [];
  kind.terminals.forEach(({ id }, i) => {
    parts.push(`resistor R${i} ohms=10000`);
    wires.push(`X.${id} R${i}.a`, `R${i}.b G.minus`);
  });
  volts.forEach(([terminal, v], i) => {
    parts.push(`adapter V${i} volts=${v} ohms=10`);
    wires.push(`V${i}.plus X.${terminal}`, `V${i}.minus G.minus`);
  });
  return sketch(parts, wires);
}

describe.each(kinds)('%s', (name, kind) => {
  it('gives no power when nothing feeds it', () => {
    if (givers.has(name)) return;
    const { parts, problems } = new Circuit(tied(kind)).solve();
    expect(problems.filter((p) => p.kind === 'unsolvable')).toEqual([]);
    expect(parts['X'].watts).toBeGreaterThan(-1e-9);
    // Inside a part a voltage may stand, but none that drives a current out.
    for (const { id } of kind.terminals)
      expect(Math.abs(parts['X'].amps[id] ?? NaN)).toBeLessThan(1e-5);
  });

  it('is solved with 5 V at any one of its terminals, and in time from dead', () => {
    for (const { id } of kind.terminals) {
      const design = tied(kind, [id, 5]);
      const { parts, problems } = new Circuit(design).solve();
      expect(problems.filter((p) => p.kind === 'unsolvable')).toEqual([]);
      const total = Object.values(parts).reduce((sum, p) => sum + p.watts, 0);
      expect(Math.abs(total)).toBeLessThan(1e-6);
    }
    const run = runTransient(tied(kind, [kind.terminals[0].id, 5]), { until: 0.01, from: 'dead' });
    expect(run.halt).toBeUndefined();
    expect(run.end).toBe(0.01);
  });
});
