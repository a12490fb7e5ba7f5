import type { Design, PinMode } from '../design/index.js';
import { sketch } from '../testing/small.js';
import { channelReader, findKind, readable, restStimulus, type SolvedPart } from './index.js';

const board = (pins: [string, PinMode][] = [], ...parts: string[]): Design => ({
  ...sketch(
    ['controller-5v-8bit U', 'resistor R', 'light-proximity-chip B', ...parts],
    ['U.A0 R.a', 'U.D2 R.b', 'U.A4 B.SDA', 'U.A5 B.SCL'],
  ),
  controller: { pins: pins.map(([pin, mode]) => ({ pin, mode })) },
});
const fed: SolvedPart = {
  volts: { '5V': 5, GND: 0, VCC: 4.4, SDA: 3.3, SCL: 3.3 },
  amps: {},
  watts: 0,
};

describe('how a channel is read', () => {
  it('an analogue pin by the converter, in counts of its full scale', () => {
    const reader = channelReader(board([['U.A0', 'analogue']]), 'U.A0');
    expect(reader).toMatchObject({ by: 'converter', full: 1023, part: 'U' });
    expect(reader?.by === 'converter' && reader.share(2.5, fed)).toBeCloseTo(511.5, 9);
  });

  it.each([
    [0.5, 0],
    [2.2, 50],
    [4, 100],
  ])('a digital input at %d V reads %d per cent', (volts, reading) => {
    const reader = channelReader(board([['U.D2', 'input']]), 'U.D2');
    expect(reader).toMatchObject({ by: 'level', full: 100, noise: 0 });
    expect(reader?.by === 'level' && reader.counts(volts, fed)).toBe(reading);
  });

  it('an analogue pin that is set up as an input is a digital one', () => {
    expect(channelReader(board([['U.A0', 'pull-up']]), 'U.A0')).toMatchObject({ by: 'level' });
  });

  it('an unfed controller reads no level', () => {
    const reader = channelReader(board([['U.D2', 'input']]), 'U.D2');
    const dead = { ...fed, volts: { '5V': 0, GND: 0 } };
    expect(reader?.by === 'level' && reader.counts(4, dead)).toBeUndefined();
  });

  it('a readout by its name, held within its range, while the bus rests high', () => {
    const reader = channelReader(board(), 'B.ambient');
    expect(reader).toMatchObject({ by: 'readout', full: 65535, label: 'Ambient light' });
    const counts = (light: number, solved: SolvedPart = fed): number | undefined =>
      reader?.by === 'readout' ? reader.counts({ ...restStimulus, light }, solved) : NaN;
    expect(counts(100)).toBe(2000);
    expect(counts(1e5)).toBe(65535);
    expect(counts(100, { ...fed, volts: { ...fed.volts, SDA: 0.5 } })).toBeUndefined();
    expect(counts(100, { ...fed, volts: { ...fed.volts, VCC: 1.5 } })).toBeUndefined();
  });

  it('nothing else', () => {
    for (const ref of ['R.a', 'B.SDA', 'U.VIN.x', 'Z.A0']) {
      const reader = channelReader(board(), ref);
      expect(reader?.by === 'converter').toBe(false);
    }
    expect(channelReader(board(), 'R.a')).toBeUndefined();
    expect(channelReader(board(), 'Z.A0')).toBeUndefined();
  });

  it('offers wired pins and all readouts', () => {
    expect(readable(board())).toEqual(['U.A0', 'U.A4', 'U.A5', 'U.D2', 'B.ambient', 'B.proximity']);
  });
});

/** Everything through which the part of a readout answers wired to a pin. */
function joined(design: Design, ref: string): Design {
  const [part, id] = ref.split('.');
  const kind = design.parts.find((p) => p.id === part)?.kind ?? '';
  const { through = [] } = findKind(kind)?.reads?.find((r) => r.id === id) ?? {};
  const wires = through.map((own, i) => ({
    id: `j${i}`,
    from: `U.D${3 + i}`,
    to: `${part}.${own}`,
  }));
  return { ...design, wires: [...design.wires, ...wires] };
}

describe('numbers that parts give', () => {
  const reading = (ref: string, stimulus: object, ...parts: string[]): number => {
    const reader = channelReader(joined(board([], ...parts), ref), ref);
    const told = reader?.by === 'readout' && reader.counts({ ...restStimulus, ...stimulus }, fed);
    return typeof told === 'number' ? told : NaN;
  };
  it('more pulses and current see farther and saturate nearer', () => {
    const near = (params: string): number =>
      reading('P.proximity', { reflection: 200 }, `light-proximity-chip P ${params}`);
    const weak = near('pulses=1 range=0');
    const strong = near('pulses=8 range=1');
    expect(strong - 12).toBeCloseTo(16 * (weak - 12), 6);
    expect(near('pulses=64 range=2')).toBe(1023);
  });
  it('longer integration counts more lux per count', () => {
    const lux = (time: number): number =>
      reading('P.ambient', { light: 100 }, `light-proximity-chip P time=${time}`);
    expect([0, 1, 2, 3].map(lux)).toEqual([250, 1000, 2000, 8000]);
  });
  it.each([
    [0, 1800],
    [45, 2250],
    [-90, 900],
  ])('a heading of %d° reads %d tenths about 180°', (heading, tenths) => {
    expect(reading('H.heading', { heading }, 'heading-sensor H')).toBeCloseTo(tenths, 9);
  });
  it('a magnet by the compass turns its reading', () => {
    const by = (field: number): number =>
      reading('H.heading', { heading: 30, field }, 'heading-sensor H');
    expect(Math.abs(by(200e-6) - 1800)).toBeLessThan(60);
    expect(by(0)).toBeCloseTo(2100, 9);
  });
  it.each([
    ['T.temperature', { temperature: -10 }, 4500 - 1000 + 20, 'temperature-humidity-chip T'],
    ['T.humidity', { humidity: 65 }, 6500, 'temperature-humidity-chip T'],
    ['F.rate', { flow: 6 }, 450, 'flow-sensor F'],
    ['F.rate', { flow: 0.5 }, 0, 'flow-sensor F'],
    ['L.picofarads', { water: 0 }, 20, 'level-strip L'],
    ['K.counts', { touch: 5e-12 }, 150, 'touch-pad K'],
  ])('%s with %j reads %d', (ref, stimulus, counts, part) => {
    expect(reading(ref, stimulus, part)).toBeCloseTo(counts, 6);
  });
});

describe('a number comes over wires', () => {
  const answers = (parts: string[], wires: string[], ref: string): boolean => {
    const reader = channelReader(sketch(['controller-5v-8bit U', ...parts], wires), ref);
    return reader?.by === 'readout' && reader.counts(restStimulus, fed) !== undefined;
  };
  const chip = 'temperature-humidity-chip T';
  const pullUps = ['resistor P', 'resistor Q', 'adapter G'];
  const pulled = ['P.a G.plus', 'Q.a G.plus', 'P.b T.SDA', 'Q.b T.SCL'];
  it.each<[string, boolean, string[], string[], string]>([
    ['both plates at pins', true, ['mat-capacitor M'], ['M.a U.D3', 'M.b U.D4'], 'M.picofarads'],
    ['one plate at ground', true, ['mat-capacitor M'], ['M.a U.D3', 'M.b U.GND'], 'M.picofarads'],
    ['one plate cut off', false, ['mat-capacitor M'], ['M.a U.D3'], 'M.picofarads'],
    ['both at ground', false, ['mat-capacitor M'], ['M.a U.GND', 'M.b U.GND'], 'M.picofarads'],
    ['no wire at all', false, ['mat-capacitor M'], [], 'M.picofarads'],
    ['both lines at pins', true, [chip], ['T.SDA U.A4', 'T.SCL U.A5'], 'T.humidity'],
    [
      'one line cut behind its pull-up',
      false,
      [chip, ...pullUps],
      [...pulled, 'T.SCL U.A5'],
      'T.humidity',
    ],
    ['both cut behind their pull-ups', false, [chip, ...pullUps], pulled, 'T.humidity'],
    [
      'through a cable',
      true,
      [chip, 'cable C'],
      ['T.SDA C.a1', 'T.SCL C.b1', 'C.a2 U.A4', 'C.b2 U.A5'],
      'T.humidity',
    ],
    [
      'a cable with one core left off',
      false,
      [chip, 'cable C'],
      ['T.SDA C.a1', 'T.SCL C.b1', 'C.a2 U.A4'],
      'T.humidity',
    ],
    [
      'another chip does not pass it on',
      false,
      [chip, 'heading-sensor H'],
      ['T.SDA H.SDA', 'T.SCL H.SCL', 'H.SCL U.A5'],
      'T.humidity',
    ],
    [
      'through level shifters',
      true,
      [chip, 'level-shifter S', 'level-shifter V'],
      ['T.SDA S.low', 'T.SCL V.low', 'S.high U.A4', 'V.high U.A5'],
      'T.humidity',
    ],
  ])('%s: %s', (_, expected, parts, wires, ref) => {
    expect(answers(parts, wires, ref)).toBe(expected);
  });
});
