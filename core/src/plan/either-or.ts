import { channelReader, kindOf, paramsOf } from '../catalog/index.js';
import { wholeOf } from '../condition/index.js';
import { applyEdit, type Channel, type Design, type Edit, type Part } from '../design/index.js';
import { energyTrace, quietScene, rehearse, wentWrong } from '../rehearsal/index.js';
import { withBaseline } from '../threshold/index.js';
import { arrangePins, boardsOf, branchOf } from '../wiring/index.js';
import { relayInstead } from './relay-instead.js';
import { lineOrTrimmer } from './trimmer-instead.js';
import { controllerOrNone } from './without-controller.js';

/** Something that makers settle one way or the other: as the design has it now, and the other way. */
export interface EitherOr {
  id: string;
  /** Of what it is, by name: a channel, a rule's part, a sensor. */
  of: string;
  now: string;
  other: string;
  edit: Edit;
}

/** What comes of a design in all its scenes, followed in time. */
export interface Effect {
  wanted: number;
  noticed: number;
  /** Happenings that must not fire, and how many did; and what fired for nothing at all. */
  nuisances: number;
  fooled: number;
  spurious: number;
  /** The longest from being felt to something acting, s. */
  slowest?: number;
  /** Mean over the scenes, W. */
  watts: number;
  /** How long in all something acted, s. */
  acted: number;
}

/** Readings in a row that are asked for where one was enough. */
const severalHits = 3;

/** What of a design could as well be the other way. */
export function eitherOrs(design: Design): EitherOr[] {
  const rest = restOf(design);
  return [
    ...design.channels.flatMap((channel) => [
      ...ofChannel(design, channel, rest.get(channel.id)),
      ...lineOrTrimmer(design, channel),
    ]),
    ...design.rules.map((rule): EitherOr => {
      const { latch, until: _, ...others } = rule;
      const other = { ...others, latch: !latch, ...(latch ? {} : { until: undefined }) };
      const [reset, latched] = ['resets itself', 'latches until it is reset'];
      return {
        ...{ id: `latch ${rule.id}`, of: `Rule ${design.rules.indexOf(rule) + 1}` },
        ...{ now: latch ? latched : reset, other: latch ? reset : latched },
        edit: { type: 'put-rule', rule: other },
      };
    }),
    ...design.parts.flatMap((part) => holdOf(design, part)),
    ...relayInstead(design),
    ...controllerOrNone(design),
  ];
}

/** What comes of a design, or of it after an edit: every scene in which something happens, in time. */
export function effectOf(design: Design, edit?: Edit): Effect {
  const done = edit ? applyEdit(design, edit) : design;
  const effect: Effect = {
    ...{ wanted: 0, noticed: 0, nuisances: 0, fooled: 0, spurious: 0, watts: 0, acted: 0 },
  };
  let seconds = 0;
  let joules = 0;
  for (const scene of done.scenes.filter((s) => s.happenings.length > 0)) {
    const told = rehearse(done, scene, undefined, 'time');
    for (const { intent, outcome, delay } of told.verdicts) {
      effect[intent === 'wanted' ? 'wanted' : 'nuisances']++;
      if (intent === 'wanted' && !wentWrong(outcome)) effect.noticed++;
      if (intent !== 'wanted' && wentWrong(outcome)) effect.fooled++;
      if (delay !== undefined && intent === 'wanted')
        effect.slowest = Math.max(effect.slowest ?? 0, delay);
    }
    effect.spurious += told.spurious.length;
    effect.acted += secondsOf(told.acting, told.duration);
    joules += energyTrace(told).values.at(-1) ?? 0;
    seconds += told.duration;
  }
  return { ...effect, watts: seconds > 0 ? joules / seconds : 0 };
}

/** How long anything acts: a relay and what it switches count once. */
function secondsOf(
  changes: readonly { part: string; t: number; active: boolean }[],
  end: number,
): number {
  const acting = new Set<string>();
  let [sum, since] = [0, 0];
  for (const { part, t, active } of changes) {
    if (active && acting.size === 0) since = t;
    if (active) acting.add(part);
    else if (acting.delete(part) && acting.size === 0) sum += t - since;
  }
  return acting.size > 0 ? sum + end - since : sum;
}

/** What each channel reads with nothing there, counts. */
function restOf(design: Design): ReadonlyMap<string, number> {
  const [scene = quietScene] = design.scenes;
  const still = { ...scene, happenings: [], duration: 1 };
  const { readings } = rehearse(design, still, undefined, 'fast');
  return new Map(
    Object.entries(readings).flatMap(([id, { values }]) => {
      const [first] = values;
      return first === undefined ? [] : [[id, first]];
    }),
  );
}

function ofChannel(design: Design, channel: Channel, rest: number | undefined): EitherOr[] {
  const { id, name, hits, baseline } = channel;
  const told = (what: string, now: string, other: string, change: Partial<Channel>): EitherOr => ({
    ...{ id: `${what} ${id}`, of: name, now, other },
    edit: { type: 'put-channel', channel: { ...channel, ...change } },
  });
  const digital = channelReader(design, channel.pin)?.by === 'level';
  const many = hits > 1 ? hits : severalHits;
  const [fixed, learns] = ['has a fixed line', 'measures from what it learns after power-up'];
  const [one, several] = ['trips by one reading', `wants ${many} readings in a row`];
  return [
    told('hits', hits > 1 ? several : one, hits > 1 ? one : several, { hits: hits > 1 ? 1 : many }),
    ...(digital ? [polled(design, channel)] : []),
    ...(digital || rest === undefined || channel.trips === 'away' || baseline?.kind === 'fixed'
      ? []
      : [
          told('baseline', baseline ? learns : fixed, baseline ? fixed : learns, {
            baseline: undefined,
            ...withBaseline(channel, baseline ? undefined : 'learnt', rest),
          }),
        ]),
  ];
}

/** Looked at now and then, or told by an interrupt. */
function polled(design: Design, channel: Channel): EitherOr {
  const { edge, remembers: _, ...plain } = channel;
  const rises = channel.trips === 'below' ? 'falling' : 'rising';
  const other: Channel = edge ? plain : { ...channel, edge: rises, remembers: true };
  const set: Edit = { type: 'put-channel', channel: other };
  const done = applyEdit(design, set);
  const moves = edge ? [] : boardsOf(done).map((board) => arrangePins(done, board).edit);
  const [looks, told] = ['is looked at now and then', 'is told by an interrupt on its edge'];
  return {
    ...{ id: `edge ${channel.id}`, of: channel.name },
    ...{ now: edge ? told : looks, other: edge ? looks : told },
    edit: { type: 'batch', label: 'read the other way', edits: [set, ...moves] },
  };
}

const isOf = (channels: readonly Channel[], id: string): boolean =>
  channels.some((c) => c.id === id);

/** A module that holds its output by itself: it does, or the rules that ask for it do instead. */
function holdOf(design: Design, part: Part): EitherOr[] {
  const kind = kindOf(part);
  const hold = kind.hold?.(paramsOf(part));
  const least = kind.params.find((p) => p.id === 'hold')?.min;
  if (hold === undefined || least === undefined || hold <= least) return [];
  const read = design.channels.filter(({ pin }) => branchOf(design, pin).includes(part.id));
  const rules = design.rules
    .filter((rule) => wholeOf(rule.when).some((c) => c.is === 'channel' && isOf(read, c.channel)))
    .map((rule) => ({ ...rule, hold: Math.max(rule.hold, hold) }));
  if (rules.length === 0) return [];
  return [
    {
      ...{ id: `hold ${part.id}`, of: part.name },
      now: 'holds its output by itself',
      other: 'holds as little as it can, and the rule holds as long instead',
      edit: {
        type: 'batch',
        label: `let the rule hold for ${part.name}`,
        edits: [
          { type: 'set-param', id: part.id, param: 'hold', value: least },
          ...rules.map((rule): Edit => ({ type: 'put-rule', rule })),
        ],
      },
    },
  ];
}
