import type { Happening, Scene } from '../design/index.js';
import type { Firing } from './firings.js';

/** Fires as soon as this after the same in another run: it is the same, s. */
const same = 0.5;

/** What a run tells of who may have had a part in what fires. */
export interface Told {
  /** From when a happening is met, and until when, s. */
  span: (happening: Happening) => { start: number; end: number };
  /** Whether everything was as at the beginning again, and all forgotten, between two moments. */
  separate: (from: number, to: number) => boolean;
  /** Plays the scene with other happenings, the same noise, until a moment; tells what fires. */
  replay: (scene: Scene, until: number) => readonly Firing[];
}

/**
 * Whose doing it is that something fires. A firing belongs to a happening if the same run without that happening lacks it;
 * where each of several would have sufficed, to those that bring it about alone. What fires with none of them belongs to
 * none. Where but one can have had a part, the run without anything decides for all such firings.
 */
export class Credit {
  private readonly played = new Map<string, readonly Firing[]>();
  private readonly known = new Map<Firing, readonly Happening[]>();
  private readonly until: number;

  /** @param firings all of the run */
  constructor(
    private readonly scene: Scene,
    firings: readonly Firing[],
    private readonly told: Told,
  ) {
    this.until = Math.max(0, ...firings.map((f) => f.t)) + 2 * same;
  }

  /** The happenings to which a firing belongs. */
  ownersOf(firing: Firing): readonly Happening[] {
    const found = this.known.get(firing) ?? this.find(firing);
    this.known.set(firing, found);
    return found;
  }

  private find(firing: Firing): readonly Happening[] {
    const possible = this.scene.happenings.filter((h) => this.canHave(h, firing));
    if (possible.length === 0) return [];
    const alone = this.anyway([], firing);
    if (alone === 'begins' || (alone && possible.length === 1)) return [];
    if (possible.length === 1) return possible;
    const needed = possible.filter((h) => !this.anyway(this.others(h), firing));
    return needed.length > 0 ? needed : possible.filter((h) => this.anyway([h], firing));
  }

  /** Whether a happening can have had a part in it: it had begun, and was not forgotten. */
  private canHave(happening: Happening, { t }: Firing): boolean {
    const { start, end } = this.told.span(happening);
    return start <= t && !this.told.separate(end, t);
  }

  private others(happening: Happening): readonly Happening[] {
    return this.scene.happenings.filter((h) => h.id !== happening.id);
  }

  /** Whether the same begins where only some happenings come about, or is on already. */
  private anyway(
    happenings: readonly Happening[],
    { sign, t }: Firing,
  ): 'begins' | 'on' | undefined {
    const wanted = JSON.stringify(sign);
    const alike = this.firingsWith(happenings).filter((f) => JSON.stringify(f.sign) === wanted);
    if (alike.some((f) => Math.abs(f.t - t) < same)) return 'begins';
    return alike.some((f) => f.t < t && f.end > t) ? 'on' : undefined;
  }

  private firingsWith(happenings: readonly Happening[]): readonly Firing[] {
    const key = happenings.map((h) => h.id).join();
    const known = this.played.get(key);
    if (known) return known;
    const fires = this.told.replay({ ...this.scene, happenings: [...happenings] }, this.until);
    this.played.set(key, fires);
    return fires;
  }
}
