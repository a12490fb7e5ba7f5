import { Circuit, runTransient } from '../circuit/index.js';
import { rehearse } from '../rehearsal/index.js';
import { brief, onBoard, output, sceneOf, sketch } from '../testing/small.js';
import type { Drive } from '../design/index.js';
import { kindOf, paramsOf } from './index.js';
import { swing } from './swing.js';

/** A sounder a while behind a generator of square waves between 0 V and so much: how it is swung, and whether it is heard. */
function behind(kind: string, hertz: number, volts: number, seconds = 0.2) {
  const wave = `shape=1 hertz=${hertz} amplitude=${volts / 2} mean=${volts / 2} ohms=0.1`;
  const design = sketch([`signal-generator S ${wave}`, `${kind} X`], ['S.out X.a', 'X.b S.gnd']);
  const circuit = new Circuit(design);
  circuit.solve();
  const run = circuit.transient({});
  run.startAtRest();
  run.advance(seconds);
  const [, part] = design.parts;
  const solved = circuit.values('X').update();
  return {
    swung: swing(solved, 'b'),
    heard: kindOf(part).acts?.active(solved, paramsOf(part)),
    because: kindOf(part).acts?.because(solved, paramsOf(part)) ?? '',
  };
}

it.each([
  ['piezo-buzzer', 500, 5],
  ['piezo-buzzer', 1000, 3.3],
  ['speaker', 440, 5],
  ['speaker', 1000, 2],
])(
  '%s tells hertz times volts: %d Hz of %d V, less what its junctions drop',
  (kind, hertz, volts) => {
    const { swung, heard } = behind(kind, hertz, volts);
    // A charge pump hands on C·(Vpp − 2·Vd) each time (closed form); its junctions drop 0.1 to 0.3 V at a microampere.
    const left = (drop: number): number => hertz * (volts - 2 * drop);
    expect(swung).toBeGreaterThan(left(0.3));
    expect(swung).toBeLessThan(left(0.1));
    expect(heard).toBe(true);
  },
);

it.each([
  ['piezo-buzzer', 2],
  ['piezo-buzzer', 20],
  ['speaker', 2],
])('%s switched on and off %d times a second clicks, and is not heard as a tone', (kind, hertz) => {
  const { heard, because } = behind(kind, hertz, 5, 1.01 / hertz);
  expect([heard, because]).toEqual([false, expect.stringMatching(/only clicks|is heard from/)]);
});

it('a steady voltage and a steady current make no sound, however large', () => {
  for (const kind of ['piezo-buzzer', 'speaker']) {
    const design = brief(
      `adapter G volts=12, ${kind} X, resistor R ohms=100`,
      'G.plus R.a, R.b X.a, X.b G.minus',
    );
    const solved = new Circuit(design).solve().parts['X'];
    expect(kindOf({ kind }).acts?.active(solved, paramsOf(design.parts[1]))).toBe(false);
  }
});

describe('on the pin of a controller, in time', () => {
  const beeps = (drive: Drive) => {
    const design = onBoard(
      'piezo-buzzer P, push-button B',
      'P.a U.D9, P.b U.GND, B.a U.D4, B.b U.GND',
      {
        ...output('U.D9'),
        rules: [
          {
            ...output('U.D9').rules[0],
            when: { is: 'all', of: [] },
            then: [{ do: 'drive', output: 'o1', drive }],
          },
        ],
      },
    );
    const scene = sceneOf(3);
    return rehearse(design, scene, undefined, 'time').acting.filter((a) => a.part === 'P');
  };

  it('a dimmed pin makes it sound, and go on', () => {
    const acting = beeps({ as: 'level', level: 0.5 });
    expect(acting.map((a) => a.active)).toEqual([true]);
    expect(acting[0].t).toBeLessThan(0.05);
  });

  it('a pin that is on makes it click', () => {
    expect(beeps({ as: 'on' })).toEqual([]);
  });
});

it.each([
  ['low', true],
  ['high', false],
])('an audio player whose PLAY is %s makes its speaker sound: %s', (held, sounds) => {
  const design = sketch(
    ['adapter G volts=5', 'audio-player A', 'speaker X', 'resistor R ohms=100'],
    [
      ...['G.plus A.VCC', 'A.GND G.minus', 'A.sp X.a', 'A.sm X.b', 'A.PLAY R.a'],
      `R.b G.${held === 'low' ? 'minus' : 'plus'}`,
    ],
  );
  const { acting } = runTransient(design, { until: 0.2 });
  expect(acting.filter((a) => a.part === 'X').map((a) => a.active)).toEqual(sounds ? [true] : []);
});
