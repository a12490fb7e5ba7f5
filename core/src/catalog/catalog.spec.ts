import { elementNodes } from '../element/index.js';
import { slipwayBeam } from '../testing/demo.js';
import {
  catalog,
  checkDesign,
  checkParam,
  converterCounts,
  kindOf,
  readParam,
  restStimulus,
  searchCatalog,
} from './index.js';

describe.each(catalog.map((kind) => [kind.kind, kind] as const))('part kind %s', (_, kind) => {
  const params = Object.fromEntries(kind.params.map((p) => [p.id, p.default]));
  const state = { stimulus: restStimulus, celsius: 25, pins: {}, wired: () => true };

  it('has defaults within their ranges and unique ids', () => {
    for (const param of kind.params)
      expect(checkParam(param, param.default)).toEqual({ verdict: 'fine' });
    const ids = [...kind.params, ...kind.terminals, ...kind.ratings].map((p) => p.id);
    expect(new Set(kind.params.map((p) => p.id)).size).toBe(kind.params.length);
    expect(new Set(kind.terminals.map((t) => t.id)).size).toBe(kind.terminals.length);
    expect(ids.every((id) => id.length > 0)).toBe(true);
  });

  it('models only its own terminals, with positive limits, and says where its numbers come from', () => {
    const known = new Set(kind.terminals.map((t) => t.id));
    for (const element of kind.elements(params, state)) {
      for (const node of elementNodes(element)) {
        expect(node.startsWith('#') || known.has(node)).toBe(true);
      }
    }
    for (const rating of kind.ratings) expect(rating.limit(params)).toBeGreaterThan(0);
    expect(kind.source.length).toBeGreaterThan(10);
  });

  it('keeps the same elements whatever it feels and however its pins are set', () => {
    const types = (s: typeof state): string[] => kind.elements(params, s).map((e) => e.type);
    const high = { A0: { mode: 'output', high: true } } as const;
    expect(
      types({ ...state, stimulus: { ...restStimulus, light: 1000, force: 40 }, pins: high }),
    ).toEqual(types(state));
  });
});

describe('converterCounts, round(V/Vref·(2^N − 1))', () => {
  const cases: [number, number, number, number][] = [
    [0, 5, 10, 0],
    [5, 5, 10, 1023],
    [2.5, 5, 10, 512],
    [1, 5, 10, 205],
    [6, 5, 10, 1023],
    [-1, 5, 10, 0],
    [1.65, 3.3, 12, 2048],
    [1, 0, 10, 0],
  ];
  it.each(cases)('%d V of %d V at %d bit reads %d', (volts, reference, bits, counts) => {
    expect(converterCounts(volts, reference, bits)).toBe(counts);
  });
  it('has steps of Vref/(2^N − 1)', () => {
    const step = 5 / 1023;
    for (let n = 0; n <= 1023; n++) expect(converterCounts(n * step, 5, 10)).toBe(n);
  });
});

describe('values', () => {
  const ohms = kindOf({ kind: 'resistor' }).params[0];
  it('questions a ten-million-ohm slip and offers what was meant', () => {
    expect(checkParam(ohms, 10e6)).toMatchObject({
      verdict: 'doubt',
      cure: expect.stringMatching(/10\skΩ/),
    });
  });
  it.each([0, -5, NaN, Infinity, 1e12])('refuses %d Ω', (value) => {
    expect(checkParam(ohms, value).verdict).toBe('refuse');
  });
  it('reads what was typed', () => {
    expect(readParam(ohms, '4k7')).toEqual({ value: 4700, verdict: { verdict: 'fine' } });
    expect(readParam(ohms, '4.7 bananas').verdict).toMatchObject({ verdict: 'refuse' });
  });
});

it('finds parts by what a maker would type', () => {
  expect(searchCatalog('beep').map((k) => k.kind)).toContain('sounder-12v');
  expect(searchCatalog('infrared beam').map((k) => k.kind)).toContain('infrared-emitter');
  expect(searchCatalog('')).toHaveLength(catalog.length);
  expect(searchCatalog('zzz')).toEqual([]);
});

it('a sound design has no problems', () => {
  expect(checkDesign(slipwayBeam())).toEqual([]);
});

it('every sensor tells how it ages', () => {
  const silent = catalog.filter(
    ({ stage, senses, emits, ages, kind }) =>
      stage === 'feels' && senses && !emits && kind !== 'recorded-sensor' && !ages,
  );
  expect(silent.map(({ kind }) => kind)).toEqual([]);
});
