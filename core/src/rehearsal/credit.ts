import type { Happening, Scene } from '../design/index.js';
import type { Firing } from './firings.js';

/** Fires as soon as this after the same in another run: it is the same, s. */
const same = 0.5;
/** So often a scene is played again at most; then what began last is taken for the cause. */
const mostReplays = 60;

/** What a run tells of who may have had a part in what fires. */
export interface Told {
  /** From when a happening can have an effect, and until when by itself, s. */
  span: (happening: Happening) => { start: number; end: number };
  /** Whether everything was as at the beginning again, and all forgotten, between two moments. */
  separate: (from: number, to: number) => boolean;
  /** Plays the scene with other happenings and the same noise until a moment; tells what fires. */
  replay: (scene: Scene, until: number) => readonly Firing[];
}

/**
 * Whose doing it is that something fires. A firing belongs to a happening if the same run without that happening lacks it;
 * where each of several would have sufficed, to those that bring it about alone. What fires with none of them belongs to
 * none.
 */
export class Credit {
  private readonly played = new Map<string, { until: number; fires: readonly Firing[] }>();
  private replays = 0;
  private readonly possibles = new Map<Firing, Happening[]>();
  private readonly needs = new Map<Firing, Map<Happening, boolean>>();

  constructor(
    private readonly scene: Scene,
    private readonly told: Told,
  ) {}

  /** Whether a firing belongs to a happening. */
  owns(happening: Happening, firing: Firing): boolean {
    const possible = this.possible(firing);
    if (!possible.includes(happening)) return false;
    if (this.needed(happening, firing, possible)) return true;
    if (possible.some((h) => this.needed(h, firing, possible))) return false;
    // Each of several would do, or none is needed at all.
    return possible.length > 1 && !this.comes([], firing) && this.comes([happening], firing);
  }

  /** Whether a firing belongs to any happening of a kind. */
  isOf(firing: Firing, asked: (happening: Happening) => boolean): boolean {
    // Most often it is the last.
    return this.possible(firing).some((h) => asked(h) && this.owns(h, firing));
  }

  /** Those that can have had a part in it, the last first: they had begun, and were not forgotten. */
  private possible(firing: Firing): Happening[] {
    const { t } = firing;
    const known = this.possibles.get(firing);
    if (known) return known;
    const started = (h: Happening): number => this.told.span(h).start;
    const found = this.scene.happenings
      .filter((h) => started(h) <= t && !this.told.separate(this.told.span(h).end, t))
      .sort((a, b) => started(b) - started(a));
    this.possibles.set(firing, found);
    return found;
  }

  private needed(happening: Happening, firing: Firing, possible: readonly Happening[]): boolean {
    const known = this.needs.get(firing) ?? new Map<Happening, boolean>();
    this.needs.set(firing, known);
    if (this.replays >= mostReplays && !known.has(happening)) return happening === possible[0];
    // Where no other can have had a part, the run without anything decides, for all such firings.
    const others = this.scene.happenings.filter((h) => h !== happening && possible.length > 1);
    const needed = known.get(happening) ?? !this.comes(others, firing);
    known.set(happening, needed);
    return needed;
  }

  /** Whether the same begins where only some happenings come about, or is on already. */
  private comes(happenings: readonly Happening[], { sign, t }: Firing): boolean {
    const wanted = JSON.stringify(sign);
    return this.firingsWith(happenings, t + 2 * same).some(
      (f) =>
        JSON.stringify(f.sign) === wanted && (Math.abs(f.t - t) < same || (f.t < t && f.end > t)),
    );
  }

  private firingsWith(happenings: readonly Happening[], until: number): readonly Firing[] {
    const key = happenings.map((h) => h.id).join();
    const known = this.played.get(key);
    if (known && known.until >= until) return known.fires;
    // Asked for a second time it is played to its end: there will be more.
    const end = known ? Infinity : until;
    this.replays += 1;
    const fires = this.told.replay({ ...this.scene, happenings: [...happenings] }, end);
    this.played.set(key, { until: end, fires });
    return fires;
  }
}
