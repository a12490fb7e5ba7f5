import {
  channelReader,
  findSurrounding,
  kindOf,
  paramsOf,
  type ChannelReader,
} from '../catalog/index.js';
import { check, gatherEvidence } from '../check/index.js';
import type { Channel, Design, Edit, Happening, Need, Part } from '../design/index.js';
import { energyTrace, roomBetween, wentWrong, type Outcome } from '../rehearsal/index.js';
import { suppliesOf } from '../wiring/index.js';
import { coverage } from './coverage.js';
import { groupsIn } from './line.js';
import type { FirstDesign } from './first-design.js';

/** How a sensor deals with one thing of the brief, in the scene in which it does worst. */
export interface Dealt {
  need: string;
  name: string;
  intent: Happening['intent'];
  /** Undefined where it cannot happen in the brief's surroundings. */
  outcome?: Outcome;
  /** From being felt to the sounder, s. */
  delay?: number;
  because: string;
}

/** What its channel reads, counts. */
export interface Signal {
  /** At rest, the reading nearest to the line. */
  rest: number;
  /** The furthest reading of what must be noticed and goes least far. */
  wanted: number;
  line: number;
  full: number;
  trips: Channel['trips'];
  /** The way between the two, in standard deviations of the readings at rest. */
  overNoise: number;
}

/** What a first design does, as it was solved and rehearsed. */
export interface Performance {
  /** Puts it on the bench. */
  edit: Edit;
  dealt: Dealt[];
  /** False alarms that belong to nothing in the brief. */
  spurious: number;
  signal?: Signal;
  /** Mean current out of the supply over the scenes, A. */
  amps: number;
  /** What a battery lasts at that current, s. */
  lasts?: number;
  /** Before it can be relied on after power has come on, s. */
  warmUp?: number;
  /** Its output stays so long by itself, s. */
  holds?: number;
  /** What it wants around it, by name, and why. */
  around: string[];
  because: readonly string[];
  /** Where the controller reads it, and how; undefined without one. */
  reads?: { at: string; by: ChannelReader['by'] };
  /** It lies in the way or is fixed to the thing: nothing beside it is noticed. */
  onContact: boolean;
  /** Ground on which what must be noticed is, whichever way it goes, from where the first design has it, m²; of several musts the least. */
  covers?: number;
  /** So many of it at least for all of the plan. */
  forAll?: number;
  /** It tells which one it is, not only that there is one. */
  identifies: boolean;
  /** What is wrong with it as it stands: mistakes and cautions that are found, and what went wrong in the scenes. */
  wrong: string[];
}

/** A reading is rounded to whole counts: its standard deviation is never below this, counts. */
const rounding = 1 / Math.sqrt(12);

export function performanceOf(needs: readonly Need[], first: FirstDesign): Performance {
  const { design, channel, played, sensor, edit, because } = first;
  const named = (id: string): string => partOf(design, id).name;
  const part = partOf(design, sensor);
  const kind = kindOf(part);
  const params = paramsOf(part);
  const amps = meanAmps(first);
  const { plan } = design;
  const covers = coveredBy(needs, first);
  return {
    edit,
    because,
    dealt: needs.map((need) => dealtWith(need, first)),
    spurious: played.reduce((sum, { rehearsal }) => sum + rehearsal.spurious.length, 0),
    signal: signalOf(first),
    amps,
    lasts: lastsAt(design, amps),
    warmUp: kind.warmUp?.(params),
    holds: kind.hold?.(params),
    around: first.around.map(named),
    reads: channel && {
      at: channel.pin,
      by: channelReader(design, channel.pin)?.by ?? 'level',
    },
    onContact: findSurrounding(kind.senses?.quantities[0] ?? '')?.onContact === true,
    ...(covers ? { covers, forAll: Math.ceil((plan.width * plan.depth) / covers) } : {}),
    identifies: kind.senses?.quantities.some((q) => q === 'tag' || q === 'key') ?? false,
    wrong: wrongWith(first),
  };
}

/** Of the musts that are somewhere on the plan; undefined where none is. */
function coveredBy(
  needs: readonly Need[],
  { design, played: [first] }: FirstDesign,
): number | undefined {
  if (!first) return undefined;
  const areas = needs
    .filter(({ intent }) => intent === 'wanted')
    .flatMap((need) => coverage(design, first.scene, need)?.area ?? [])
    .map(({ once, twice }) => once + twice);
  return areas.length > 0 ? Math.min(...areas) : undefined;
}

function wrongWith({ design, played }: FirstDesign): string[] {
  const [first] = played;
  const found = check(gatherEvidence(design, first?.scene))
    .filter(({ severity }) => severity === 'error' || severity === 'caution')
    // What has to be written down with any of its sort says nothing of this one.
    .filter(({ code }) => code !== 'life-safety-notice')
    .map(({ title }) => title);
  const troubles = played.flatMap(({ rehearsal }) =>
    rehearsal.troubles.map(({ part, what }) => `${partOf(design, part).name} ${what}`),
  );
  return [...new Set([...found, ...troubles])];
}

function partOf(design: Design, id: string): Part {
  const part = design.parts.find((p) => p.id === id);
  if (!part) throw new RangeError(`There is no part ${id}.`);
  return part;
}

/** The worst of what came of a need, and of those the slowest. */
function dealtWith({ id, name, intent }: Need, { played }: FirstDesign): Dealt {
  const verdicts = played
    .flatMap(({ scene, rehearsal }) =>
      scene.happenings
        .filter((h) => h.need === id)
        .flatMap((h) => rehearsal.verdicts.find((v) => v.happening === h.id) ?? []),
    )
    .sort(
      (a, b) =>
        Number(wentWrong(b.outcome)) - Number(wentWrong(a.outcome)) ||
        (b.delay ?? 0) - (a.delay ?? 0),
    );
  const [worst] = verdicts;
  const told = { need: id, name, intent };
  if (!worst) return { ...told, because: 'It cannot happen where and when the brief says.' };
  const { outcome, delay, because } = worst;
  return { ...told, outcome, because, ...(delay === undefined ? {} : { delay }) };
}

function signalOf({ design, channel, played }: FirstDesign): Signal | undefined {
  if (!channel) return undefined;
  const groups = groupsIn(played, channel.id);
  const room = roomBetween(groups, channel.trips);
  const rest = groups.find((g) => g.kind === 'quiet');
  if (!room || !rest) return undefined;
  const { trips, threshold: line } = channel;
  const { quiet, wanted, width } = room;
  const full = channelReader(design, channel.pin)?.full ?? NaN;
  return {
    ...{ rest: quiet, wanted, line, full, trips },
    overNoise: width / Math.max(rest.sd, rounding),
  };
}

/** What the supplies give, by the volts of the one that feeds all. */
function meanAmps({ design, played }: FirstDesign): number {
  const volts = Math.max(...suppliesOf(design).map((s) => s.volts));
  const joules = played.map(({ rehearsal }) => energyTrace(rehearsal).values.at(-1) ?? 0);
  const seconds = played.reduce((sum, { rehearsal }) => sum + rehearsal.duration, 0);
  return joules.reduce((sum, e) => sum + e, 0) / seconds / volts;
}

/** What the batteries of a design hold, at a steady current, s. */
function lastsAt({ parts }: Design, amps: number): number | undefined {
  const ampHours = parts.flatMap((p) => kindOf(p).store?.ampHours(paramsOf(p)) ?? []);
  return ampHours.length > 0 ? (3600 * ampHours.reduce((sum, c) => sum + c, 0)) / amps : undefined;
}
