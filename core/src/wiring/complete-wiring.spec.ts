import { readdirSync } from 'node:fs';
import { catalog } from '../catalog/index.js';
import { terminalRef } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { brief, onBoard } from '../testing/small.js';
import { completeWiring, sayWiring } from './index.js';

const bench = onBoard('pyroelectric-module B1, led H1', 'B1.VCC U.5V, B1.GND U.GND');
const sentences = (text: string, most?: number) =>
  completeWiring(bench, text, most).map((c) => c.sentence);

describe('a wire that is being typed goes on', () => {
  it.each([
    ['ou', 'OUT of B1 to '],
    ['out b', 'OUT of B1 to '],
    ['B1.O', 'OUT of B1 to '],
    ['OUT of B1 to d7', 'OUT of B1 to D7 of U'],
    ['OUT of B1 and u d7', 'OUT of B1 and D7 of U'],
  ])('“%s” with “%s”', (typed, sentence) => {
    expect(sentences(typed)[0]).toBe(sentence);
  });

  it('with nothing where nothing was typed, or nothing begins so', () => {
    expect([
      sentences(''),
      sentences('   '),
      sentences('zzz'),
      sentences('OUT of B1 to q'),
    ]).toEqual([[], [], [], []]);
  });

  it('where a word only begins like one that joins: it is no second end yet', () => {
    const touch = brief('touch-module S1, led H1', '');
    const named = {
      ...touch,
      parts: touch.parts.map((p) => (p.id === 'S1' ? { ...p, name: 'Touch' } : p)),
    };
    const offered = completeWiring(named, 'out of tou').map((c) => c.sentence);
    expect(offered).toEqual(['OUT of S1 to ']);
  });

  it('never back to the part that it comes from', () => {
    expect(sentences('OUT of B1 to ', 500).some((s) => s.endsWith('of B1'))).toBe(false);
  });

  it('to what is free before what has a wire', () => {
    const ends = completeWiring(bench, 'v', 500).map((c) => c.end);
    expect(ends.indexOf('B1.VCC')).toBeGreaterThan(ends.indexOf('U.VIN'));
  });
});

const demoNames = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));

it.each(demoNames)('what is offered in %s means that end and no other', (name) => {
  const design = demo(name);
  const second = design.parts.flatMap((part) => completeWiring(design, `X to ${part.id}`, 500));
  expect(second.length).toBeGreaterThan(0);
  for (const { sentence, end } of second) {
    const [, half] = sentence.split(' to ');
    const other = design.parts.find((p) => !end.startsWith(`${p.id}.`));
    const first = completeWiring(design, other?.id ?? '', 1)[0];
    expect([sentence, sayWiring(design, first.sentence + half)]).toEqual([
      sentence,
      { ok: true, from: first.end, to: end },
    ]);
  }
});

it('every terminal of every kind can be offered and is understood', () => {
  const misread = catalog.flatMap(({ kind, terminals }) => {
    const design = brief(`${kind} X9, led H9`, '');
    return terminals.flatMap(({ id }) => {
      const end = terminalRef('X9', id);
      const offered = completeWiring(design, 'A of H9 to X9', 500).find((c) => c.end === end);
      const said = offered && sayWiring(design, offered.sentence);
      return said?.ok && said.to === end ? [] : [`${end} of ${kind}: ${offered?.sentence}`];
    });
  });
  expect(misread).toEqual([]);
});
