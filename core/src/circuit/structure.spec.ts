import { sketch } from '../testing/small.js';
import { solveOnce } from './index.js';

const problems = (parts: string[], wires: string): string[] =>
  solveOnce(sketch(parts, wires.split('; '))).problems.map((p) => p.message);

describe('what is wired on purpose without a common ground is no problem', () => {
  it('a lamp on its own battery behind relay contacts', () => {
    const solution = solveOnce(
      sketch(
        ['adapter G', 'relay-12v K', 'lead-battery B', 'filament-lamp H'],
        ['G.plus K.plus', 'K.minus G.minus', 'B.plus K.com', 'K.no H.a', 'H.b B.minus'],
      ),
    );
    expect(solution.problems).toEqual([]);
    // Pulled in, so the lamp burns on the other battery although no wire joins the two.
    expect(solution.parts['H'].watts).toBeGreaterThan(4);
    const between =
      (solution.parts['K'].amps['plus'] ?? NaN) + (solution.parts['K'].amps['minus'] ?? NaN);
    expect(Math.abs(between)).toBeLessThan(1e-9);
  });
});

describe('what hangs in the air is named, and the rest is solved', () => {
  it('a gate that nothing drives', () => {
    const messages = problems(
      ['adapter G', 'logic-mosfet Q', 'resistor R'],
      'G.plus R.a; R.b Q.d; Q.s G.minus',
    );
    expect(messages.join(' ')).toMatch(/Q\.g.*no path to ground|Q is not connected|not connected/);
  });

  it('an input of a comparator that nothing holds, while its output still works', () => {
    const solution = solveOnce(
      sketch(
        ['adapter G volts=5', 'comparator-393 U', 'resistor P', 'resistor A'],
        ['G.plus U.vcc', 'G.minus U.gnd', 'P.a G.plus', 'P.b U.out', 'A.a U.plus', 'A.b G.minus'],
      ),
    );
    expect(solution.problems.length).toBeGreaterThan(0);
    expect(solution.parts['U'].volts['vcc']).toBeCloseTo(5, 2);
    expect(Number.isFinite(solution.parts['U'].volts['out'])).toBe(true);
  });

  it('a coil of no resistance across a supply of none fights it; a real one does not', () => {
    expect(problems(['adapter G', 'inductor L'], 'G.plus L.a; L.b G.minus')).toEqual([]);
  });

  it('an astable timer never rests, and says so', () => {
    const messages = problems(
      ['adapter G', 'timer-555 U', 'resistor A', 'resistor B', 'capacitor C'],
      'G.plus U.vcc; G.minus U.gnd; G.plus A.a; A.b U.dis; B.a U.dis; B.b U.trig; U.trig U.thr; C.a U.trig; C.b G.minus',
    );
    expect(messages).toEqual([expect.stringMatching(/U never comes to rest/)]);
  });
});
