/** Where a stretch may come again: by volts, charges and what no volts tell. */
import type { Network } from '../circuit/index.js';
import { Repeats, type Stretch } from './repeats.js';

/** A circuit of one battery of 1000 A·s, something warm, and one node. */
function circuit(charge: number, heat: number, volts: number) {
  const system = { q: Float64Array.of(charge, heat), x: Float64Array.of(volts) };
  const network = { slow: [{ state: 0, full: 1000 }], system, modes: [0] } as unknown as Network;
  const repeats = new Repeats(network, undefined as never, undefined);
  const stand = (...[c, h, v]: [number, number, number]): void => {
    [system.q[0], system.q[1], system.x[0]] = [c, h, v];
  };
  return { repeats, stand };
}

const stretch = (repeats: Repeats): Stretch =>
  repeats.since(repeats.standing(0), repeats.standing(8));

it.each<[string, [number, number, number], boolean]>([
  ['as it stood', [900, 0.2, 12], true],
  ['a volt is another', [900, 0.2, 12.001], false],
  ['it is a little warmer', [900, 0.2001, 12], true],
  ['it is warmer, which no volts tell', [900, 0.21, 12], false],
  ['the battery has given a little', [899.5, 0.2, 12], true],
  ['the battery has given more', [898, 0.2, 12], false],
])('%s', (_, now, isLike) => {
  const { repeats, stand } = circuit(900, 0.2, 12);
  const known = stretch(repeats);
  stand(...now);
  expect(repeats.isLike(known)).toBe(isLike);
});

it('a round tells by how much volts go with the charge', () => {
  const { repeats, stand } = circuit(900, 0.2, 12);
  const known = stretch(repeats);
  const begins = repeats.standing(0);
  stand(899.9, 0.2, 11.9999);
  repeats.round(begins, repeats.standing(8));
  stand(899.2, 0.2, 11.9992);
  expect(repeats.isLike(known)).toBe(true);
  stand(899.2, 0.2, 12);
  expect(repeats.isLike(known)).toBe(false);
});

it('what adds the same when it is followed anew may come again for longer', () => {
  const { repeats, stand } = circuit(900, 0.2, 12);
  const known = stretch(repeats);
  const adding = (by: number): Stretch => ({ ...known, adds: [by] });
  stand(898, 0.2, 12);
  expect(repeats.isAnew(adding(-0.1), adding(-0.1))).toBe(true);
  expect(repeats.isLike(known)).toBe(true);
  expect(repeats.isAnew(adding(-0.1), adding(-0.1001))).toBe(true);
  expect(repeats.isLike(known)).toBe(false);
  const warmer = { ...known, begins: { ...known.begins, states: Float64Array.of(900, 0.3) } };
  expect(repeats.isAnew(warmer, known)).toBe(false);
});
