/** Between them the designs that are shown use what there is: each list names what none of them uses yet. */
import { readdirSync } from 'node:fs';
import { conditionKinds, wholeOf } from '../condition/index.js';
import type { Action, Design, Drive } from '../design/index.js';
import { happeningKinds } from '../scene/index.js';
import { demo } from '../testing/demo.js';

const designs = readdirSync('demo').map((file) => demo(file.replace('.yurei.json', '')));

const acts = (design: Design): Action[] => [
  ...design.rules.flatMap((r) => r.then),
  ...design.machines.flatMap((m) => m.transitions.flatMap((t) => t.then ?? [])),
];
const conditions = (design: Design) =>
  [
    ...design.rules.flatMap((r) => [r.when, r.while, r.until]),
    ...design.machines.flatMap((m) => m.transitions.map((t) => t.when)),
    ...design.notices.map(({ tells }) =>
      tells.tell === 'condition' ? tells.condition : undefined,
    ),
    design.controller.sleep?.unless,
  ].flatMap((c) => (c ? wholeOf(c) : []));
const drives = (design: Design): Drive[] => [
  ...acts(design).flatMap((act) => (act.do === 'drive' ? [act.drive] : [])),
  ...design.sequences.flatMap((s) =>
    s.lanes.flatMap((l) => [...(l.ambient ? [l.ambient] : []), ...l.blocks.map((b) => b.drive)]),
  ),
];
const happenings = (design: Design) => design.scenes.flatMap((s) => s.happenings);
const levelOf = (drive: Drive): string =>
  drive.as !== 'level'
    ? drive.as
    : typeof drive.level === 'number'
      ? 'level'
      : 'counter' in drive.level
        ? 'level by a counter'
        : 'level by a reading';

const unused = (all: readonly string[], used: (design: Design) => readonly unknown[]): string[] => {
  const found = new Set(designs.flatMap(used));
  return all.filter((item) => !found.has(item));
};

it.each<[string, readonly string[], (design: Design) => readonly unknown[], string[]]>([
  ['conditions', conditionKinds.map((kind) => kind.is), (d) => conditions(d).map((c) => c.is), []],
  [
    'presses',
    ['short', 'long', 'double'],
    (d) => conditions(d).map((c) => (c.is === 'press' ? c.press : '')),
    [],
  ],
  ['acts', ['drive', 'count', 'set', 'play', 'stop'], (d) => acts(d).map((act) => act.do), []],
  [
    'drives',
    ['on', 'off', 'level', 'level by a counter', 'level by a reading', 'pattern'],
    (d) => drives(d).map(levelOf),
    [],
  ],
  ['edges', ['rising', 'falling', 'change', 'low'], (d) => d.channels.map((c) => c.edge), []],
  ['filters', ['mean', 'median', 'exponential'], (d) => d.channels.map((c) => c.filter?.by), []],
  ['baselines', ['fixed', 'learnt'], (d) => d.channels.map((c) => c.baseline?.kind), []],
  [
    'notices',
    ['condition', 'counter', 'mode', 'reading'],
    (d) => d.notices.map((n) => n.tells.tell),
    [],
  ],
  [
    'kinds of happening',
    happeningKinds.map((kind) => kind.kind),
    (d) => happenings(d).map((h) => h.kind),
    [],
  ],
])('of all %s only those named are used by none', (_, all, used, none) => {
  expect(unused(all, used)).toEqual(none);
});

it('ten and more hold readings, quiet ones and wanted ones', () => {
  const measured = designs.filter(({ readings }) =>
    (['quiet', 'wanted'] as const).every((intent) => readings.some((s) => s.intent === intent)),
  );
  expect(measured.length).toBeGreaterThanOrEqual(10);
});
