/** Mistakes that were once missed, told at the wrong place, or made worse by what was proposed. */
import { readdirSync } from 'node:fs';
import { applyEdit, type Design, type Edit, type TerminalRef } from '../design/index.js';
import { kindOf } from '../catalog/index.js';
import { check, fiveQuestions, gatherEvidence } from '../check/index.js';
import { demo } from '../testing/demo.js';
import { brief, channel, onBoard, output, placed } from '../testing/small.js';
import { Draft, swapEnds, wiringOf } from '../wiring/index.js';
import { wentWrong } from '../rehearsal/index.js';
import { Play } from '../rehearsal/play.js';
import { diagnose, outcomesOf, proofOf, prove, type Diagnosis } from './index.js';
import { missingTwins } from './missing-twins.js';

const seen = (design: Design): Diagnosis => diagnose(design, design.scenes[0]);

/** The design with the wires of two terminals exchanged. */
function exchanged(design: Design, a: TerminalRef, b: TerminalRef): Design {
  const draft = new Draft(design);
  swapEnds(draft, a, b);
  return draft.design;
}

/** The design without the wires at a terminal. */
const without = (design: Design, ref: TerminalRef): Design => ({
  ...design,
  wires: design.wires.filter((w) => w.from !== ref && w.to !== ref),
});

const open = (design: Design): string[] =>
  check(gatherEvidence(design, design.scenes[0]))
    .filter((f) => f.severity === 'error' || f.severity === 'caution')
    .map((f) => f.id);

/** The first cure of the only root leaves nothing to find that was not there in the sound design. */
function expectCured(bad: Design, sound: Design, label?: RegExp): void {
  const { roots } = seen(bad);
  const fresh = roots.filter((r) => !open(sound).includes(r.finding.id));
  expect(fresh).toHaveLength(1);
  const [cure] = fresh[0].cures;
  if (label) expect(cure.label).toMatch(label);
  expect(open(applyEdit(bad, cure.edit))).toEqual(open(sound));
}

const slipway = demo('slipway-beam');

describe('a horn without its plus wire', () => {
  const bad = without(slipway, 'P1.plus');
  it('is nothing that it would not survive', () => {
    const evidence = gatherEvidence(bad, bad.scenes[0]);
    const survives = fiveQuestions(evidence, check(evidence), undefined).find(
      (answer) => answer.id === 'survives',
    );
    expect(survives?.state).not.toBe('error');
  });
  it('is an error that names the horn, and the wire that is missing', () => {
    const { roots } = seen(bad);
    expect(roots).toHaveLength(1);
    expect(roots[0].finding).toMatchObject({ severity: 'error', about: ['P1'] });
    expect(roots[0].cures[0]).toMatchObject({ label: 'Join P1.plus and G1.plus' });
    expect(roots[0].cures[0].meter).toMatch(/P1/);
  });
});

const actuators = [
  'varnish-bench-fire',
  'sail-loft-motion',
  'fuel-locker-vapour',
  'fuel-locker-loop',
]
  .map((name) => [name, demo(name)] as const)
  .flatMap(([name, design]) =>
    design.parts
      .filter((p) => kindOf(p).stage === 'acts' && kindOf(p).acts)
      .map((p) => [`${p.name} of ${name}`, design, p.id] as const),
  );

it.each(actuators)('%s without its plus lead is found and named', (_, design, id) => {
  const kind = kindOf({
    kind: design.parts.find((p) => p.id === id)?.kind ?? '',
  } as Design['parts'][number]);
  const plus = `${id}.${kind.terminals[0].id}`;
  const { roots } = seen(without(design, plus));
  const named = roots.flatMap(({ finding, effects }) => [finding, ...effects]);
  expect(named.filter((f) => f.severity === 'error').flatMap((f) => f.about)).toContain(id);
});

describe('grounds that a signal wire alone joins', () => {
  const split = onBoard(
    'adapter E volts=12, sounder-12v P, rectifier-diode D, logic-mosfet Q, resistor R ohms=220, resistor S ohms=10000',
    'U.D8 R.a, R.b Q.g, Q.g S.a, S.b Q.s, E.plus P.plus, P.minus Q.d, D.a P.minus, D.k P.plus, Q.s E.minus',
    output('U.D8'),
  );
  it('are the root, and joining them is the only cure', () => {
    const [root, ...others] = seen(split).roots;
    expect(root.finding.code).toBe('ground-split');
    expect(root.cures).toHaveLength(1);
    const joined = wiringOf(applyEdit(split, root.cures[0].edit));
    expect(joined.same('E.minus', 'G.minus')).toBe(true);
    expect(others.map((r) => r.finding.code)).not.toContain('pull-up-missing');
  });
});

describe('what is put in the wrong way', () => {
  it.each([
    ['legs of a transistor', 'slipway-beam', 'Q1.b', 'Q1.c', /^Exchange Q1\.b and Q1\.c$/],
    ['legs of a transistor', 'slipway-beam', 'Q1.c', 'Q1.e', /^Exchange Q1\.c and Q1\.e$/],
    ['legs of a MOSFET', 'sail-loft-motion', 'Q2.g', 'Q2.d', /^Exchange Q2\.g and Q2\.d$/],
    ['VCC and OUT', 'sail-loft-motion', 'B1.VCC', 'B1.OUT', /B1\.VCC and B1\.OUT$/],
    ['a coil diode', 'slipway-beam', 'D1.a', 'D1.k', /^Turn D1 round$/],
    ['a beam lamp', 'slipway-beam', 'E1.a', 'E1.k', /^Turn E1 round$/],
    ['a supply', 'slipway-beam', 'G1.plus', 'G1.minus', /^Turn G1 round$/],
    ['a board’s supply', 'slipway-beam', 'U1.VIN', 'U1.GND', /U1\.VIN and U1\.GND$/],
    ['NO and NC', 'drying-room-fan', 'K1.no', 'K1.nc', /^Exchange K1\.no and K1\.nc$/],
    ['two pins', 'slipway-beam', 'U1.A0', 'U1.D8', /^Exchange U1\.A0 and U1\.D8$/],
    // A sensor set the other way would make it work as well, and is less likely.
    ['a diode of a loop', 'fuel-locker-loop', 'D1.a', 'D1.k', /^Turn D1 round$/],
  ])('%s of %s: %s and %s', (_, name, a, b, label) => {
    const sound = demo(name);
    expectCured(exchanged(sound, a, b), sound, label);
  });
});

it('a common and a contact exchanged: no spare contact beside it is joined instead', () => {
  const regatta = demo('regatta-figurehead');
  expectCured(exchanged(regatta, 'K1.COM3', 'K1.NC3'), regatta, /^Exchange K1\.COM3 and K1\.NC3$/);
});

it('comparator inputs exchanged: that is among what fits, and nothing that adds a part', () => {
  const sound = demo('bilge-sump');
  const [root] = seen(exchanged(sound, 'U1.plus', 'U1.minus')).roots;
  expect(root.finding.code).toBe('acts-at-rest');
  const labels = root.cures.map((c) => c.label);
  expect(labels).toContain('Exchange U1.plus and U1.minus');
  expect(labels.join()).not.toMatch(/Add/);
});

describe('values', () => {
  it('a lamp resistor of a tenth is named, and not another that shares its net', () => {
    const bad = applyEdit(slipway, { type: 'set-param', id: 'R3', param: 'ohms', value: 6.8 });
    const [root] = seen(bad).roots;
    expect(root.cures.map((c) => c.label)).toEqual([expect.stringMatching(/^R3 → 68\sΩ$/)]);
  });
  it('where two fit alike, both are offered', () => {
    const bad = applyEdit(slipway, { type: 'set-param', id: 'R3', param: 'ohms', value: 680 });
    const labels = seen(bad).roots[0].cures.map((c) => c.label);
    expect(labels.map((l) => l.replace(/\s/g, ' '))).toEqual(['R3 → 68 Ω', 'R1 → 100 kΩ']);
  });
});

describe('roots and what follows', () => {
  it('one wire of the supply: eight findings, one root', () => {
    const [root, ...others] = seen(without(slipway, 'G1.minus')).roots;
    expect(others).toEqual([]);
    expect(root.effects.length).toBeGreaterThanOrEqual(5);
    expect(root.finding.severity).toBe('error');
  });
  it('two slips far apart are two roots', () => {
    const bad = exchanged(exchanged(slipway, 'Q1.b', 'Q1.c'), 'E1.a', 'E1.k');
    const labels = seen(bad).roots.map((r) => r.cures[0]?.label);
    expect(labels.sort()).toEqual(['Exchange Q1.b and Q1.c', 'Turn E1 round']);
  });
  it('nothing is wrong with the sound one', () => {
    expect(seen(slipway).roots).toEqual([]);
  });
});

describe('cures', () => {
  it('bring no finding, and make none worse', () => {
    const bad = exchanged(slipway, 'P1.plus', 'P1.minus');
    const before = new Set(open(bad));
    const cures = seen(bad).roots.flatMap((r) => r.cures);
    expect(cures.length).toBeGreaterThan(0);
    for (const { edit } of cures)
      expect(open(applyEdit(bad, edit)).filter((id) => !before.has(id))).toEqual([]);
  });
  it.each([
    ['a resistor that is only too hot in the worst case', 'R3', 'watts', 0.2],
    ['a tenth of a base resistor', 'R2', 'ohms', 82],
    ['ten times a base resistor', 'R2', 'ohms', 8200],
  ])('clear all that is said to go with them, worst cases and all: %s', (_, id, param, value) => {
    const bad = applyEdit(slipway, { type: 'set-param', id, param, value });
    const [root] = seen(bad).roots;
    expect(root.cures.length).toBeGreaterThan(0);
    const left = open(applyEdit(bad, root.cures[0].edit));
    for (const { id: told } of [root.finding, ...root.effects]) expect(left).not.toContain(told);
  });
  it('are not guessed as long as an error stays that none of them clears', () => {
    const bad = applyEdit(slipway, { type: 'remove-part', id: 'B1' });
    const { roots } = seen(bad);
    expect(roots.some((r) => r.finding.code === 'channel-blind')).toBe(true);
    expect(roots.flatMap((r) => r.cures).filter((c) => c.kind === 'mistake')).toEqual([]);
  });
  it('tell what they do to the verdicts', () => {
    const bad = exchanged(slipway, 'Q1.b', 'Q1.e');
    const [cure] = seen(bad).roots[0].cures;
    const proof = prove(bad, cure);
    expect(proof.worse).toEqual([]);
    expect(proof.better).toContain('Footsteps and a gull: “Someone walks up the slipway” noticed');
  });
  it('are held one after the other against scenes that are gone through once without any', () => {
    const design = { ...slipway };
    const same: Edit = { type: 'describe', fields: { title: slipway.title } };
    const runs = jest.spyOn(Play.prototype, 'run');
    const often = [1, 2].map(() => {
      prove(design, { edit: same });
      return runs.mock.calls.length;
    });
    runs.mockRestore();
    const [first = 0, both = 0] = often;
    expect(first).toBeGreaterThan(0);
    // Without it, with it; then with it alone.
    expect(both / first).toBe(3 / 2);
  });
  it('that make a verdict worse are known for it', () => {
    const deaf: Edit = { type: 'set-param', id: 'R1', param: 'ohms', value: 100 };
    expect(prove(slipway, { edit: deaf }).worse.length).toBeGreaterThan(0);
  });
  it('that lose a good verdict are known for it, also where neither run reaches the end', () => {
    const scene = slipway.scenes[0];
    const { verdicts } = outcomesOf(slipway, scene);
    const halted = { t: 1, because: 'it was stopped' };
    const good = verdicts.filter((v) => !wentWrong(v.outcome));
    const before = { verdicts, spurious: [], halted };
    const after = { verdicts: [], spurious: [], halted };
    expect(good.length).toBeGreaterThan(0);
    expect(proofOf([{ scene, before, after }]).worse).toEqual(
      good.map(({ name }) => `${scene.name}: “${name}” no longer followed so far`),
    );
  });
});

it('knows a mat by its wires, and a chip by its bus', () => {
  const mat = demo('boarding-mat');
  const cut = {
    ...mat,
    wires: mat.wires.filter((w) => !/^B1\./.test(w.from) && !/^B1\./.test(w.to)),
  };
  expect(seen(cut).roots.length).toBeGreaterThan(0);
  const compass = demo('compass-light');
  const { roots } = seen(without(without(compass, 'B1.SDA'), 'B1.SCL'));
  expect(
    roots.flatMap(({ finding, effects }) => [finding, ...effects].map((f) => f.code)),
  ).toContain('sensor-unread');
});

it('a resistor that was forgotten is proposed where it belongs', () => {
  const sound = placed(
    onBoard(
      'photoresistor B, resistor R ohms=10000',
      'U.5V B.a, B.b R.a, R.b U.GND, B.b U.A0',
      channel('U.A0', { threshold: 600 }),
    ),
  );
  const bad = applyEdit(sound, { type: 'remove-part', id: 'R' });
  const [root] = seen(bad).roots;
  expect(root.cures[0].label).toMatch(/^Add 10\skΩ between/);
});

it('without a controller what never acts is found as well', () => {
  const sound = placed(
    brief(
      'adapter G, push-button S, resistor R ohms=1000, npn-transistor Q, sounder-12v P, rectifier-diode D',
      'G.plus P.plus, P.minus Q.c, Q.e G.minus, G.plus S.a, S.b R.a, R.b Q.b, D.a P.minus, D.k P.plus',
    ),
  );
  expectCured(exchanged(sound, 'Q.c', 'Q.b'), sound, /^Exchange Q\.b and Q\.c$/);
});

describe('a load that is missing', () => {
  const without = (name: string, part: string): Design =>
    applyEdit(demo(name), { type: 'remove-part', id: part });
  it('is not made up for by a wire from its driver to the supply, nor by one that shorts its fuse', () => {
    const design = without('pontoon-walkway-light', 'H1');
    const { roots } = seen(design);
    const told = roots.flatMap(({ finding, effects }) => [finding, ...effects]);
    expect(told.flatMap((f) => f.about)).toEqual(expect.arrayContaining(['Q1', 'F1']));
    expect(roots.flatMap((r) => r.cures.map((c) => c.label))).toEqual([
      'Add Light strip, 12 V between F1.b and Q1.d',
    ]);
  });
});

describe('a part that was left out', () => {
  const left = (name: string, part: string): Design =>
    applyEdit(demo(name), { type: 'remove-part', id: part });
  it.each([
    // A drain and a fuse are loose, an output is called Strip.
    ['workbench-lamp', 'H1', /^Add Light strip, 12 V between F1\.b and Q1\.d$/],
    // Two ends led to its plus, and its diode tells where its minus was.
    ['sea-chest-stars', 'Y1', /^Add Solenoid or valve coil between D1\.k and F1\.b and D1\.a$/],
    // Behind a resistor stands an LED, though other lamps are called lamps too.
    ['loft-stairs', 'D2', /^Add Indicator LED between R6\.b and /],
    // Nothing is fed: a supply, with all that is loose, of the volts that its sounder is made for.
    ['slipway-beam', 'G1', /^Feed U1\.VIN, P1\.plus and D1\.k from 12\sV$/],
    // Parts are still joined with each other, and no end is loose.
    ['bilge-sump', 'F1', /^Add a fuse between G1\.plus and U1\.vcc and M1\.plus/],
    // Behind a relay's contact: on to ground, with the diode that is loose across it.
    ['drying-room-fan', 'M1', /^Add Fan, 12 V between K1\.no and D2\.k and .*GND and D2\.a$/],
    // Of a board of relays each input leads to its own contact, and to the load behind that.
    ['regatta-figurehead', 'P1', /^Add Sounder, 12 V between K1\.NO3 and D3\.k and /],
    ['regatta-figurehead', 'H1', /^Add Light strip, 12 V between K1\.NO4 and /],
    // A resistor and a load are loose: a driver, in the sort that its current asks for.
    ['slipway-beam', 'Q1', /^Add a transistor: R2\.b switches P1\.minus$/],
    // The resistor that holds it off is loose at both ends, the diode at one.
    ['sea-chest-stars', 'Q1', /^Add a MOSFET: R1\.b switches Y1\.minus$/],
    // All that it fed is loose, commons of contacts as well; in the size that carries it, worst case included.
    [
      'regatta-figurehead',
      'F1',
      /^Add a fuse between G1\.plus and U1\.VIN, C1\.plus, K1\.COM1, .* and K1\.COM4, and Take 2\.50\sA$/,
    ],
  ])('%s without %s: it is proposed as what the design asks for', (name, part, label) => {
    const [root] = seen(left(name, part)).roots;
    expect(root?.cures[0]?.label).toMatch(label);
    expectCured(left(name, part), demo(name));
  });

  it.each([
    // Its load resistor stands beside two others that have theirs.
    ['varnish-bench-fire', 'R2', /^Add Resistor, 47\sk/],
    // A sensor with two others like it, at a pin that is read and has nothing.
    [
      'sea-chest-stars',
      'B2',
      /^Add Linear Hall sensor, .* between U1\.5V, U1\.GND and U1\.A1, and place it beside Star 1$/,
    ],
    // Two nets of its own, both left behind: its load's end and the pin.
    [
      'loft-stairs',
      'B1',
      /^Add Infrared phototransistor, .* between U1\.5V, U1\.A0 and R1\.a, and place it beside Upper beam receiver$/,
    ],
    // It has no island of its own, and is tried through its range all the same.
    [
      'winch-counter',
      'B2',
      /^Add Hall switch, unipolar, .* between U1\.5V, U1\.GND and R2\.b, and place it beside First switch$/,
    ],
  ])('%s without %s: it stands as the others of its kind do', (name, part, label) => {
    const bad = left(name, part);
    const [cure] = seen(bad).roots[0].cures;
    expect(cure.label).toMatch(label);
    expect(open(applyEdit(bad, cure.edit))).toEqual(open(demo(name)));
    const { kind, params } = wiringOf(applyEdit(bad, cure.edit)).part(part) ?? {};
    const was = wiringOf(demo(name)).part(part);
    expect({ kind, params }).toEqual({ kind: was?.kind, params: was?.params });
  });

  it.each([
    // A pin that is read and has nothing, beside one with a sensor that is called otherwise.
    ['mooring-boom', 'S1', /Hall sensor/],
    ['herb-boxes', 'S1', /Flow sensor/],
  ])('%s without %s: nothing that stands elsewhere is guessed there', (name, part, label) => {
    const labels = seen(left(name, part)).roots.flatMap((r) => r.cures.map((c) => c.label));
    expect(labels.filter((l) => label.test(l))).toEqual([]);
  });

  it('is there where it only lacks a wire: no other is proposed', () => {
    const touch = demo('chart-room-touch');
    const bad = { ...touch, wires: touch.wires.filter((w) => w.to !== 'H1.red') };
    expect(bad.wires).toHaveLength(touch.wires.length - 1);
    expectCured(bad, touch, /^Join R2\.b and H1\.red$/);
  });

  it('is not proposed beside what is whole', () => {
    const wanted = readdirSync('demo')
      .map((file) => file.replace('.yurei.json', ''))
      .flatMap((name) => missingTwins(demo(name)).map(({ label }) => `${name}: ${label}`));
    expect(wanted).toEqual([]);
  });

  it('is not guessed where what is driven is there, and only a wire is missing', () => {
    const boom = demo('mooring-boom');
    const bad = { ...boom, wires: boom.wires.filter((w) => w.from !== 'R5.b' || w.to !== 'H1.a') };
    expect(bad.wires).toHaveLength(boom.wires.length - 1);
    expectCured(bad, boom, /^Join /);
  });

  it('a loose lead of a lamp that is there is likelier than another lamp', () => {
    const light = demo('chart-table-light');
    const bad = { ...light, wires: light.wires.filter((w) => w.to !== 'H1.red') };
    expectCured(bad, light, /^Join R1\.b and H1\.red$/);
  });

  it.each([
    // A chip's line leads to the pin that has such a line, though its pull-up is still there.
    ['mooring-boom', 'U1.PC1', 'B3.SDA', /^Join B3\.SDA and U1\.PC1$/],
    // A contact's common to a supply rather than to another contact.
    ['regatta-figurehead', 'F1.b', 'K1.COM2', /^Join K1\.COM2 and F1\.b$/],
    // What it closes to what hangs behind it; the input that moves it to the output that is idle.
    ['regatta-figurehead', 'K1.NO2', 'Y2.plus', /^Join K1\.NO2 and D2\.k$/],
    ['regatta-figurehead', 'U1.D7', 'K1.IN4', /^Join K1\.IN4 and U1\.D7$/],
    // A resistor that hangs by one lead is what a rule would add: it is there, and only joined on one side.
    ['mooring-boom', 'R3.b', 'B3.SDA', /^Join R3\.b and B3\.SDA$/],
    ['bilge-sump', 'R5.b', 'U1.out', /^Join R5\.b and U1\.out$/],
    // To the output, not to a sensor's net that would do as well.
    ['chart-room-touch', 'U1.P9', 'N1.send', /^Join N1\.send and R2\.a$/],
    // An anode to a supply, not to ground.
    ['dinghy-nudge', 'U1.5V', 'R1.a', /^Join R1\.a and U1\.5V$/],
  ])('%s without the wire from %s to %s is joined there', (name, from, to, label) => {
    const design = demo(name);
    const wires = design.wires.filter((w) => w.from !== from || w.to !== to);
    expect(wires).toHaveLength(design.wires.length - 1);
    expectCured({ ...design, wires }, design, label);
  });

  it('is not guessed where no output tells what it drives', () => {
    const bad = left('workbench-lamp', 'H1');
    const nameless = { ...bad, outputs: bad.outputs.map((o) => ({ ...o, name: 'D9' })) };
    const labels = seen(nameless).roots.flatMap((r) => r.cures.map((c) => c.label));
    expect(labels.filter((l) => l.startsWith('Add Light strip'))).toEqual([]);
  });

  it('is never on the mains', () => {
    const bad = left('workbench-lamp', 'H1');
    const called = { ...bad, outputs: bad.outputs.map((o) => ({ ...o, name: 'Mains appliance' })) };
    const kinds = seen(called).roots.flatMap((r) => JSON.stringify(r.cures));
    expect(kinds.join()).not.toMatch(/mains-appliance/);
  });
});
