import { EditError, type Edit } from './edit.js';
import type { Brief } from './brief.js';
import { put, without } from './list.js';
import { programHandlers } from './program-edits.js';
import { splitRef } from './terminal-ref.js';
import { withKeptTargets, withoutLostTargets } from './without-lost-targets.js';
import { withoutNamed } from './without-named.js';
import { mostReadingsInAll } from './limits.js';
import type {
  Accepted,
  Design,
  Group,
  Happening,
  Part,
  PinUse,
  ReadingSet,
  Scene,
  Wire,
} from './types.js';

type Handler<T extends Edit['type']> = (design: Design, edit: Extract<Edit, { type: T }>) => Design;

/**
 * Applies one edit, leaving the given design untouched.
 *
 * @returns a new design that shares every unchanged branch with the old one
 * @throws EditError when the edit does not fit the design (unknown or duplicate id, double wire)
 */
export function applyEdit(design: Design, edit: Edit): Design {
  const handler = handlers[edit.type] as Handler<typeof edit.type>;
  return handler(design, edit as never);
}

const handlers: { [T in Edit['type']]: Handler<T> } = {
  describe: (design, { fields }) => ({ ...design, ...fields }),
  'add-part': (design, { part }) => {
    if (design.parts.some((p) => p.id === part.id)) {
      throw new EditError(`There is already a part ${part.id}.`);
    }
    return { ...design, parts: [...design.parts, part] };
  },
  'remove-part': removePart,
  'rename-part': (design, { id, name }) => changePart(design, id, (part) => ({ ...part, name })),
  'place-part': (design, { id, place }) => changePart(design, id, (part) => ({ ...part, place })),
  'set-param': (design, { id, param, value }) =>
    changePart(design, id, (part) => ({ ...part, params: { ...part.params, [param]: value } })),
  'set-indicates': (design, { id, indicates }) =>
    changePart(design, id, ({ indicates: _before, ...part }) =>
      indicates ? { ...part, indicates } : part,
    ),
  'add-wire': addWire,
  'remove-wire': (design, { id }) =>
    withoutLostTargets({ ...design, wires: without(design.wires, id, 'wire') }),
  'set-wire': (design, { id, fields }) => {
    if (!design.wires.some((w) => w.id === id)) throw new EditError(`There is no wire ${id}.`);
    return {
      ...design,
      wires: design.wires.map((w) => (w.id === id ? { ...w, ...fields } : w)),
    };
  },
  'set-pin': (design, { pin, mode, skill }) => {
    const { pins } = design.controller;
    const use: PinUse = { pin, mode, ...(skill ? { skill } : {}) };
    const next = pins.some((p) => p.pin === pin)
      ? pins.map((p) => (p.pin === pin ? use : p))
      : [...pins, use];
    return { ...design, controller: { ...design.controller, pins: next } };
  },
  'clear-pin': (design, { pin }) => ({
    ...design,
    controller: {
      ...design.controller,
      pins: design.controller.pins.filter((p) => p.pin !== pin),
    },
  }),
  'put-group': putGroup,
  'remove-group': (design, { id }) => ({
    ...design,
    groups: without(design.groups, id, 'group'),
  }),
  'put-channel': (design, { channel }) => ({ ...design, channels: put(design.channels, channel) }),
  'remove-channel': (design, { id }) => ({
    ...withoutNamed(design, 'channel', id),
    channels: without(design.channels, id, 'channel'),
    readings: design.readings.filter((set) => set.channel !== id),
  }),
  'put-output': (design, { output }) => ({ ...design, outputs: put(design.outputs, output) }),
  'remove-output': (design, { id }) => ({
    ...withoutNamed(design, 'output', id),
    outputs: without(design.outputs, id, 'output'),
  }),
  ...programHandlers,
  'put-scene': (design, { scene }) => ({ ...design, scenes: put(design.scenes, scene) }),
  'remove-scene': (design, { id }) => ({ ...design, scenes: without(design.scenes, id, 'scene') }),
  'put-happening': (design, { scene, happening }) =>
    changeScene(design, scene, (s) => ({ ...s, happenings: put(s.happenings, happening) })),
  'remove-happening': (design, { scene, id }) =>
    changeScene(design, scene, (s) => ({
      ...s,
      happenings: without(s.happenings, id, 'happening'),
    })),
  'set-brief': (design, { fields }) => withBrief(design, { ...design.brief, ...fields }),
  'put-need': (design, { need }) =>
    withBrief(design, { ...design.brief, needs: put(design.brief.needs, need) }),
  'remove-need': removeNeed,
  'set-plan': (design, { plan }) => ({ ...design, plan }),
  'put-recording': (design, { recording }) => ({
    ...design,
    recordings: put(design.recordings, recording),
  }),
  'remove-recording': (design, { id }) => ({
    ...design,
    recordings: without(design.recordings, id, 'recording'),
    parts: design.parts.map((p) => (p.recording === id ? { ...p, recording: undefined } : p)),
  }),
  'set-recording': (design, { part, recording }) =>
    changePart(design, part, (p) => ({ ...p, recording })),
  'put-readings': putReadings,
  'remove-readings': (design, { id }) => ({
    ...design,
    readings: without(design.readings, id, 'reading set'),
  }),
  'accept-finding': (design, { accepted }) => {
    if (accepted.reason.trim() === '') throw new EditError('Say why it is no mistake here.');
    return { ...design, accepted: [...reopened(design, accepted.finding), accepted] };
  },
  'reopen-finding': (design, { finding }) => ({
    ...design,
    accepted: reopened(design, finding),
  }),
  batch: (design, { edits }) => withKeptTargets(design, edits.reduce(applyEdit, design)),
};

const withBrief = (design: Design, brief: Brief): Design => ({ ...design, brief });

/** What tried it goes on happening, for nothing in the brief. */
function removeNeed(design: Design, { id }: { id: string }): Design {
  const needs = without(design.brief.needs, id, 'need');
  const freed = ({ need, ...happening }: Happening): Happening =>
    need === undefined || need === id ? happening : { ...happening, need };
  const scenes = design.scenes.map((scene) =>
    scene.happenings.some((h) => h.need === id)
      ? { ...scene, happenings: scene.happenings.map(freed) }
      : scene,
  );
  return { ...withBrief(design, { ...design.brief, needs }), scenes };
}

/** A set belongs to a channel that is there, and all sets together fit into a design. */
function putReadings(design: Design, { set }: { set: ReadingSet }): Design {
  if (!design.channels.some((c) => c.id === set.channel)) {
    throw new EditError(`There is no channel ${set.channel}.`);
  }
  const readings = put(design.readings, set);
  const all = readings.reduce((sum, { counts }) => sum + counts.length, 0);
  if (all > mostReadingsInAll) {
    throw new EditError(
      `All sets together would have ${all} readings; a design holds ${mostReadingsInAll}. Remove sets that are no longer needed, or keep a shorter stretch.`,
    );
  }
  return { ...design, readings };
}

/** Whether a finding's place is a part, or a terminal of it. */
const isAbout = ({ finding }: Accepted, part: string): boolean =>
  finding.split(/[:,]/).some((place) => place === part || place.startsWith(`${part}.`));

const reopened = ({ accepted }: Design, finding: string): Accepted[] =>
  accepted.filter((a) => a.finding !== finding);

/** A part that is on an arm no more, where that goes. */
function offArm(part: Part, arm: string): Part {
  if (part.place?.on !== arm) return part;
  const { on: _, ...place } = part.place;
  return { ...part, place };
}

/** A part leaves with its wires, its pin settings and whatever read or drove those pins. */
function removePart(design: Design, { id }: { id: string }): Design {
  const parts = without(design.parts, id, 'part').map((part) => offArm(part, id));
  const touches = (ref: string): boolean => splitRef(ref).part === id;
  const gone = <T extends { id: string; pin: string }>(list: T[]): string[] =>
    list.filter((item) => touches(item.pin)).map((item) => item.id);
  const stripped: Design = {
    ...withoutNamed(design, 'part', id),
    parts,
    wires: design.wires.filter((w) => !touches(w.from) && !touches(w.to)),
    groups: leaveGroups(design.groups, [id]),
    accepted: design.accepted.filter((a) => !isAbout(a, id)),
    controller: {
      ...design.controller,
      pins: design.controller.pins.filter((p) => !touches(p.pin)),
    },
  };
  const edits: Edit[] = [
    ...gone(design.channels).map((c): Edit => ({ type: 'remove-channel', id: c })),
    ...gone(design.outputs).map((o): Edit => ({ type: 'remove-output', id: o })),
  ];
  return withoutLostTargets(edits.reduce(applyEdit, stripped));
}

/** A part is in one group at most: it leaves the one it was in. */
function putGroup(design: Design, { group }: { group: Group }): Design {
  for (const id of group.parts) partOf(design, id);
  const others = design.groups.filter((g) => g.id !== group.id);
  const left = leaveGroups(others, group.parts);
  return { ...design, groups: group.parts.length > 0 ? put(left, group) : left };
}

/** Groups without some parts; one with nothing left in it goes. */
const leaveGroups = (groups: readonly Group[], parts: readonly string[]): Group[] =>
  groups
    .map((g) => ({ ...g, parts: g.parts.filter((p) => !parts.includes(p)) }))
    .filter((g) => g.parts.length > 0);

function addWire(design: Design, { wire }: { wire: Wire }): Design {
  if (wire.from === wire.to) throw new EditError('A wire needs two different ends.');
  if (design.wires.some((w) => w.id === wire.id)) {
    throw new EditError(`There is already a wire ${wire.id}.`);
  }
  for (const ref of [wire.from, wire.to]) partOf(design, splitRef(ref).part);
  const same = design.wires.find(
    (w) => (w.from === wire.from && w.to === wire.to) || (w.from === wire.to && w.to === wire.from),
  );
  if (same) throw new EditError(`${wire.from} and ${wire.to} are already joined by a wire.`);
  return { ...design, wires: [...design.wires, wire] };
}

function partOf(design: Design, id: string): Part {
  const part = design.parts.find((p) => p.id === id);
  if (!part) throw new EditError(`There is no part ${id}.`);
  return part;
}

function changePart(design: Design, id: string, change: (part: Part) => Part): Design {
  const old = partOf(design, id);
  return { ...design, parts: design.parts.map((p) => (p === old ? change(p) : p)) };
}

function changeScene(design: Design, id: string, change: (scene: Scene) => Scene): Design {
  if (!design.scenes.some((s) => s.id === id)) throw new EditError(`There is no scene ${id}.`);
  return { ...design, scenes: design.scenes.map((s) => (s.id === id ? change(s) : s)) };
}
