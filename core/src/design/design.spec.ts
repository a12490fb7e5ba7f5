import fc from 'fast-check';
import { arbitraryDesign } from '../testing/arbitrary-design.js';
import { slipwayBeam } from '../testing/demo.js';
import { sketch } from '../testing/small.js';
import {
  applyEdit,
  deriveNets,
  emptyBrief,
  EditError,
  freshId,
  makeEdit,
  migrate,
  netIndex,
  redo,
  startHistory,
  type Design,
  type ReadingSet,
  type Target,
  undo,
  type Edit,
} from './index.js';

const editsFor = (design: ReturnType<typeof slipwayBeam>): fc.Arbitrary<Edit> => {
  const part = fc.constantFrom(...design.parts.map((p) => p.id), 'none');
  const wire = fc.constantFrom(...design.wires.map((w) => w.id), 'none');
  return fc.oneof(
    part.map((id): Edit => ({ type: 'remove-part', id })),
    wire.map((id): Edit => ({ type: 'remove-wire', id })),
    fc
      .tuple(part, fc.integer())
      .map(([id, value]): Edit => ({ type: 'set-param', id, param: 'ohms', value })),
    fc.tuple(part, part).map(([a, b]): Edit => ({
      type: 'add-wire',
      wire: { id: 'new', from: `${a}.a`, to: `${b}.b` },
    })),
    fc.string().map((title): Edit => ({ type: 'describe', fields: { title } })),
    fc.nat(900).map((threshold): Edit => ({
      type: 'put-channel',
      channel: { ...design.channels[0], threshold },
    })),
    fc.constant<Edit>({ type: 'remove-channel', id: 'beam' }),
    fc.constant<Edit>({ type: 'remove-happening', scene: 'night', id: 'h1' }),
    fc.constant<Edit>({ type: 'set-pin', pin: 'U1.D9', mode: 'output' }),
  );
};

describe('edits', () => {
  it('undo all after do any is the identity, and redo comes back to the same', () => {
    const start = slipwayBeam();
    fc.assert(
      fc.property(fc.array(editsFor(start), { maxLength: 15 }), (edits) => {
        let history = startHistory(start);
        for (const edit of edits) {
          try {
            history = makeEdit(history, edit);
          } catch (error) {
            expect(error).toBeInstanceOf(EditError);
          }
        }
        const end = history.present;
        while (history.done.length > 0) history = undo(history);
        expect(history.present).toEqual(slipwayBeam());
        while (history.undone.length > 0) history = redo(history);
        expect(history.present).toEqual(end);
      }),
    );
  });

  it('a removed part takes along its wires, channels, outputs and their rules', () => {
    const design = applyEdit(slipwayBeam(), { type: 'remove-part', id: 'U1' });
    expect(design.wires.some((w) => w.from.startsWith('U1.') || w.to.startsWith('U1.'))).toBe(
      false,
    );
    expect([design.channels, design.outputs, design.rules, design.controller.pins]).toEqual([
      [],
      [],
      [],
      [],
    ]);
  });

  const refused: [Edit, RegExp][] = [
    [
      { type: 'add-part', part: { id: 'R1', kind: 'resistor', name: '', params: {} } },
      /already a part R1/,
    ],
    [{ type: 'remove-part', id: 'R9' }, /no part R9/],
    [{ type: 'set-param', id: 'R9', param: 'ohms', value: 1 }, /no part R9/],
    [{ type: 'add-wire', wire: { id: 'x', from: 'R1.a', to: 'R1.a' } }, /two different ends/],
    [{ type: 'add-wire', wire: { id: 'x', from: 'U1.A0', to: 'B1.e' } }, /already joined/],
    [{ type: 'add-wire', wire: { id: 'w1', from: 'R1.a', to: 'R2.a' } }, /already a wire w1/],
    [{ type: 'add-wire', wire: { id: 'x', from: 'R1.a', to: 'Z1.a' } }, /no part Z1/],
    [{ type: 'remove-happening', scene: 'day', id: 'h1' }, /no scene day/],
  ];
  it.each(refused)('refuses %j', (edit, message) => {
    expect(() => applyEdit(slipwayBeam(), edit)).toThrow(message);
  });

  it('a drag is one step', () => {
    const channel = slipwayBeam().channels[0];
    let history = startHistory(slipwayBeam());
    for (const threshold of [100, 200, 300]) {
      history = makeEdit(
        history,
        { type: 'put-channel', channel: { ...channel, threshold } },
        'drag',
      );
    }
    expect(history.done).toHaveLength(1);
    expect(undo(history).present.channels[0].threshold).toBe(channel.threshold);
    expect(redo(undo(history)).present.channels[0].threshold).toBe(300);
  });
});

describe('nets', () => {
  it('do not depend on the order or the direction of wires', () => {
    fc.assert(
      fc.property(arbitraryDesign, fc.infiniteStream(fc.boolean()), (design, flips) => {
        const turned = [...design.wires]
          .reverse()
          .map((w) => (flips.next().value ? { ...w, from: w.to, to: w.from } : w));
        const terminals = (wires: typeof turned): string[][] =>
          deriveNets({ wires }).map((n) => n.terminals);
        expect(terminals(turned)).toEqual(terminals(design.wires));
      }),
    );
  });
  it('joins what wires join, and only that', () => {
    const { wires } = sketch([], ['A.1 B.1', 'B.1 C.1', 'D.1 E.1']);
    const nets = deriveNets({ wires });
    expect(nets.map((n) => n.terminals)).toEqual([
      ['A.1', 'B.1', 'C.1'],
      ['D.1', 'E.1'],
    ]);
    expect(netIndex(nets)('C.1')).toBe('A.1');
    expect(netIndex(nets)('F.1')).toBe('F.1');
  });
});

describe('migrations', () => {
  it('climb step by step and refuse newer and unknown versions', () => {
    const steps = {
      1: (d: object) => ({ ...d, two: true }),
      2: (d: object) => ({ ...d, three: true }),
    };
    expect(migrate({ version: 1 }, steps, 3)).toEqual({ version: 3, two: true, three: true });
    expect(() => migrate({ version: 4 }, steps, 3)).toThrow(/version 4.*up to version 3/);
    expect(() => migrate({ version: 0 }, steps, 3)).toThrow(/no design file version 0/);
  });
});

it('fresh ids fill the first gap', () => {
  expect(freshId('R', ['R1', 'R3'])).toBe('R2');
});

it('version 1 is brought up to date: ways, a plan that holds everything, levels as surroundings', () => {
  const old = {
    version: 1,
    parts: [
      { id: 'B1', kind: 'probe-rods', params: { level: 0.2, spacing: 0.03 } },
      { id: 'S1', kind: 'push-button', params: { pressed: 1 }, place: { x: -1, y: 2, facing: 0 } },
      'spoilt',
    ],
    scenes: [
      {
        ambient: { daylight: 5 },
        happenings: [{ id: 'h', from: { x: 0, y: 0 }, to: { x: 4, y: 7 } }],
      },
    ],
  };
  expect(migrate(old)).toMatchObject({
    version: 12,
    plan: { width: 7, depth: 9, walls: [] },
    recordings: [],
    parts: [{ params: { spacing: 0.03 } }, { params: {}, place: { x: 0, y: 2 } }, 'spoilt'],
    scenes: [
      {
        ambient: { daylight: 5, water: 0.2 },
        happenings: [
          {
            path: [
              { x: 1, y: 0 },
              { x: 5, y: 7 },
            ],
          },
        ],
      },
    ],
  });
});

describe('what happenings are aimed at', () => {
  const aimed = (target: Target): Design => {
    const design = slipwayBeam();
    const [scene, ...others] = design.scenes;
    const [first, ...rest] = scene.happenings;
    const happenings = [{ ...first, target }, ...rest];
    return { ...design, scenes: [{ ...scene, happenings }, ...others] };
  };
  const targetIn = (design: Design): Target | undefined => design.scenes[0].happenings[0].target;

  it('goes when its part goes, or its wire, also with a part; nothing else does', () => {
    const [wire] = slipwayBeam().wires;
    const end = wire.from.split('.')[0];
    const other = slipwayBeam().wires.find((w) => !w.from.startsWith(end) && !w.to.startsWith(end));
    for (const [target, edit] of [
      [
        { part: 'R1', param: 'ohms' },
        { type: 'remove-part', id: 'R1' },
      ],
      [{ wire: wire.id }, { type: 'remove-wire', id: wire.id }],
      [{ wire: wire.id }, { type: 'remove-part', id: end }],
    ] as [Target, Edit][]) {
      const after = applyEdit(aimed(target), edit);
      expect(targetIn(after)).toBeUndefined();
      expect(after.scenes[0].happenings).toHaveLength(slipwayBeam().scenes[0].happenings.length);
    }
    const kept = applyEdit(aimed({ wire: other?.id }), { type: 'remove-part', id: end });
    expect(targetIn(kept)).toEqual({ wire: other?.id });
  });

  it('stays with a wire that is only moved, and goes where its wire does not come back', () => {
    const [wire] = slipwayBeam().wires;
    const before = aimed({ wire: wire.id });
    const away = { type: 'remove-wire', id: wire.id } as const;
    const moved = { ...wire, from: wire.to, to: wire.from };
    const both = (edits: Edit[]): Design =>
      applyEdit(before, { type: 'batch', label: 'move', edits });
    expect(targetIn(both([away, { type: 'add-wire', wire: moved }]))).toEqual({ wire: wire.id });
    expect(targetIn(both([away]))).toBeUndefined();
    const renamed = { ...moved, id: 'another' };
    expect(targetIn(both([away, { type: 'add-wire', wire: renamed }]))).toBeUndefined();
  });
});

describe('groups', () => {
  const put = (design: Design, id: string, ...parts: string[]): Design =>
    applyEdit(design, { type: 'put-group', group: { id, name: id, parts, collapsed: true } });

  it('hold a part at most once, lose parts that go, and end when empty', () => {
    const both = put(put(slipwayBeam(), 'g1', 'R1', 'R2'), 'g2', 'R2', 'R3');
    expect(both.groups.map((g) => g.parts)).toEqual([['R1'], ['R2', 'R3']]);
    const less = applyEdit(both, { type: 'remove-part', id: 'R1' });
    expect(less.groups.map((g) => g.id)).toEqual(['g2']);
    expect(applyEdit(less, { type: 'remove-group', id: 'g2' }).groups).toEqual([]);
    expect(() => put(both, 'g3', 'R99')).toThrow(/no part R99/);
  });

  it('and pins carry what the firmware wants of them besides', () => {
    const pin = 'U1.D2';
    const set = applyEdit(slipwayBeam(), {
      type: 'set-pin',
      pin,
      mode: 'input',
      skill: 'interrupt',
    });
    expect(set.controller.pins.at(-1)).toEqual({ pin, mode: 'input', skill: 'interrupt' });
    const cleared = applyEdit(set, { type: 'clear-pin', pin });
    expect(cleared.controller).toEqual(slipwayBeam().controller);
  });
});

describe('reading sets', () => {
  const set: ReadingSet = {
    id: 's1',
    name: 'Night',
    channel: 'beam',
    intent: 'quiet',
    origin: 'typed',
    taken: '2026-11-25T21:00:00Z',
    every: 1,
    counts: [820, 821],
    excluded: [],
    conditions: {},
    notes: '',
  };
  const put = (change: Partial<ReadingSet> = {}): Edit => ({
    type: 'put-readings',
    set: { ...set, ...change },
  });

  it('are put, put anew under the same id, and removed', () => {
    const one = applyEdit(slipwayBeam(), put());
    expect(one.readings).toEqual([set]);
    const changed = applyEdit(one, put({ name: 'Dusk' }));
    expect(changed.readings).toEqual([{ ...set, name: 'Dusk' }]);
    expect(applyEdit(changed, { type: 'remove-readings', id: 's1' }).readings).toEqual([]);
  });

  it('go with their channel, and with the part that it reads', () => {
    const design = applyEdit(slipwayBeam(), put());
    expect(applyEdit(design, { type: 'remove-channel', id: 'beam' }).readings).toEqual([]);
    expect(applyEdit(design, { type: 'remove-part', id: 'U1' }).readings).toEqual([]);
  });

  it('belong to a channel that is there, and only what is there is removed', () => {
    expect(() => applyEdit(slipwayBeam(), put({ channel: 'west' }))).toThrow(/no channel west/);
    const remove: Edit = { type: 'remove-readings', id: 's1' };
    expect(() => applyEdit(slipwayBeam(), remove)).toThrow(EditError);
  });

  it('do not fill a design beyond what it holds', () => {
    const counts = Array<number>(20_000).fill(1);
    const ids = ['a', 'b', 'c', 'd', 'e'];
    const full = ids.reduce((d, id) => applyEdit(d, put({ id, counts })), slipwayBeam());
    expect(() => applyEdit(full, put({ id: 'f' }))).toThrow(
      /would have 100002 readings.*Remove sets/,
    );
    expect(applyEdit(full, put({ id: 'e', counts: [1] })).readings).toHaveLength(5);
  });

  it('version 3 had none; what else it said stands', () => {
    const old = { ...slipwayBeam(), version: 3, readings: undefined, rules: [] };
    const nothing = { readings: [], rules: [], brief: emptyBrief };
    expect(migrate(old)).toEqual({ ...slipwayBeam(), ...nothing });
  });
});

it('version 4 had rules of channels and one output; what they said stands', () => {
  const fires = { channels: ['beam'], output: 'sounder', hold: 6, latch: false };
  const old = {
    ...slipwayBeam(),
    version: 4,
    rules: [
      { id: 'r1', match: 'any', ...fires },
      { ...fires, id: 'r2', match: 'all', channels: ['a', 'b'] },
      5,
    ],
  };
  const [one, two, spoilt] = migrate(old)['rules'] as object[];
  expect(one).toEqual(slipwayBeam().rules[0]);
  const of = ['a', 'b'].map((channel) => ({ is: 'channel', channel }));
  expect(two).toEqual({ ...slipwayBeam().rules[0], id: 'r2', when: { is: 'all', of } });
  expect(spoilt).toBe(5);
});

it('version 5 had parameters that changed nothing; the others stand', () => {
  const parts = [
    { id: 'T1', kind: 'radio-link', params: { now: 1, power: 0.1, megahertz: 433e6 } },
    { id: 'Y1', kind: 'valve-12v', params: { ohms: 18, rest: 1 } },
    { id: 'R1', kind: 'resistor', params: { ohms: 470 } },
    { id: 'X1', kind: 'constructor', params: {} },
    { id: 'X2', kind: 'valve-12v' },
    7,
  ];
  expect(migrate({ ...slipwayBeam(), version: 5, parts })['parts']).toEqual([
    { id: 'T1', kind: 'radio-link', params: { now: 1 } },
    { id: 'Y1', kind: 'valve-12v', params: { ohms: 18 } },
    ...parts.slice(2),
  ]);
});
