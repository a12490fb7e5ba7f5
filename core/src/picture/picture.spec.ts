import { readFileSync } from 'node:fs';
import { sayReading } from '../catalog/index.js';
import { applyEdit, type Design } from '../design/index.js';
import { snapshot } from '../rehearsal/index.js';
import { foldsOf } from './folds.js';
import { layoutKey, pictureGraph } from './graph.js';
import { lineView } from './views.js';

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
    expect(card('U1')?.more).toBe('16 free pins');
    expect(
      pictureGraph(demo(), new Set(['U1'])).cards.find((c) => c.part.id === 'U1')?.tabs,
    ).toHaveLength(18);
  });

  it('stands what lies between supply and ground, or on the way to a supply, with the feeds', () => {
    const design = JSON.parse(readFileSync('demo/steps-lamp-at-dusk.yurei.json', 'utf8')) as Design;
    const { cards, lines } = pictureGraph(design, none);
    const feeds = cards.filter((c) => c.stage === 'feeds').map((c) => c.id);
    expect(feeds.sort()).toEqual(['C1', 'D1', 'F1', 'G1']);
    expect(lines.some((l) => l.from.startsWith('F1') && l.to.startsWith('D1'))).toBe(true);
    const part = { id: 'C9', name: 'Spare', kind: 'capacitor', params: {} };
    const loose = applyEdit(demo(), { type: 'add-part', part });
    const added = pictureGraph(loose, none).cards.find((c) => c.id === 'C9');
    expect(added?.stage).toBe('conditions');
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
    const placed = {
      id: 'w7',
      net: 'B1.e',
      read: true,
      path: '',
      label: { x: 0, y: 0 },
      grip: { x: 0, y: 0 },
      main: true,
    };
    const view = lineView(placed, { design, snapshot: seen, show: 'volts', oscillations: {} });
    expect(view.value).toMatch(/^4\.01.V$/);
    expect(view.counts).toBe(String(seen.counts['beam']));
    expect(
      lineView(placed, { design, snapshot: seen, show: 'amps', oscillations: {} }).value,
    ).toMatch(/.A$/);
  });
});

it('writes frequency and duty where a net swings', () => {
  const design = demo();
  const seen = snapshot(design, design.scenes[0]);
  const placed = {
    id: 'w15',
    net: '',
    read: false,
    path: '',
    label: { x: 0, y: 0 },
    grip: { x: 0, y: 0 },
    main: true,
  };
  const net = seen.solution.nets.find((n) => n.wires.some((w) => w.id === 'w15'));
  const oscillations = { [net?.name ?? '']: { hertz: 1440, duty: 0.667, low: 0, high: 5 } };
  const context = { design, snapshot: seen, show: 'volts', oscillations } as const;
  const view = lineView({ ...placed, net: net?.id ?? '' }, context);
  expect([view.value, view.counts]).toEqual(['1.44\u00a0kHz', '67 % high']);
  expect(view.title).toMatch(/swings at 1\.44.kHz, 67 % high/);
});

it('says a level as low or high, and what has been averaged as a share', () => {
  const design = demo();
  const channel = design.channels[0];
  channel.pin = 'U1.D8';
  design.controller.pins = [{ pin: 'U1.D8', mode: 'input' }];
  expect([0, 37.333, 100].map((counts) => sayReading(design, 'U1.D8', counts))).toEqual([
    'low',
    '37 % high',
    'high',
  ]);
  expect(sayReading(demo(), 'U1.A0', 822)).toBe('822 counts');
  expect(sayReading(demo(), 'U1.A0', 822, '')).toBe('822');
});

describe('folding', () => {
  const graph = (design: Design, alike = false) =>
    pictureGraph(design, none, foldsOf(design, alike));

  it('draws channels wired alike once, and says how many there are', () => {
    const design = JSON.parse(readFileSync('demo/varnish-bench-fire.yurei.json', 'utf8')) as Design;
    const [all, once] = [graph(design), graph(design, true)];
    expect(all.cards.some((c) => c.times > 1)).toBe(false);
    const shown = once.cards.filter((c) => c.times === 3);
    expect(shown.length).toBeGreaterThan(0);
    expect(once.cards).toHaveLength(all.cards.length - 2 * shown.length);
    const ids = new Set(once.cards.map((c) => c.id));
    for (const line of once.lines) expect(ids.has(line.from.split('.')[0])).toBe(true);
  });

  it('draws a collapsed group as one card, with a tab for each wire that leads out', () => {
    const group = { id: 'g1', name: 'Switch', parts: ['R2', 'Q1', 'D1'], collapsed: true };
    const design = applyEdit(demo(), { type: 'put-group', group });
    const { cards, lines } = graph(design);
    const card = cards.find((c) => c.id === 'g1');
    expect(cards.map((c) => c.id)).toEqual(expect.not.arrayContaining(group.parts));
    expect(card?.tabs.map((t) => t.ref).sort()).toEqual(['D1.a', 'Q1.c', 'R2.a']);
    expect(lines.some((l) => l.from === 'R2.b' || l.to === 'R2.b')).toBe(false);
    const open = applyEdit(demo(), { type: 'put-group', group: { ...group, collapsed: false } });
    expect(graph(open).cards).toHaveLength(10);
  });
});
