import { surroundings } from '../catalog/index.js';
import type { Design, Happening, Scene, Sign } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import {
  findHappeningKind,
  stimulusOn,
  happeningSpan,
  momentIn,
  setStage,
  type Span,
} from '../scene/index.js';
import { Credit, type Told } from './credit.js';
import { exposureOf, type Exposure } from './exposure.js';
import { jamsIn } from './jammed.js';
import { firingsOf, isSignOf, type Firing } from './firings.js';
import { Mounts } from './mounts.js';
import type { Rig } from './rig.js';
import { silentReason } from './silent-reason.js';
import { usualSigns } from './usual-signs.js';
import type { Outage } from './supervisor.js';
import type { ActingChange, LogicChange, Trace } from './traces.js';

/** What each sense feels at a moment of a scene, in the order of the design's parts, and what is too little to count. */
export type StimulusAt = (scene: Scene, t: number) => { value: number; floor: number }[];

/** Not tried is a nuisance that no sensor felt: that all stayed quiet says nothing. */
export type Outcome = 'noticed' | 'missed' | 'quiet' | 'fired falsely' | 'not tried';

/** Whether a happening was not dealt with as it should. */
export const wentWrong = (outcome: Outcome | undefined): boolean =>
  outcome === 'missed' || outcome === 'fired falsely';

/** How one happening of a rehearsed scene was dealt with. */
export interface Verdict {
  happening: string;
  name: string;
  intent: Happening['intent'];
  outcome: Outcome;
  /** From when to when a sensor felt it; absent when none did. */
  exposure?: Exposure;
  /** Seconds from its being felt to something acting. */
  delay?: number;
  /** What it brought about, and when, s. */
  by?: { sign: Sign; t: number };
  /** In the maker's words, with numbers. */
  because: string;
}

/** What a rehearsal recorded, as far as judging needs it. */
export interface Recorded {
  readings: Record<string, Trace>;
  acting: ActingChange[];
  logic: LogicChange[];
  /** When the controller did not run its program. */
  outages?: readonly Outage[];
}

/** Readings are looked through for so long after a happening, s. */
const grace = 1;

interface Met {
  happening: Happening;
  exposure?: Exposure;
  /** From when to when it is met, or goes on where no sensor meets it, s. */
  start: number;
  end: number;
}

/**
 * Judges every happening by what it brings about. A wanted one is noticed when one of its signs begins that would not
 * have begun without it: what is on already tells nothing. A nuisance fires falsely in the same way, where it brings about
 * what no wanted happening has a part in. What fires and belongs to none is a spurious alarm.
 */
export function judge(
  design: Design,
  scene: Scene,
  rig: Rig,
  record: Recorded,
  whatElse: Pick<Told, 'separate' | 'replay'>,
): { verdicts: Verdict[]; spurious: number[] } {
  const stimulusAt = stimulusCourse(design, rig, scene);
  const met = scene.happenings.map((happening): Met => {
    const exposure = exposureOf(happening, scene, stimulusAt);
    return { happening, exposure, ...happeningSpan(happening), ...exposure };
  });
  return new Judging(design, scene, record, met, whatElse).all();
}

class Judging {
  private readonly firings: readonly Firing[];
  private readonly credit: Credit;
  private readonly dead: boolean;
  private readonly usual: readonly Sign[];

  constructor(
    private readonly design: Design,
    private readonly scene: Scene,
    private readonly record: Recorded,
    private readonly met: readonly Met[],
    whatElse: Pick<Told, 'separate' | 'replay'>,
  ) {
    this.firings = firingsOf(design, record, scene);
    this.usual = usualSigns(design);
    const spans = new Map(
      met.map(({ happening, exposure }) => {
        const { start, end } = happeningSpan(happening);
        return [happening, { start, end: Math.max(end, exposure?.end ?? 0) }];
      }),
    );
    const span = (happening: Happening): Span => spans.get(happening) ?? happeningSpan(happening);
    this.credit = new Credit(scene, { ...whatElse, span });
    this.dead = scene.starts === 'power-on';
  }

  all(): { verdicts: Verdict[]; spurious: number[] } {
    const verdicts = this.met.map((met) => this.verdict(met));
    const spurious = this.firings
      .filter((f) => isSignOf(f, this.usual) && !this.credit.isOf(f, () => true))
      .map((f) => f.t);
    return { verdicts, spurious };
  }

  private verdict(met: Met): Verdict {
    const { happening, exposure, start } = met;
    const { intent, name, within = Infinity } = happening;
    const wanted = intent === 'wanted';
    const base = { happening: happening.id, name, intent, exposure };
    const firing = this.broughtAbout(happening);
    if (!firing) {
      const because =
        (wanted ? (this.onAlready(met) ?? this.ofOthers(met)) : undefined) ?? this.silent(met);
      return { ...base, outcome: wanted ? 'missed' : unfired(met), because };
    }
    const delay = Math.max(0, firing.t - start);
    const by = { sign: firing.sign, t: firing.t };
    const because = `${firing.what} ${formatQuantity(delay, 's')} after it was first felt: ${firing.because}.`;
    if (!wanted) return { ...base, outcome: 'fired falsely', delay, by, because };
    if (delay <= within) return { ...base, outcome: 'noticed', delay, by, because };
    const late = `Too late: it had to be noticed within ${formatQuantity(within, 's')}. ${because}`;
    return { ...base, outcome: 'missed', delay, by, because: late };
  }

  private signsOf({ signs = [] }: Happening): readonly Sign[] {
    return signs.length > 0 ? signs : this.usual;
  }

  /** The first sign that belongs to a happening; of a nuisance, that belongs to no wanted one besides. */
  private broughtAbout(happening: Happening): Firing | undefined {
    const wanted = (h: Happening): boolean => h.intent === 'wanted';
    const { start } = happeningSpan(happening);
    return this.firings.find(
      (f) =>
        f.t >= start &&
        isSignOf(f, this.signsOf(happening)) &&
        (wanted(happening) || !this.credit.isOf(f, wanted)) &&
        this.credit.owns(happening, f),
    );
  }

  /** That its sign was on before it was met, and since when. */
  private onAlready({ happening, start }: Met): string | undefined {
    const on = this.firings.find(
      (f) => isSignOf(f, this.signsOf(happening)) && f.t < start && f.end > start,
    );
    return (
      on && `${on.what} already, since ${formatQuantity(on.t, 's')}: that tells nothing of it.`
    );
  }

  /** That its sign began while it was met, but by another's doing. */
  private ofOthers({ happening, start, end }: Met): string | undefined {
    const began = this.firings.find(
      (f) => isSignOf(f, this.signsOf(happening)) && f.t >= start && f.t <= end + grace,
    );
    if (!began) return undefined;
    const other = this.met.find((m) => this.credit.owns(m.happening, began));
    const by = other ? `by “${other.happening.name}”` : 'it would have without it';
    return `${began.what} at ${formatQuantity(began.t, 's')}, but ${by}.`;
  }

  private silent({ happening, exposure, start, end }: Met): string {
    const { dead } = this;
    const window = {
      ...{ dead, exposure, alters: alters(happening), jams: jamsIn(this.scene) },
      ...{ from: start, to: end + grace },
    };
    return silentReason(this.design, window, this.record);
  }
}

/** How a nuisance that brought nothing about came out. */
const unfired = ({ happening, exposure }: Met): Outcome =>
  exposure || alters(happening) ? 'quiet' : 'not tried';

/** Whether it does something to the design itself, rather than being felt. */
function alters({ kind }: Happening): boolean {
  const { alters: changes, hangs = false, jams = false } = findHappeningKind(kind) ?? {};
  return hangs || jams || changes !== undefined;
}

/**
 * Feeling without solving anew: emitters are taken as they are at the first moment of the scene, what is on an arm as if it were
 * turned every way.
 */
function stimulusCourse(design: Design, rig: Rig, scene: Scene): StimulusAt {
  const [stage, mounts] = [setStage(design), new Mounts(design)];
  const rest = { ...scene, happenings: [] };
  const solution = rig.settle(rest, 0, rig.restingLogic(rest));
  return (at, t) => {
    return mounts.everyWay(momentIn(at, t)).flatMap((now) =>
      stage.sensors.map((sensor) => ({
        value: stimulusOn(stage, sensor, now, (part) => solution.parts[part]),
        floor: surroundings[sensor.receiver.quantity].floor,
      })),
    );
  };
}
