/** Whatever a design file can hold can be changed on the screen: each control is handled, and what changes is compared with the schema. */
import { readFileSync } from 'node:fs';
import { readDesign } from '@yurei/core/exchange';
import { everything, kindsLeftOut } from '../testing/everything';
import { explore, type Place } from '../testing/explore';
import { ActStep } from './act/act';
import { OwnCodePanel } from './code/own-code';
import { Lanes } from './act/lanes';
import { MachineEditor } from './act/machine-editor';
import { RuleCard } from './act/rule-card';
import { Things } from './act/things';
import { BriefFields } from './plan/brief-fields';
import { NeedList } from './plan/need-list';
import { HappeningPanel } from './rehearse/happening-panel';
import { GroundFields } from './site/ground-fields';
import { RoomFields } from './site/room-fields';
import { SpotFields } from './site/spot-fields';
import { TreeFields } from './site/tree-fields';
import { WallFields } from './site/wall-fields';
import { WayInFields } from './site/way-in-fields';
import { SceneFields } from './rehearse/scene-fields';
import { AboutDialog } from './shell/about-dialog';
import { ChannelPanel } from './set/channel-panel';
import { ReadingsPanel } from './set/readings-panel';
import { GroupPanel } from './wire/group-panel';
import { PartPanel } from './wire/part-panel';
import { PinPlan } from './wire/pin-plan';
import { WirePanel } from './wire/wire-panel';

type Schema = { $ref?: string; properties?: Record<string, Schema>; items?: Schema } & {
  anyOf?: Schema[];
  oneOf?: Schema[];
  additionalProperties?: unknown;
  patternProperties?: unknown;
} & Record<string, unknown>;

const schema = JSON.parse(readFileSync('docs/yurei-design.schema.json', 'utf8')) as Schema;

/** Places of values in the schema, as `changedPaths` names them. */
function leaves(node: Schema, path = '', above: readonly Schema[] = []): string[] {
  const here = node.$ref === undefined ? node : resolved(node.$ref);
  if (above.includes(here)) return [];
  const inside = [...above, here];
  const ways = [...(here.anyOf ?? []), ...(here.oneOf ?? [])].flatMap((way) =>
    leaves(way, path, inside),
  );
  if (here.properties)
    return [
      ...ways,
      ...Object.entries(here.properties).flatMap(([name, value]) =>
        leaves(value, path === '' ? name : `${path}.${name}`, inside),
      ),
    ];
  if (ways.length > 0) return ways;
  if (here.items) return leaves(here.items, `${path}[]`, inside);
  return [
    typeof here.additionalProperties === 'object' || here.patternProperties ? `${path}{}` : path,
  ];
}

const resolved = (ref: string): Schema =>
  ref
    .slice(2)
    .split('/')
    .reduce((node, name) => node[name] as Schema, schema);

/** The same control as in the condition of a rule and the drive of its action: there each field is tried, elsewhere one. */
const alike =
  /(?:while|until|unless|condition|transitions\[\]\.when)\.(?!is$)|(?:ambient|blocks\[\]\.drive)\.(?!as$)/;

/** Not meant to be typed, and by what they come about instead. */
const elsewhere: Readonly<Record<string, RegExp>> = {
  'are written by the program': /^(format|version)$|\bid$|^readings\[\]\.(origin|taken|every)$/,
  'follow from what is added, joined and taken': /^(wires\[\]\.(from|to)|parts\[\]\.kind)$/,
  'are recorded, read from a file or typed as a whole (bring.spec)':
    /^(recordings\[\]\.(times|values)\[\]|readings\[\]\.counts\[\])$/,
  'are pressed in the list of findings (side-panel.spec)': /^accepted\[\]/,
  'are read from a file (site-fields.spec)': /^plan\.backdrop\.image$/,
  'are said to be read beside the sensors (plan.spec)': /^brief\.read\[\]/,
};

const places: Readonly<Record<string, Place>> = {
  part: { component: PartPanel, inputs: { id: 'P1' } },
  'placed part': { component: PartPanel, inputs: { id: 'B1' } },
  'recorded part': { component: PartPanel, inputs: { id: 'Z1' } },
  wire: { component: WirePanel, inputs: { id: 'w1' } },
  group: { component: GroupPanel, inputs: { id: 'g1' } },
  pins: { component: PinPlan, inputs: { open: true } },
  channel: { component: ChannelPanel, inputs: { id: 'c1' } },
  'channel with a fixed baseline': { component: ChannelPanel, inputs: { id: 'c2' } },
  readings: { component: ReadingsPanel, inputs: { id: 'set1' } },
  act: { component: ActStep },
  things: { component: Things },
  'own code': { component: OwnCodePanel, inputs: { language: 'cpp' } },
  rule: { component: RuleCard, inputs: { rule: everything().rules[0], open: true } },
  machine: { component: MachineEditor, inputs: { machine: everything().machines[0], picked: 0 } },
  sequence: {
    component: Lanes,
    inputs: { sequence: everything().sequences[0] },
    prepare: (_, screen) => screen.click('.block'),
  },
  scene: { component: SceneFields },
  ground: { component: GroundFields },
  rooms: { component: RoomFields },
  walls: { component: WallFields },
  trees: { component: TreeFields },
  'ways in': { component: WayInFields },
  spots: { component: SpotFields },
  brief: { component: BriefFields },
  'must be noticed': { component: NeedList, inputs: { intent: 'wanted' } },
  'must not set it off': { component: NeedList, inputs: { intent: 'nuisance' } },
  about: { component: AboutDialog, inputs: { open: true } },
  ...Object.fromEntries(
    ['h1', 'h2', 'h3', 'h4', 'h5'].map((id) => [
      `happening ${id}`,
      { component: HappeningPanel, inputs: { id } },
    ]),
  ),
};

beforeAll(() => {
  Object.assign(URL, { createObjectURL: () => '', revokeObjectURL: () => undefined });
});

const found = new Map<string, Set<string>>();

describe.each(Object.entries(places))('%s', (name, place) => {
  it('has controls that change the design', async () => {
    const changed = await explore(everything(), place);
    expect(changed.size).toBeGreaterThan(0);
    found.set(name, changed);
    // A walk takes as long as the machine takes.
  }, 300_000);
});

it('the design with everything is one that can be read', () => {
  expect(readDesign(JSON.stringify(everything()))).toMatchObject({ ok: true });
});

it('every kind of condition is tried', () => {
  expect(kindsLeftOut()).toEqual([]);
});

it('every field of the schema can be changed somewhere', () => {
  // A condition within another has the same fields.
  const within = /(?:\.(?:of|first|second)(?:\[\])?)+(?=\.)/g;
  const changed = new Set(
    [...found.values()].flatMap((paths) => [...paths].map((path) => path.replace(within, ''))),
  );
  const meant = [...new Set(leaves(schema))].filter(
    (path) => !alike.test(path) && !Object.values(elsewhere).some((pattern) => pattern.test(path)),
  );
  expect(meant.length).toBeGreaterThan(100);
  expect(meant.filter((path) => !changed.has(path))).toEqual([]);
});
