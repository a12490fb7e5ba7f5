import { channel, brief, onBoard, output } from '../testing/small.js';
import { islandsOf, type Islands } from './islands.js';

/** Ids on the same island as a place. */
const beside = (islands: Islands, place: string): string[] =>
  [...islands.on(islands.of([place]))].sort();

describe('islands', () => {
  const two = islandsOf(
    brief(
      'adapter G, push-button S, filament-lamp H, push-button T, resistor R, led D',
      'G.plus S.a, S.b H.a, H.b G.minus, G.plus T.a, T.b R.a, R.b D.a, D.k G.minus',
    ),
  );

  it('end at rails, and at what feeds them', () => {
    expect(beside(two, 'S')).toEqual(['H', 'S']);
    expect(beside(two, 'R.a')).toEqual(['D', 'R', 'T']);
    expect(two.of(['G', 'G.plus', 'nothing']).size).toBe(0);
  });

  it('reach from the arm of a servo to what it turns', () => {
    const turning = brief(
      'adapter G volts=5, servo M, phototransistor B, resistor R',
      'G.plus M.VCC, G.minus M.GND, G.plus B.c, B.e R.a, R.b G.minus',
    );
    const on = { x: 0, y: 0, facing: 0, on: 'M' };
    const mounted = turning.parts.map((p) => (p.id === 'B' ? { ...p, place: on } : p));
    expect(beside(islandsOf(turning), 'M')).toEqual(['M']);
    expect(beside(islandsOf({ ...turning, parts: mounted }), 'M')).toEqual(['B', 'M', 'R']);
  });

  it('are told of wires, channels and outputs by their ends', () => {
    const board = islandsOf(
      onBoard(
        'photoresistor B, resistor R, resistor E, led D',
        'U.5V B.a, B.b U.A0, R.a U.A0, R.b U.GND, U.D8 E.a, E.b D.a, D.k U.GND',
        {
          ...channel('U.A0', { trips: 'above' }),
          ...output('U.D8'),
        },
      ),
    );
    expect(beside(board, 'U.A0')).toEqual(['B', 'R']);
    expect(beside(board, 'c1')).toEqual(['B', 'R']);
    expect(beside(board, 'o1')).toEqual(['D', 'E']);
    expect(board.of(['w3', 'U.D8'])).toEqual(board.of(['B', 'D']));
  });

  it('hold what a part tells that is no terminal', () => {
    const bus = islandsOf(
      onBoard(
        'mat-capacitor A, resistor R, led D',
        'A.a U.D4, A.b U.D5, U.D8 R.a, R.b D.a, D.k U.GND',
        channel('A.picofarads'),
      ),
    );
    expect(bus.of(['c1'])).toEqual(bus.of(['A']));
    expect(bus.of(['A']).size).toBe(1);
    expect(bus.of(['A'])).not.toEqual(bus.of(['D']));
  });

  it('do not hold what leads power to a controller: all depends on that', () => {
    const fused = islandsOf(
      brief(
        'adapter G volts=9, fuse F, toggle-switch S, controller-5v-8bit U, resistor R, led D',
        'G.plus F.a, F.b S.a, S.b U.VIN, G.minus U.GND, U.D8 R.a, R.b D.a, D.k U.GND',
      ),
    );
    expect(fused.of(['F', 'S', 'F.b', 'U.VIN']).size).toBe(0);
    expect(beside(fused, 'D')).toEqual(['D', 'R']);
  });

  it('are one where light leads from one to the other', () => {
    const beam = islandsOf(
      brief(
        'adapter G, resistor R, infrared-emitter E, resistor S, phototransistor B, resistor T, led D',
        'G.plus R.a, R.b E.a, E.k G.minus, G.plus B.c, B.e S.a, S.b G.minus, G.plus T.a, T.b D.a, D.k G.minus',
      ),
    );
    expect(beside(beam, 'R')).toEqual(['B', 'E', 'R', 'S']);
    expect(beside(beam, 'T')).toEqual(['D', 'T']);
  });
});
