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

/** What many sensors end in: a share of the supply, and an amplifier that follows it. */
const followed = (volts: number, share: number, ohms: number): ReturnType<typeof wire> =>
  wire(
    ...[step('vcc', volts), r('vcc', 'in', 1e6 * (1 - share)), r('in', '0', 1e6 * share)],
    {
      ...{ type: 'op-amp', plus: 'in', minus: 'out', output: 'out', supply: 'vcc', ground: '0' },
      ...{ gain: 1e4, bandwidth: 1e5, slew: 1e5, offset: 0, bias: 0 },
      ...{ marginHigh: 0.05, marginLow: 0.01, outputOhms: ohms, limit: 0.01 },
    },
    r('out', '0', 1e5),
  );

it.each([3.3, 5, 12].flatMap((volts) => [0.05, 0.3, 0.5, 0.9].map((share) => [volts, share])))(
  'an amplifier fed %d V that follows a share of %d of it settles from nothing',
  (volts, share) => {
    for (const ohms of [10, 100, 1000]) {
      const network = followed(volts, share, ohms);
      const { method, iterations } = network.rest();
      expect(method).toBe('newton');
      expect(iterations).toBeLessThanOrEqual(20);
      // Off by one part in its gain, and by what its load drops across its output, divided by that gain.
      expect(network.volts('out')).toBeCloseTo((volts * share) / (1 + 1e-4), 4);
    }
  },
);

it.each([1e-14, 1e-18, 1e-22])(
  'a supply that hangs on diodes alone, which leak %d A, settles and leaves the rest as it is',
  (saturation) => {
    const diode = (anode: string, cathode: string, amps = saturation): Element => ({
      ...{ type: 'diode', emission: 2, anode, cathode, saturation: amps },
    });
    const network = wire(
      ...[step('vcc', 12), r('vcc', 'near', 1e3), r('near', '0', 1e3)],
      ...[diode('plus', 'one'), diode('one', 'near'), diode('plus', 'two'), diode('two', 'near')],
      { type: 'voltage-source', plus: 'emf', minus: 'minus', volts: 5 },
      ...[r('emf', 'plus', 0.1), r('plus', 'load', 1e3), diode('load', 'minus', 1e-9)],
    );
    expect(network.rest()).toMatchObject({ settled: true, method: 'newton' });
    expect(network.volts('near')).toBeCloseTo(6, 6);
    const [plus, load, minus] = ['plus', 'load', 'minus'].map((n) => network.volts(n) ?? NaN);
    const amps = (5 - (load - minus)) / 1000.1;
    expect(load - minus).toBeCloseTo(2 * 0.025693 * Math.log(amps / 1e-9), 4);
    expect(plus - minus).toBeCloseTo(5 - 0.1 * amps, 6);
    // Nothing flows into it: diodes that point at 6 V do not conduct from below.
    expect(plus).toBeLessThan(7);
  },
);

it('several that turn themselves back, each for itself, are found to go round', () => {
  const turnsBack = (n: number): Element[] => [
    ...[step(`p${n}`, 2), r(`out${n}`, `m${n}`, 1e4), r(`m${n}`, '0', 1e6)],
    comparator(`p${n}`, `m${n}`, { stage: 'push-pull', output: `out${n}` } as Partial<Element>),
  ];
  const network = wire(step('vcc', 5), ...[1, 2, 3].flatMap(turnsBack));
  const { unconvergedDevices, iterations } = network.rest();
  expect(unconvergedDevices).toHaveLength(3);
  // Each turns there and back: six changes, gone through twice at most.
  expect(iterations).toBeLessThan(100);
});
