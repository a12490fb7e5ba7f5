import { rehearse } from '../rehearsal/index.js';
import { slipwayBeam } from '../testing/demo.js';
import { writeVcd } from './index.js';

/** A small reader of value change dumps, written from clause 18 of IEEE 1364-2005 alone. */
function readVcd(text: string): { timescale: string; signals: Record<string, [number, number][]> } {
  const tokens = text.split(/\s+/).filter(Boolean);
  const names = new Map<string, string>();
  const signals: Record<string, [number, number][]> = {};
  const scope: string[] = [];
  let timescale = '';
  let now = 0;
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i];
    const body = (): string[] => {
      const words: string[] = [];
      while (tokens[++i] !== '$end') words.push(tokens[i]);
      return words;
    };
    if (token === '$timescale') timescale = body().join(' ');
    else if (token === '$scope') scope.push(body()[1]);
    else if (token === '$upscope') {
      body();
      scope.pop();
    } else if (token === '$var') {
      const [, , code, name] = body();
      names.set(code, [...scope, name].join('.'));
    } else if (token.startsWith('$')) body();
    else if (token.startsWith('#')) now = Number(token.slice(1));
    else if (token.startsWith('r')) note(tokens[++i], Number(token.slice(1)));
    else note(token.slice(1), Number(token[0]));
  }
  function note(code: string, value: number): void {
    const name = names.get(code);
    if (name === undefined) throw new Error(`no signal ${code}`);
    (signals[name] ??= []).push([now, value]);
  }
  return { timescale, signals };
}

it('says what the rehearsal recorded, to the microsecond, in order of time', () => {
  const design = slipwayBeam();
  const rehearsal = rehearse(design, design.scenes[0]);
  const { timescale, signals } = readVcd(writeVcd(design, rehearsal));
  expect(timescale).toBe('1 us');
  const told = signals['counts.Beam'];
  expect(told).toHaveLength(rehearsal.readings['beam'].times.length);
  told.forEach(([t, value], i) => {
    expect(t).toBe(Math.round(rehearsal.readings['beam'].times[i] * 1e6));
    expect(value).toBe(rehearsal.readings['beam'].values[i]);
  });
  expect(signals['outputs.Sounder'].map(([, v]) => v)).toEqual(
    Object.values(rehearsal.outputs)[0].values,
  );
  for (const [net, { values }] of Object.entries(rehearsal.nets))
    expect(signals[`volts.${net}`].map(([, v]) => v)).toEqual(values);
  for (const course of Object.values(signals))
    course.forEach(([t], i) => expect(t).toBeGreaterThanOrEqual(course[i - 1]?.[0] ?? 0));
});

it('gives every signal a code of its own, however many there are', () => {
  const design = slipwayBeam();
  const trace = { times: [0], values: [1] };
  const nets = Object.fromEntries(Array.from({ length: 10_000 }, (_, i) => [`n${i}`, trace]));
  const rehearsal = { ...rehearse(design, { ...design.scenes[0], duration: 0.1 }), nets };
  const { signals } = readVcd(writeVcd(design, rehearsal));
  expect(Object.keys(signals).filter((name) => name.startsWith('volts.'))).toHaveLength(10_000);
});
