import { elementNodes } from '../element/index.js';
import { sketch } from '../testing/small.js';
import { Circuit } from '../circuit/index.js';
import {
  catalog,
  checkDesign,
  findKind,
  moduleElements,
  openModule,
  restStimulus,
} from './index.js';

const modules = catalog.filter((k) => k.inside);
const onTheBench = (kind: string, params = '') =>
  sketch(
    ['adapter G volts=5', `${kind} X ${params}`.trim(), 'resistor R'],
    ['G.plus X.VCC', 'X.GND G.minus', 'X.VCC R.a', 'R.b G.minus'],
  );

describe('taking modules apart', () => {
  it('knows more than one', () => expect(modules.length).toBeGreaterThan(8));

  it.each(modules.map((k) => [k.kind]))('%s becomes a sound design of its parts', (kind) => {
    const closed = sketch(['adapter G volts=5', `${kind} X`], []);
    const open = openModule(closed, 'X');
    expect(checkDesign(open)).toEqual([]);
    expect(open.parts.some((p) => p.id === 'X')).toBe(false);
    expect(open.parts.map((p) => p.id)).toContain('G');
    const pairs = open.wires.map((w) => [w.from, w.to].sort().join(' '));
    expect(new Set(pairs).size).toBe(pairs.length);
  });

  it('keeps the wires that led to it, with their colours, and names inner parts after it', () => {
    const closed = onTheBench('rain-module');
    closed.wires[0] = { ...closed.wires[0], colour: 'red', length: 2 };
    const open = openModule(closed, 'X');
    const [first] = open.wires;
    expect(first).toMatchObject({ id: 'w0', from: 'G.plus', colour: 'red', length: 2 });
    expect(first.to).toMatch(/^X_\w+\.\w+$/);
    expect(open.parts.filter((p) => p.id.startsWith('X_')).length).toBeGreaterThan(5);
  });

  it('gives its values to the parts inside', () => {
    const open = openModule(onTheBench('rain-module', 'turn=0.3 load=22000'), 'X');
    const inner = (id: string) => open.parts.find((p) => p.id === `X_${id}`)?.params;
    expect(inner('RV1')).toMatchObject({ turn: 0.3 });
    expect(inner('R1')).toEqual({ ohms: 22000 });
  });

  it('leaves a design as it is when there is nothing to take apart', () => {
    const design = onTheBench('rain-module');
    expect(openModule(design, 'R')).toBe(design);
    expect(openModule(design, 'nobody')).toBe(design);
  });

  it('puts inner parts where the module stood', () => {
    const design = onTheBench('reflective-module');
    const place = { x: 1, y: 2, facing: 90 };
    design.parts[1] = { ...design.parts[1], place };
    const open = openModule(design, 'X');
    for (const part of open.parts.filter((p) => p.id.startsWith('X_'))) {
      expect(part.place).toEqual(place);
    }
  });
});

it.each(catalog.filter((k) => k.ownLine).map((k) => [k.kind]))(
  '%s gives low just where what it reads is beyond its trimmer',
  (kind) => {
    const { ownLine } = findKind(kind) ?? {};
    const held = sketch(
      ['adapter G volts=5', 'adapter H volts=2', `${kind} X`, 'resistor R ohms=10'],
      ['G.plus X.VCC', 'X.GND G.minus', 'H.minus G.minus', 'H.plus R.a', 'R.b X.AO'],
    );
    const circuit = new Circuit(held);
    const at = (turn: number) => {
      circuit.setParams('X', { turn });
      const { X } = circuit.solve().parts;
      return { reads: X?.volts['AO'] ?? NaN, isLow: (X?.volts['DO'] ?? NaN) < 1 };
    };
    const share = at(0.5).reads / 5;
    expect(share).toBeCloseTo(0.4, 1);
    const [under, over] = [at(share - 0.03).isLow, at(share + 0.03).isLow];
    expect([under, over]).toEqual(ownLine?.trips === 'below' ? [false, true] : [true, false]);
  },
);

describe('the model of a module', () => {
  const state = { stimulus: restStimulus, celsius: 25, pins: {}, wired: () => true };
  it.each(modules.map((k) => [k.kind, k] as const))('%s: inner nodes are its own', (_, kind) => {
    if (!kind.inside) return;
    const params = Object.fromEntries(kind.params.map((p) => [p.id, p.default]));
    const elements = moduleElements(kind.inside, params, state);
    const outer = new Set(kind.terminals.map((t) => t.id));
    for (const node of elements.flatMap(elementNodes)) {
      expect(node.startsWith('#') || outer.has(node)).toBe(true);
    }
    // Every terminal of the board leads to something inside.
    const used = new Set(elements.flatMap(elementNodes));
    for (const id of outer) expect([id, used.has(id)]).toEqual([id, true]);
  });

  it('a relay board swaps which side of its input drives, not what it is made of', () => {
    const board = modules.find((k) => k.kind === 'relay-board-2');
    const types = (active: string): string[] =>
      board?.inside
        ? moduleElements(board.inside, { active, maxAmps: 10 }, state).map((e) => e.type)
        : [];
    expect(types('low')).toEqual(types('high'));
    const wires = (active: string): unknown => board?.inside?.wires({ active });
    expect(wires('low')).not.toEqual(wires('high'));
  });
});
