import { blocks, CannotBuild, power, usualAnswers } from '../blocks/index.js';
import { catalog, findKind, kindOf, readable, type PartKind } from '../catalog/index.js';
import {
  applyEdit,
  freshId,
  splitRef,
  terminalRef,
  type Channel,
  type Design,
  type Edit,
  type Need,
  type TerminalRef,
} from '../design/index.js';
import { findHappeningKind } from '../scene/index.js';
import { rehearse } from '../rehearsal/index.js';
import { boardsOf, Draft, newChannel, usualColour } from '../wiring/index.js';
import { addCells, answeringKind, answerWith, sharedVolts } from './answering.js';
import { firstScenes } from './first-scenes.js';
import { tune, type Tuned } from './tune.js';
import { withoutController } from './without-controller.js';

/** How long it acts on after what was noticed is over, s, as long as the brief does not say; and at most. */
const usualHold = 3;
const longestHold = 86_400;

/** From a beam's end to what breaks it, where nothing else is said, m. */
const usualWay = 1;

/** A sensor that is to notice something. */
export interface Asked {
  /** Kind of part. */
  sensor: string;
  named: string;
  /** With what sends it a beam across from it. */
  beam?: boolean;
  /** What is to be noticed, and what is not: needs of the brief. */
  needs: readonly Need[];
  /** What the scenes are called. */
  scene: string;
  /** How often it is read, s; by how long what must be noticed is felt where it is left out. */
  every?: number;
}

/** A whole small design, and how it does in the scenes of its brief. */
export interface FirstDesign extends Omit<Tuned, 'edit' | 'channel'> {
  /** What reads it; undefined without a controller. */
  channel?: Channel;
  /** From the design that was there to this one, undone as one. */
  edit: Edit;
  /** Id of the sensor. */
  sensor: string;
  /** Ids of the parts that it wants around it, and why it is wired so. */
  around: string[];
  because: readonly string[];
}

/** Controllers that can be begun with: the one for 5 V first, as most modules are made for it. */
const boards = catalog.filter(({ firstFed }) => firstFed);

/**
 * A whole small design: a sensor with what it wants around it, a supply and a controller where there are none, what
 * answers (the brief says what: a buzzer where it does not) with its driver, a channel that tells rest from what must be noticed, a rule, and scenes in which that happens. Of the
 * controllers the first that suits the sensor is taken. Where the brief wants none, a comparator then stands for it, with its line
 * where the program had it.
 *
 * @throws CannotBuild where the sensor has no usual front end, or takes a program
 */
export function firstDesign(design: Design, asked: Asked): FirstDesign {
  const made = onSomeBoard(design, asked);
  return design.brief.controller === 'without' ? unprogrammed(made) : made;
}

function unprogrammed({ channel: _, ...made }: FirstDesign): FirstDesign {
  const edit = withoutController(made.design);
  const design = applyEdit(made.design, edit);
  const known = new Set(made.design.parts.map((p) => p.id));
  const fresh = design.parts.flatMap(({ id }) => (known.has(id) ? [] : [id]));
  const played = made.played.map(({ scene }) => ({
    scene,
    rehearsal: rehearse(design, scene, undefined, 'time'),
  }));
  const label = made.edit.type === 'batch' ? made.edit.label : '';
  const edits = [made.edit, edit];
  return {
    ...made,
    ...{ design, played, around: [...made.around, ...fresh] },
    edit: { type: 'batch', label, edits },
  };
}

function onSomeBoard(design: Design, asked: Asked): FirstDesign {
  let refusal: CannotBuild | undefined;
  for (const board of boardsOf(design).length > 0 ? [undefined] : boards) {
    try {
      return designOn(design, asked, board);
    } catch (error) {
      if (!(error instanceof CannotBuild)) throw error;
      refusal ??= error;
    }
  }
  throw refusal as CannotBuild;
}

function designOn(design: Design, asked: Asked, board: PartKind | undefined): FirstDesign {
  const draft = new Draft(design);
  if (board) powered(draft, board);
  const before = new Set(readable(draft.design));
  const sensor = draft.add(asked.sensor, asked.named);
  const place = { x: 1, y: design.plan.depth / 2, facing: 0 };
  draft.make({ type: 'place-part', id: sensor, place });
  const known = new Set(draft.design.parts.map((p) => p.id));
  const because = build(draft, 'front-end', { part: sensor });
  if (asked.beam) shineAt(draft, sensor, asked.needs);
  const around = draft.design.parts.flatMap(({ id }) => (known.has(id) ? [] : [id]));
  const read = readFrom(draft.design, before);
  const [first, ...others] = read.map((pin) => ({
    ...newChannel(draft.design, pin).channel,
    name: asked.named,
  }));
  if (!first) throw new CannotBuild(`${asked.named} gives nothing that a controller could read.`);
  answerWith(draft, answeringKind(design.brief), (block, part) => build(draft, block, { part }));
  draft.make({ type: 'put-channel', channel: first });
  act(draft, first);
  const scenes = firstScenes(draft.design, asked.needs, asked.scene);
  const { edit, ...tuned } = tune(draft.design, [first, ...others], scenes, asked.every);
  draft.make(edit);
  for (const scene of scenes) draft.make({ type: 'put-scene', scene });
  const all = draft.edit(`begin with ${asked.named}`);
  return { ...tuned, design: draft.design, edit: all, sensor, around, because };
}

/** A supply and a controller on it. */
function powered(draft: Draft, { kind, firstFed, feed: into }: PartKind): void {
  if (!firstFed || !into) throw new CannotBuild('The controller takes no supply.');
  const { mains, battery, most } = firstFed;
  const { brief } = draft.design;
  const onCells = brief.feed === 'battery';
  const volts = sharedVolts(answeringKind(brief), onCells ? battery : mains, most);
  const supply = onCells
    ? addCells(draft, 'Battery', volts)
    : draft.add('adapter', 'Supply', { volts });
  const board = draft.add(kind, 'Controller');
  for (const [from, to] of [
    ['plus', into.plus],
    ['minus', into.minus],
  ] as const) {
    const ends = [terminalRef(supply, from), terminalRef(board, to)] as const;
    draft.join(...ends, { colour: usualColour(draft.design, ...ends) });
  }
}

/** Puts what sends its beam across from a sensor, as far beyond what must be noticed as the sensor is on this side. */
function shineAt(draft: Draft, sensor: string, needs: readonly Need[]): void {
  const { name, place } = draft.part(sensor);
  const emitter = kindOf(draft.part(sensor)).beamFrom;
  if (!emitter || !place) throw new CannotBuild(`${name} watches no beam.`);
  const ways = needs
    .filter((n) => n.intent === 'wanted')
    .flatMap((n) => n.far ?? findHappeningKind(n.kind)?.passes ?? []);
  const far = 2 * Math.max(usualWay, ...ways);
  const id = draft.add(emitter, findKind(emitter)?.label ?? emitter);
  const x = Math.min(draft.design.plan.width, place.x + far);
  draft.make({ type: 'place-part', id, place: { ...place, x, facing: 180 } });
  power({ draft, part: draft.part(id), because: [] });
}

/** @returns why it is built so */
function build(draft: Draft, id: string, answers: Record<string, string>): readonly string[] {
  const block = blocks.find((b) => b.id === id);
  if (!block) throw new RangeError(`There is no block "${id}".`);
  const usual = usualAnswers(block.asks(draft.design, answers['part']));
  const built = block.build(draft.design, { ...usual, ...answers });
  draft.make(built.edit);
  return built.because;
}

/** What a front end has made readable: numbers over a bus where there are any, else pins. */
function readFrom(design: Design, before: ReadonlySet<TerminalRef>): TerminalRef[] {
  const boards = new Set(boardsOf(design).map((b) => b.id));
  const fresh = readable(design).filter((ref) => !before.has(ref));
  const numbers = fresh.filter((ref) => !boards.has(splitRef(ref).part));
  return numbers.length > 0 ? numbers : fresh;
}

/** A rule that lets what answers act for the channel. */
function act(draft: Draft, channel: Channel): void {
  const { outputs, rules, brief } = draft.design;
  const output = outputs.at(-1);
  if (!output) throw new CannotBuild('Nothing is driven yet that a rule could switch.');
  const ids = rules.map((r) => r.id);
  draft.make({
    type: 'put-rule',
    rule: {
      id: freshId('r', ids),
      when: { is: 'channel', channel: channel.id },
      hold: Math.min(longestHold, brief.lasts ?? usualHold),
      latch: false,
      then: [{ do: 'drive', output: output.id, drive: { as: 'on' } }],
    },
  });
}
