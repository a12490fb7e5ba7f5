/** What turns hard is followed by plain Newton in few guesses, and what goes round for ever is soon said to. */
import type { Element } from '../element/index.js';
import { r, step, wire } from '../testing/lab.js';

const comparator = (plus: string, minus: string, more: Partial<Element> = {}): Element =>
  ({
    ...{ type: 'comparator', plus, minus, output: 'out', supply: 'vcc', ground: '0' },
    ...{ stage: 'open-collector', offset: 0, hysteresis: 0, bias: 0, headroom: 0 },
    ...{ sinkAmps: 0.02, sinkOhms: 50, delay: 0, ...more },
  }) as Element;

it.each([1e3, 1e4, 1e5, 1e6])(
  'a comparator that turns to sinking through a pull-up of %d Ω sinks at once',
  (ohms) => {
    const network = wire(
      ...[step('vcc', 5), step('p', 3), step('m', 2), comparator('p', 'm'), r('vcc', 'out', ohms)],
    );
    network.rest();
    expect(network.volts('out')).toBeCloseTo(5, 2);
    network.set(1, step('p', 1));
    expect(network.rest()).toMatchObject({ settled: true, method: 'newton' });
    // As small as its current is beside the most it sinks, it stands as a resistance of 50 Ω.
    expect(network.volts('out')).toBeCloseTo((5 * 50) / (ohms + 50), 2);
  },
);

it.each([1, 10, 100])('a gate that turns on %d times 1 A/V² settles in a dozen guesses', (beta) => {
  const network = wire(step('vcc', 12), step('g', 0), r('vcc', 'd', 1e4), {
    ...{ type: 'mosfet', polarity: 'n', drain: 'd', gate: 'g', source: '0' },
    ...{ threshold: 2, beta },
  });
  network.rest();
  expect(network.volts('d')).toBeCloseTo(12, 2);
  network.set(1, step('g', 5));
  const { method, iterations } = network.rest();
  expect(method).toBe('newton');
  expect(iterations).toBeLessThanOrEqual(12);
  // On, it stands as a resistance of 1/(β·(Vgs − Vth)).
  const ohms = 1 / (beta * 3);
  expect((network.volts('d') ?? NaN) / ((12 * ohms) / (1e4 + ohms))).toBeCloseTo(1, 2);
});

describe('a comparator that turns itself back', () => {
  const network = wire(
    ...[step('vcc', 5), step('p', 2), r('out', 'm', 1e4), r('m', '0', 1e6)],
    comparator('p', 'm', { stage: 'push-pull' } as Partial<Element>),
  );
  const { unconvergedDevices, iterations } = network.rest();

  it('is said to go round for ever', () => {
    expect(unconvergedDevices.map((d) => network.devices.indexOf(d))).toEqual([4]);
  });

  it('as soon as it has gone round', () => {
    expect(iterations).toBeLessThan(40);
  });

  it('and is left where it began: two hundred changes are a hundred rounds', () => {
    expect(network.modes).toEqual([1]);
  });
});
