import { kindOf, paramsOf } from '../catalog/index.js';
import { isOnlyInTime } from '../scene/index.js';
import { applyEdit, EditError, type Design, type Edit, type Scene } from '../design/index.js';
import { chainOf, eventsOf, type Event } from './events.js';
import { indicates } from './firings.js';
import { nearest } from './log-query.js';
import { quietAdjustments, rounded, sayAdjustment, type Adjustment } from './adjustments.js';
import type { Path } from './play.js';
import type { Outcomes, Rehearsal } from './rehearsal.js';
import { judgeScene } from './rehearse.js';
import { quietScene, Rig } from './rig.js';
import { allOn } from './snapshot.js';
import type { Outcome } from './verdict.js';
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

/** Why a happening was missed or fired falsely, and what was tried against it. */
export interface Why {
  happening: string;
  place: Break['place'] | 'fired';
  text: string;
  /** For a false alarm, how it came about. */
  chain: Event[];
  remedies: Remedy[];
}

/** The smallest change that cures is sought in so many tries for each number. */
const mostTries = 6;

/**
 * Why a happening was missed or fired falsely: the first place where the way broke, or how it came to fire, with
 * the smallest changes that would cure it, each tried in the whole scene.
 *
 * @param onTry told the number of rehearsals played, after each
 * @returns undefined for a happening that was dealt with as it should
 */
export function explain(
  design: Design,
  scene: Scene,
  rehearsal: Rehearsal,
  happening: string,
  onTry?: (tries: number) => void,
): Why | undefined {
  const found = scene.happenings.find((h) => h.id === happening);
  const verdict = rehearsal.verdicts.find((v) => v.happening === happening);
  if (!found || !verdict) return undefined;
  const trying = new Trying(design, scene, rehearsal, happening, onTry);
  if (verdict.outcome === 'missed') {
    const broken = whyNot(design, rehearsal, found, outputsThatFire(design));
    const late = verdict.delay !== undefined;
    const text = late ? verdict.because : broken.text;
    const remedies = late ? [] : trying.each(broken.adjustments);
    return { happening, place: broken.place, text, chain: [], remedies };
  }
  if (verdict.outcome !== 'fired falsely') return undefined;
  const chain = firedBy(design, rehearsal, happening);
  const remedies = trying.each(adjustmentsAgainst(design, rehearsal, verdict.exposure, chain));
  return { happening, place: 'fired', text: verdict.because, chain, remedies };
}

/** Where between two readings a happening may fall besides, in shares of their distance. */
const shifts = [0.2, 0.4, 0.6, 0.8];

const good = (outcome: Outcome): boolean => outcome === 'noticed' || outcome === 'quiet';

/** What helps without harm comes first, then what helps. */
const better = (a: Remedy, b: Remedy): number =>
  Number(b.effective) - Number(a.effective) || a.regressions.length - b.regressions.length;

/** Outputs that make a part act that does not only indicate, each switched on alone. */
export function outputsThatFire(design: Design): Set<string> {
  const rig = new Rig(design);
  const resting = rig.restingLogic(quietScene);
  const on = allOn(design, resting);
  const acting = (outputs: typeof on.outputs): Set<string> => {
    const solution = rig.settle(quietScene, 0, { ...resting, outputs });
    const active = design.parts.filter((part) => {
      const solved = solution.parts[part.id];
      return !indicates(part) && solved && kindOf(part).acts?.active(solved, paramsOf(part));
    });
    return new Set(active.map((p) => p.id));
  };
  const off = Object.fromEntries(
    Object.entries(on.outputs).map(([id, o]) => [id, { ...o, level: 0, target: 0 }]),
  );
  const plain = acting(off);
  const fires = design.outputs.filter((o) =>
    [...acting({ ...off, [o.id]: on.outputs[o.id] })].some((part) => !plain.has(part)),
  );
  return new Set(fires.map((o) => o.id));
}

/** How the first false sign of a happening came about. */
function firedBy(design: Design, rehearsal: Rehearsal, happening: string): Event[] {
  const verdict = rehearsal.verdicts.find((v) => v.happening === happening);
  const t = (verdict?.exposure?.start ?? 0) + (verdict?.delay ?? 0);
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
  exposure: { start: number; end: number } | undefined,
  chain: readonly Event[],
): Adjustment[] {
  if (!exposure) return [];
  const ids = new Set(chain.filter((e) => e.kind === 'channel').map((e) => e.id));
  return design.channels
    .filter((c) => ids.has(c.id))
    .flatMap((channel) => {
      const near = nearest(channel, rehearsal, { from: exposure.start, to: exposure.end + 1 });
      return near && near.by > 0 ? quietAdjustments(channel, near) : [];
    });
}

/** Tries changes for one happening, each in the whole scene. */
class Trying {
  private tries = 0;
  /** Whether the circuit as settled comes to the same of the happening: then it is what a search may go by. */
  private settles = false;

  constructor(
    private readonly design: Design,
    private readonly scene: Scene,
    private readonly before: Rehearsal,
    private readonly happening: string,
    private readonly onTry?: (tries: number) => void,
  ) {}

  private outcomeIn({ verdicts }: Outcomes): Outcome | undefined {
    return verdicts.find((v) => v.happening === this.happening)?.outcome;
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
        h.id === this.happening ? { ...h, start: h.start + share * phase } : h,
      );
      const after = this.play(design, { ...this.scene, happenings }, path);
      const mine = this.outcomeIn(after);
      return mine !== undefined && good(mine);
    });
  }

  private compare(label: string, edit: Edit, after: Outcomes): Remedy | undefined {
    const mine = after.verdicts.find((v) => v.happening === this.happening);
    if (!mine) return undefined;
    const regressions = after.verdicts
      .filter((v) => v.happening !== this.happening && !good(v.outcome))
      .filter((v) => {
        const was = this.before.verdicts.find((b) => b.happening === v.happening);
        return was && good(was.outcome);
      })
      .map((v) => v.name);
    if (after.strays.length > this.before.strays.length) regressions.push('the quiet in between');
    const { outcome, delay } = mine;
    return { label, edit, outcome, delay, effective: good(outcome), regressions };
  }
}
