import { blocks, usualAnswers } from '../blocks/index.js';
import {
  freshId,
  terminalRef,
  type Channel,
  type Design,
  type Edit,
  type Scene,
} from '../design/index.js';
import { readingGroups, rehearse, roomBetween } from '../rehearsal/index.js';
import { draftScene, findHappeningKind } from '../scene/index.js';
import { Draft, newChannel, usualColour } from '../wiring/index.js';
import type { Start } from './usual-starts.js';

/** How long the buzzer goes on after what was noticed is over, s. */
const hold = 3;
const supplyVolts = 9;

/**
 * A whole small design on an empty bench: supply, controller, sensor with its front end, a buzzer with its driver, a
 * channel that tells rest from what is wanted, a rule, and a scene in which that happens.
 *
 * @returns one edit that undoes as one
 * @throws CannotBuild where a sensor has no usual front end
 */
export function makeStart(empty: Design, start: Start): Edit {
  const draft = new Draft(empty);
  const board = powered(draft);
  const sensor = draft.add(start.sensor, start.named);
  const { plan } = empty;
  draft.make({
    type: 'place-part',
    id: sensor,
    place: { x: 1, y: plan.depth / 2, facing: 0 },
  });
  build(draft, 'front-end', { part: sensor });
  const buzzer = draft.add('active-buzzer', 'Buzzer');
  build(draft, 'transistor-stage', { part: buzzer });
  const channel = listen(draft, board, start);
  act(draft, channel);
  const scene = watch(draft, start);
  tune(draft, channel.id, scene);
  return draft.edit(`begin: notice ${start.notices}`);
}

/** A supply and a controller on it. */
function powered(draft: Draft): string {
  const supply = draft.add('adapter', 'Supply', { volts: supplyVolts });
  const board = draft.add('controller-5v-8bit', 'Controller');
  for (const [from, to] of [
    ['plus', 'VIN'],
    ['minus', 'GND'],
  ] as const) {
    const ends = [terminalRef(supply, from), terminalRef(board, to)] as const;
    draft.join(...ends, { colour: usualColour(draft.design, ...ends) });
  }
  return board;
}

function build(draft: Draft, id: string, answers: Record<string, string>): void {
  const block = blocks.find((b) => b.id === id);
  if (!block) throw new RangeError(`There is no block "${id}".`);
  const usual = usualAnswers(block.asks(draft.design, answers['part']));
  draft.make(block.build(draft.design, { ...usual, ...answers }).edit);
}

/** A channel on the pin that the front end has set up. */
function listen(draft: Draft, board: string, start: Start): Channel {
  const { controller, outputs } = draft.design;
  const driven = new Set(outputs.map((o) => o.pin));
  const use = controller.pins.find(({ pin }) => pin.startsWith(`${board}.`) && !driven.has(pin));
  if (!use) throw new RangeError(`The front end of ${start.sensor} reaches no pin.`);
  const { channel } = newChannel(draft.design, use.pin);
  const named = { ...channel, name: start.named, every: start.every };
  draft.make({ type: 'put-channel', channel: named });
  return named;
}

function act(draft: Draft, channel: Channel): void {
  const { outputs, rules } = draft.design;
  const output = outputs.at(-1);
  if (!output) throw new RangeError('Nothing is driven yet that a rule could switch.');
  draft.make({
    type: 'put-rule',
    rule: {
      id: freshId(
        'r',
        rules.map((r) => r.id),
      ),
      when: { is: 'channel', channel: channel.id },
      hold,
      latch: false,
      then: [{ do: 'drive', output: output.id, drive: { as: 'on' } }],
    },
  });
}

/** A scene in which it happens; those that are there stay. */
function watch(draft: Draft, start: Start): Scene {
  const wanted = findHappeningKind(start.wanted);
  if (!wanted) throw new RangeError(`There is no happening "${start.wanted}".`);
  const ids = draft.design.scenes.map((s) => s.id);
  const scene = draftScene(draft.design, {
    id: freshId('scene', ids),
    name: `Notice ${start.notices}`,
    ambient: { lamp: 300 },
    happens: [{ kind: wanted, intent: 'wanted' }],
  });
  draft.make({ type: 'put-scene', scene });
  return scene;
}

/** Sets the channel's line in the middle between rest and what is wanted, as both are rehearsed. */
function tune(draft: Draft, id: string, scene: Scene): void {
  const { design } = draft;
  const channel = design.channels.find((c) => c.id === id) as Channel;
  const groups = readingGroups(rehearse(design, scene), scene, id);
  const rest = groups.find((g) => g.kind === 'quiet');
  const wanted = groups.find((g) => g.kind === 'wanted');
  if (!rest || !wanted) return;
  const rises = wanted.high - rest.high >= rest.low - wanted.low;
  const trips = rises ? 'above' : 'below';
  const room = roomBetween(groups, trips);
  if (!room) return;
  const hysteresis = Math.max(1, Math.round(Math.abs(room.wanted - room.quiet) / 5));
  draft.make({
    type: 'put-channel',
    channel: { ...channel, trips, threshold: room.middle, hysteresis },
  });
}
