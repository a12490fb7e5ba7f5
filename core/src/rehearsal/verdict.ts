import { surroundings } from '../catalog/index.js';
import type { Design, Happening, Scene } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { stimulusOn, happeningSpan, momentIn, setStage } from '../scene/index.js';
import { exposureOf, type Exposure } from './exposure.js';
import { firingsOf, isSignOf, longestWait, type Firing } from './firings.js';
import type { Rig } from './rig.js';
import { silentReason } from './silent-reason.js';
import type { ActingChange, LogicChange, Trace } from './traces.js';

/** What each sense feels at a moment of a scene, in the order of the design's parts, and what is too little to count. */
export type StimulusAt = (scene: Scene, t: number) => { value: number; floor: number }[];

export type Outcome = 'noticed' | 'missed' | 'quiet' | 'fired falsely';

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
  /** In the maker's words, with numbers. */
  because: string;
}

/** What a rehearsal recorded, as far as judging needs it. */
export interface Recorded {
  readings: Record<string, Trace>;
  acting: ActingChange[];
  logic: LogicChange[];
}

/** Plays a scene in which something does not happen, and tells what fires then. */
export type Replay = (scene: Scene) => Pick<Recorded, 'acting' | 'logic'>;

/** How long after a happening something that fires still belongs to it, s. */
const grace = 1;
/** What fires as soon as this after the same without a happening is the same, s. */
const same = 0.5;

interface Window {
  happening: Happening;
  exposure?: Exposure;
  from: number;
  to: number;
}

/**
 * Judges every happening. A wanted one is noticed when one of its signs comes while it is felt or within a
 * second after, or later, as far as modes take their time, if it would not have come without it. A nuisance fires falsely
 * in the same way, where no wanted happening explains it. What fires besides is a stray.
 */
export function judge(
  design: Design,
  scene: Scene,
  rig: Rig,
  record: Recorded,
  replay: Replay,
): { verdicts: Verdict[]; strays: number[] } {
  return new Judging(design, scene, rig, record, replay).all();
}

class Judging {
  private readonly firings: readonly Firing[];
  private readonly windows: readonly Window[];
  private readonly wait: number;
  /** What fires in the scene without each happening. */
  private readonly without = new Map<string, readonly Firing[]>();
  private readonly claimed = new Set<Firing>();

  constructor(
    private readonly design: Design,
    private readonly scene: Scene,
    rig: Rig,
    private readonly record: Recorded,
    private readonly replay: Replay,
  ) {
    this.firings = firingsOf(design, record);
    this.wait = longestWait(design);
    const stimulusAt = stimulusCourse(design, rig, scene);
    this.windows = scene.happenings.map((happening) => {
      const exposure = exposureOf(happening, scene, stimulusAt);
      const { start, end } = exposure ?? happeningSpan(happening);
      return { happening, exposure, from: start, to: end + grace };
    });
  }

  all(): { verdicts: Verdict[]; strays: number[] } {
    const verdicts = this.windows.map((window) => this.verdict(window));
    const strays = this.firings
      .filter((f) => isSignOf(this.design, f, undefined) && !this.claimed.has(f))
      .filter((f) => !this.windows.some((w) => f.t >= w.from && f.t <= w.to))
      .map((f) => f.t);
    return { verdicts, strays };
  }

  private verdict(window: Window): Verdict {
    const { happening, exposure, from } = window;
    const { intent, name, within = Infinity } = happening;
    const wanted = intent === 'wanted';
    const base = { happening: happening.id, name, intent, exposure };
    const firing = wanted ? this.sign(window) : this.falseSign(window);
    if (!firing) {
      const because = silentReason(this.design, window, this.record);
      return { ...base, outcome: wanted ? 'missed' : 'quiet', because };
    }
    // What fired long after is no stray; what fired before anything happened stays one.
    if (firing.t >= from) this.claimed.add(firing);
    const delay = Math.max(0, firing.t - from);
    const because = firedReason(firing, delay);
    if (!wanted) return { ...base, outcome: 'fired falsely', delay, because };
    if (delay <= within) return { ...base, outcome: 'noticed', delay, because };
    const late = `Too late: it had to be noticed within ${formatQuantity(within, 's')}. ${because}`;
    return { ...base, outcome: 'missed', delay, because: late };
  }

  /** What a wanted happening was noticed by. */
  private sign(window: Window): Firing | undefined {
    const { from, to, happening } = window;
    const own = this.firings.filter((f) => isSignOf(this.design, f, happening.signs));
    const prompt = own.find((f) => f.t <= to && (f.t >= from || f.end > from));
    return prompt ?? this.later(window, own);
  }

  /** What a nuisance set off, where nothing wanted explains it. */
  private falseSign(window: Window): Firing | undefined {
    const { from, to, happening } = window;
    const explained = (f: Firing): boolean =>
      this.windows.some((w) => w.happening.intent === 'wanted' && f.t >= w.from && f.t <= w.to);
    const own = this.firings.filter(
      (f) => isSignOf(this.design, f, happening.signs) && !explained(f),
    );
    return own.find((f) => f.t >= from && f.t <= to) ?? this.later(window, own);
  }

  /** The first sign after a happening that modes may have delayed, and that does not come without it. */
  private later({ to, happening }: Window, own: readonly Firing[]): Firing | undefined {
    return own.find(
      (f) =>
        f.t > to && f.t <= to + this.wait && !this.claimed.has(f) && this.comesOf(f, happening),
    );
  }

  private comesOf(firing: Firing, happening: Happening): boolean {
    let plain = this.without.get(happening.id);
    if (!plain) {
      const happenings = this.scene.happenings.filter((h) => h.id !== happening.id);
      plain = firingsOf(this.design, this.replay({ ...this.scene, happenings }));
      this.without.set(happening.id, plain);
    }
    const sign = JSON.stringify(firing.sign);
    return !plain.some((f) => JSON.stringify(f.sign) === sign && Math.abs(f.t - firing.t) < same);
  }
}

function firedReason({ what, because }: Firing, delay: number): string {
  const after =
    delay > 0 ? `${formatQuantity(delay, 's')} after it was first felt` : 'already when it began';
  return `${what} ${after}: ${because}.`;
}

/** Feeling without solving anew: emitters are taken as they are at the first moment of the scene. */
function stimulusCourse(design: Design, rig: Rig, scene: Scene): StimulusAt {
  const stage = setStage(design);
  const rest = { ...scene, happenings: [] };
  const solution = rig.settle(rest, 0, rig.restingLogic(rest));
  return (at, t) => {
    const now = momentIn(at, t);
    return stage.sensors.map((sensor) => ({
      value: stimulusOn(stage, sensor, now, (part) => solution.parts[part]),
      floor: surroundings[sensor.receiver.quantity].floor,
    }));
  };
}
