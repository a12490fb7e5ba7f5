import { kindOf, paramsOf } from '../catalog/index.js';
import { isOnlyInTime } from '../scene/index.js';
import { applyEdit, EditError, type Design, type Edit, type Scene } from '../design/index.js';
import { chainOf, eventsOf, type Event } from './events.js';
import { nearest, type Stretch } from './log-query.js';
import { partAdjustments } from './part-adjustments.js';
import { quietAdjustments, rounded, sayAdjustment, type Adjustment } from './adjustments.js';
import type { Path } from './play.js';
import type { Outcomes, Rehearsal } from './rehearsal.js';
import { judgeScene } from './rehearse.js';
import { quietScene, Rig } from './rig.js';
import { allOn } from './snapshot.js';
import { wentWrong, type Outcome } from './verdict.js';
import { whyNot, type Break } from './why-not.js';

/** A change that was tried in the scene, and what came of it. */
export interface Remedy {
  label: string;
  edit: Edit;
  /** What came of the happening with it. */
  outcome: Outcome;
  delay?: number;
  /** It helps wherever between two readings the happening falls. */
  effective: boolean;
  /** Names of happenings that fare worse with it. */
  regressions: string[];
}

/** What is asked about: a happening by its id, or what fired at a moment without any, s. */
export type Asked = string | { spurious: number };

/** Why a happening was missed or fired falsely, and what was tried against it. */
export interface Why {
  place: Break['place'] | 'circuit' | 'fired';
  text: string;
  /** For a false alarm, how it came about. */
  chain: Event[];
  remedies: Remedy[];
}

/** The smallest change that cures is sought in so many tries for each number. */
const mostTries = 6;

/**
 * Why a happening was missed or fired falsely, or something fired without any: the first place where the way broke, or how it
 * came to fire, with the smallest changes that would cure it, each tried in the whole scene.
 *
 * @param onTry told the number of rehearsals played, after each
 * @returns undefined for a happening that was dealt with as it should
 */
export function explain(
  design: Design,
  scene: Scene,
  rehearsal: Rehearsal,
  asked: Asked,
  onTry?: (tries: number) => void,
): Why | undefined {
  const trying = new Trying(design, scene, rehearsal, asked, onTry);
  if (typeof asked === 'object') return whySpurious(design, rehearsal, asked.spurious, trying);
  const found = scene.happenings.find((h) => h.id === asked);
  const verdict = rehearsal.verdicts.find((v) => v.happening === asked);
  if (!found || !verdict) return undefined;
  if (verdict.outcome === 'missed') {
    if (decidesItself(design) && verdict.exposure)
      return {
        place: 'circuit',
        text: verdict.because,
        chain: [],
        remedies: turning(design, trying),
      };
    const broken = whyNot(design, rehearsal, found, outputsByPart(design));
    const late = verdict.delay !== undefined;
    const text = late ? verdict.because : broken.text;
    const remedies = late ? [] : trying.each(broken.adjustments);
    return { place: broken.place, text, chain: [], remedies };
  }
  if (verdict.outcome !== 'fired falsely') return undefined;
  const { exposure, delay = 0 } = verdict;
  const chain = firedBy(design, rehearsal, (exposure?.start ?? 0) + delay);
  const span = exposure && { from: exposure.start, to: exposure.end + 1 };
  const remedies = against(design, rehearsal, span, chain, trying);
  return { place: 'fired', text: verdict.because, chain, remedies };
}

/** What fired without anything happening: how it came about, and what keeps it quiet. */
function whySpurious(design: Design, rehearsal: Rehearsal, t: number, trying: Trying): Why {
  const chain = firedBy(design, rehearsal, t);
  const begun = chain.find((e) => e.kind === 'channel')?.t ?? t;
  const back = Math.max(...design.channels.map((c) => c.every * c.hits), 1);
  const remedies = against(design, rehearsal, { from: begun - back, to: t + 1 }, chain, trying);
  const text = 'Nothing that happens brought it about: noise, the circuit or the program itself.';
  return { place: 'fired', text, chain, remedies };
}

/** What keeps quiet what fired: of the channels in its chain, or of a circuit that decides by itself. */
function against(
  design: Design,
  rehearsal: Rehearsal,
  span: Stretch | undefined,
  chain: readonly Event[],
  trying: Trying,
): Remedy[] {
  return decidesItself(design)
    ? turning(design, trying)
    : trying.each(adjustmentsAgainst(design, rehearsal, span, chain));
}

/** Without channels it is the circuit that decides. */
const decidesItself = ({ channels }: Design): boolean => channels.length === 0;

/** Of the many values of a circuit only those that help are told. */
const turning = (design: Design, trying: Trying): Remedy[] =>
  trying.each(partAdjustments(design)).filter((r) => r.effective);

/** Where between two readings a happening may fall besides, in shares of their distance. */
const shifts = [0.2, 0.4, 0.6, 0.8];

/** What helps without harm comes first, then what helps. */
const better = (a: Remedy, b: Remedy): number =>
  Number(b.effective) - Number(a.effective) || a.regressions.length - b.regressions.length;

/** By part the outputs that make it act, each switched on alone. */
export function outputsByPart(design: Design): Map<string, Set<string>> {
  const rig = new Rig(design);
  const resting = rig.restingLogic(quietScene);
  const on = allOn(design, resting);
  const acting = (outputs: typeof on.outputs): string[] => {
    const solution = rig.settle(quietScene, 0, { ...resting, outputs });
    const active = design.parts.filter((part) => {
      const solved = solution.parts[part.id];
      return solved && kindOf(part).acts?.active(solved, paramsOf(part));
    });
    return active.map((p) => p.id);
  };
  const off = Object.fromEntries(
    Object.entries(on.outputs).map(([id, o]) => [id, { ...o, level: 0, target: 0 }]),
  );
  const plain = new Set(acting(off));
  const found = new Map<string, Set<string>>();
  for (const [id, output] of Object.entries(on.outputs))
    for (const part of acting({ ...off, [id]: output }))
      if (!plain.has(part)) found.set(part, (found.get(part) ?? new Set()).add(id));
  return found;
}

/** How what fired at a moment came about. */
function firedBy(design: Design, rehearsal: Rehearsal, t: number): Event[] {
  const events = eventsOf(design, rehearsal);
  const place = events.findIndex(
    (e) => e.begins && e.kind !== 'channel' && Math.abs(e.t - t) < 1e-6,
  );
  const acting = events.findIndex(
    (e) => e.kind === 'acting' && e.begins && Math.abs(e.t - t) < 1e-6,
  );
  const at = acting >= 0 ? acting : place;
  return at < 0 ? [] : chainOf(events, at);
}

function adjustmentsAgainst(
  design: Design,
  rehearsal: Rehearsal,
  span: Stretch | undefined,
  chain: readonly Event[],
): Adjustment[] {
  if (!span) return [];
  const ids = new Set(chain.filter((e) => e.kind === 'channel').map((e) => e.id));
  return design.channels
    .filter((c) => ids.has(c.id))
    .flatMap((channel) => {
      const near = nearest(channel, rehearsal, span);
      return near && near.by > 0 ? quietAdjustments(channel, near) : [];
    });
}

/** What fires within this of a spurious one, in another run, is the same, s. */
const sameFiring = 0.5;

/** Tries changes for what is asked about, each in the whole scene. */
class Trying {
  private tries = 0;
  /** Whether the circuit as settled comes to the same of the happening: then it is what a search may go by. */
  private settles = false;

  constructor(
    private readonly design: Design,
    private readonly scene: Scene,
    private readonly before: Rehearsal,
    private readonly asked: Asked,
    private readonly onTry?: (tries: number) => void,
  ) {}

  private outcomeIn({ verdicts, spurious }: Outcomes): Outcome | undefined {
    const { asked } = this;
    if (typeof asked === 'string') return verdicts.find((v) => v.happening === asked)?.outcome;
    return spurious.some((t) => Math.abs(t - asked.spurious) < sameFiring)
      ? 'fired falsely'
      : 'quiet';
  }

  /** One knob after the other until one cures and spoils nothing; the best first. */
  each(adjustments: readonly Adjustment[]): Remedy[] {
    const remedies: Remedy[] = [];
    this.settles =
      adjustments.length > 0 &&
      this.before.circuit === 'in time' &&
      !isOnlyInTime(this.scene) &&
      this.outcomeIn(this.play(this.design, this.scene, 'fast')) === this.outcomeIn(this.before);
    for (const adjustment of adjustments) {
      const remedy = this.smallest(adjustment);
      if (remedy) remedies.push(remedy);
      if (remedy?.effective && remedy.regressions.length === 0) break;
    }
    return remedies.sort(better);
  }

  /**
   * The smallest turn of a knob that helps, by halving; the whole turn if even that does not. Where the circuit as settled comes
   * to the same it is sought there, and tried in time.
   */
  smallest(adjustment: Adjustment): Remedy | undefined {
    if (adjustment.from === adjustment.to) return undefined;
    if (this.settles) {
      const { value, remedy } = this.halve(adjustment, 'fast');
      const tried = remedy?.effective ? this.try(adjustment, value, 'time', 'fast') : undefined;
      if (tried?.effective) return tried;
    }
    return this.halve(adjustment, this.before.circuit === 'in time' ? 'time' : 'fast').remedy;
  }

  private halve(adjustment: Adjustment, path: Path): { value: number; remedy?: Remedy } {
    let best = this.try(adjustment, adjustment.to, path);
    let [bad, good] = [adjustment.from, adjustment.to];
    for (let i = 1; i < mostTries && best?.effective; i++) {
      const middle = rounded(adjustment, (bad + good) / 2);
      if (middle === bad || middle === good) break;
      const remedy = this.try(adjustment, middle, path);
      if (remedy?.effective) [best, good] = [remedy, middle];
      else bad = middle;
    }
    return { value: good, remedy: best };
  }

  /** @param elsewhere how it is looked whether it helps wherever between two readings the happening falls */
  private try(
    adjustment: Adjustment,
    value: number,
    path: Path,
    elsewhere = path,
  ): Remedy | undefined {
    const tried = rounded(adjustment, value);
    try {
      const edit = adjustment.edit(this.design, tried);
      const design = applyEdit(this.design, edit);
      const label = sayAdjustment(adjustment, tried);
      const remedy = this.compare(label, edit, this.play(design, this.scene, path));
      if (!remedy?.effective || adjustment.phase === undefined) return remedy;
      return { ...remedy, effective: this.always(design, adjustment.phase, elsewhere) };
    } catch (error) {
      if (error instanceof EditError || error instanceof RangeError) return undefined;
      throw error;
    }
  }

  private play(design: Design, scene: Scene, path: Path): Outcomes {
    this.onTry?.(++this.tries);
    return judgeScene(design, scene, path);
  }

  /** Whether the happening is dealt with as well when it begins a little later, up to one reading. */
  private always(design: Design, phase: number, path: Path): boolean {
    return shifts.every((share) => {
      const happenings = this.scene.happenings.map((h) =>
        h.id === this.asked ? { ...h, start: h.start + share * phase } : h,
      );
      const after = this.play(design, { ...this.scene, happenings }, path);
      const mine = this.outcomeIn(after);
      return mine !== undefined && !wentWrong(mine);
    });
  }

  private compare(label: string, edit: Edit, after: Outcomes): Remedy | undefined {
    const outcome = this.outcomeIn(after);
    if (!outcome) return undefined;
    const delay = after.verdicts.find((v) => v.happening === this.asked)?.delay;
    const regressions = after.verdicts
      .filter((v) => v.happening !== this.asked && wentWrong(v.outcome))
      .filter((v) => {
        const was = this.before.verdicts.find((b) => b.happening === v.happening);
        return was && !wentWrong(was.outcome);
      })
      .map((v) => v.name);
    if (after.spurious.length > this.before.spurious.length)
      regressions.push('the quiet in between');
    return {
      label,
      edit,
      outcome,
      ...(delay === undefined ? {} : { delay }),
      effective: !wentWrong(outcome),
      regressions,
    };
  }
}
