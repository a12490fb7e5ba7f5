import fc from 'fast-check';
import { arbitraryDesign } from '../testing/arbitrary-design.js';
import { arbitraryNetwork, arbitrarySwitchingNetwork } from '../testing/arbitrary-network.js';
import { wire } from '../testing/lab.js';
import { Circuit, runTransient, Transient } from './index.js';

/** Energy all sources give, and energy all else takes, by the stages' own quadrature over each step. */
function energies(run: Transient, until: number): { given: number; taken: number } {
  const devices = run.network.devices.filter((d) => d !== undefined);
  const out = new Float64Array(9);
  const weights = [1.2084966491760101, -0.644363170684469, 0.435866521508459];
  const watts = (x: Float64Array): [number, number] => {
    let [given, taken] = [0, 0];
    for (const device of devices) {
      if (device.spent) {
        taken += device.spent(x);
        continue;
      }
      device.currents(x, out);
      const p = device.nodes.reduce((sum, n, i) => sum + (n < 0 ? 0 : x[n]) * out[i], 0);
      if (p < 0) given -= p;
      else taken += p;
    }
    return [given, taken];
  };
  let [given, taken] = [0, 0];
  run.observe({
    stepped: (_, h) =>
      run.stepper.stages.forEach((x, i) => {
        const [g, t] = watts(x);
        given += h * weights[i] * g;
        taken += h * weights[i] * t;
      }),
  });
  run.startDead();
  run.advance(until);
  const stored = devices.reduce((sum, d) => sum + (d.stored?.() ?? 0), 0);
  return { given, taken: taken + stored };
}

const corpora = [
  ['passive and semiconductor parts', arbitraryNetwork],
  ['parts that switch and amplify', arbitrarySwitchingNetwork],
] as const;

it.each(corpora)(
  'energy balances to 0.1 %% over the transients of random circuits: %s',
  (_, kind) => {
    fc.assert(
      fc.property(kind, (elements) => {
        const run = new Transient(wire(...elements));
        const { given, taken } = energies(run, 0.02);
        expect(run.halt).toBeUndefined();
        expect(Math.abs(given - taken)).toBeLessThanOrEqual(1e-3 * given + 1e-12);
      }),
      { numRuns: 150, seed: 3 },
    );
  },
);

it.each(corpora)('charge balances, what each capacitor took is C·v to 0.1 %%: %s', (_, kind) => {
  fc.assert(
    fc.property(kind, (elements) => {
      const network = wire(...elements);
      const run = new Transient(network);
      const weights = [1.2084966491760101, -0.644363170684469, 0.435866521508459];
      const out = new Float64Array(9);
      const plates = elements.flatMap((e, i) => {
        const device = network.devices[i];
        // Seen from outside: all other currents into its node, so the check is of the circuit's, not the part's.
        return e.type === 'capacitor' && device
          ? [{ farads: e.farads, device, node: device.nodes[0] }]
          : [];
      });
      const lone = plates.filter(
        ({ node }) => node >= 0 && plates.filter((p) => p.device.nodes.includes(node)).length === 1,
      );
      const flown = lone.map(() => 0);
      run.observe({
        stepped: (_, h) =>
          run.stepper.stages.forEach((x, s) =>
            lone.forEach(({ device, node }, i) => {
              for (const other of network.devices) {
                if (!other || other === device) continue;
                other.currents(x, out);
                other.nodes.forEach(
                  (n, k) => (flown[i] -= n === node ? h * weights[s] * out[k] : 0),
                );
              }
            }),
          ),
      });
      run.startDead();
      run.advance(0.02);
      lone.forEach(({ farads, device }, i) => {
        const at = (n: number): number => (n < 0 ? 0 : network.system.x[n]);
        const held = farads * (at(device.nodes[0]) - at(device.nodes[1]));
        expect(Math.abs(flown[i] - held)).toBeLessThanOrEqual(
          1e-3 * Math.abs(held) + farads * 1e-3,
        );
      });
    }),
    { numRuns: 60, seed: 4 },
  );
});

describe('no circuit of a random corpus ends without values or a named reason', () => {
  const finite = (values: readonly (number | undefined)[]): boolean =>
    values.every((v) => v === undefined || Number.isFinite(v));

  it('2000 steady states', () => {
    let reasons = 0;
    for (const design of fc.sample(arbitraryDesign, { numRuns: 2000, seed: 20 })) {
      const { nets, parts, problems } = new Circuit(design).solve();
      expect(finite(nets.map((n) => n.volts))).toBe(true);
      expect(finite(Object.values(parts).map((p) => p.watts))).toBe(true);
      for (const p of problems) expect(p.message.length + p.cure.length).toBeGreaterThan(20);
      if (problems.some((p) => p.kind === 'unsolvable')) reasons += 1;
    }
    // Nearly all are solved: a reason is the exception.
    expect(reasons).toBeLessThan(20);
  });

  it('200 runs in time, from dead', () => {
    for (const design of fc.sample(arbitraryDesign, { numRuns: 200, seed: 21 })) {
      const run = runTransient(design, { until: 0.02, from: 'dead' });
      expect(finite(Object.values(run.nets).flat())).toBe(true);
      if (run.halt === undefined) expect(run.end).toBe(0.02);
    }
  });
});
