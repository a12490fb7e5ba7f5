import { readFileSync } from 'node:fs';
import { applyEdit, type Design } from '@yurei/core/design';
import { snapshot } from '@yurei/core/rehearsal';
import { impossible } from './connect';
import { layoutKey, pictureGraph } from './graph';
import { lineView } from './views';

const demo = (): Design => JSON.parse(readFileSync('demo/slipway-beam.yurei.json', 'utf8'));
const none = new Set<string>();

describe('the graph of the picture', () => {
  const graph = pictureGraph(demo(), none);
  const card = (id: string) => graph.cards.find((c) => c.part.id === id);

  it.each([
    ['B1', 'feels'],
    ['E1', 'feels'],
    ['R1', 'conditions'],
    ['U1', 'decides'],
    ['R2', 'drives'],
    ['Q1', 'drives'],
    ['D1', 'drives'],
    ['P1', 'acts'],
    ['G1', 'feeds'],
  ])('puts %s under %s', (id, stage) => {
    expect(card(id)?.stage).toBe(stage);
  });

  it('draws signal wires as lines, supply and ground as flags', () => {
    expect(graph.lines.map((l) => l.id).sort()).toEqual([
      'w10',
      'w11',
      'w13',
      'w15',
      'w4',
      'w7',
      'w8',
    ]);
    expect(card('U1')?.flags.map((f) => f.nature)).toEqual(['supply', 'supply', 'ground']);
    expect(card('U1')?.freePins).toBe(16);
    expect(
      pictureGraph(demo(), new Set(['U1'])).cards.find((c) => c.part.id === 'U1')?.tabs,
    ).toHaveLength(18);
  });

  it('leads from left to right', () => {
    const column = (ref: string) =>
      ['feels', 'conditions', 'decides', 'drives', 'acts'].indexOf(
        card(ref.split('.')[0])?.stage ?? '',
      );
    for (const line of graph.lines) expect(column(line.from)).toBeLessThanOrEqual(column(line.to));
  });

  it('is laid out anew for wiring, never for a value', () => {
    const key = layoutKey(graph);
    const value = applyEdit(demo(), { type: 'set-param', id: 'R1', param: 'ohms', value: 4700 });
    const wire = applyEdit(demo(), { type: 'remove-wire', id: 'w8' });
    expect(layoutKey(pictureGraph(value, none))).toBe(key);
    expect(layoutKey(pictureGraph(wire, none))).not.toBe(key);
  });

  it('writes volts and counts on the wire a channel reads', () => {
    const design = demo();
    const seen = snapshot(design, design.scenes[0]);
    const placed = { id: 'w7', net: 'B1.e', read: true, path: '', label: { x: 0, y: 0 } };
    const view = lineView(placed, design, seen, 'volts');
    expect(view.value).toMatch(/^4\.01.V$/);
    expect(view.counts).toBe(String(seen.counts['beam']));
    expect(lineView(placed, design, seen, 'amps').value).toMatch(/.A$/);
  });
});

describe('impossible ends of a wire', () => {
  it.each([
    ['R1.a', 'R1.a', /where the wire starts/],
    ['B1.e', 'U1.A0', /joined already/],
    ['R1.a', 'U1.A0', /joined already/],
    ['G1.plus', 'U1.5V', /fight each other/],
    ['U1.5V', 'G1.minus', /short the supply/],
    ['R3.a', 'E1.k', /short the supply/],
    ['R1.a', 'X1.a', /no such terminal/],
  ])('%s to %s', (from, to, reason) => {
    expect(impossible(demo(), from, to)).toMatch(reason);
  });
  it('leaves the others possible', () => {
    expect(impossible(demo(), 'R1.a', 'U1.A1')).toBe('');
  });
});
