import { kindOf, numbersOf } from '../catalog/index.js';
import { nameOf, type Design, type Scene } from '../design/index.js';
import { entry } from '../quantity/index.js';
import { useScene, wentWrong, type Outcomes, type Used } from '../rehearsal/index.js';
import { findHappeningKind } from '../scene/index.js';

export const day = 86_400;

/** Shares of their charge that batteries hold, by part id. */
export type Levels = ReadonlyMap<string, number>;

/** How a design goes on while its batteries stand at some levels. */
export interface Pace {
  /** Share of its charge that each battery loses in a second, on the average of a day; below 0 where it is charged. */
  falls: Levels;
  /** The same while nothing happens. */
  atRest: Levels;
  /** Why it no longer does what it is for; left out while it does. */
  fails?: string;
}

/** The batteries of a design, and how full they are at first. */
export const levelsOf = ({ parts }: Design): Levels =>
  new Map(
    parts.flatMap((part) => {
      const { store, params } = kindOf(part);
      return store ? [[part.id, entry(numbersOf(params, part.params), store.level)] as const] : [];
    }),
  );

const withLevels = (design: Design, levels: Levels): Design => ({
  ...design,
  parts: design.parts.map((part) => {
    const { store } = kindOf(part);
    const level = levels.get(part.id);
    if (!store || level === undefined) return part;
    return { ...part, params: { ...part.params, [store.level]: level } };
  }),
});

/** Followed at rest for so long, s: long enough for a few of the cycles in which it sleeps and gives signs of life. */
function restingTime({ controller, notices }: Design): number {
  const beats = notices.map((n) => n.heartbeat ?? 0);
  return Math.max(60, 20 * (controller.sleep?.every ?? 0), 3 * Math.max(0, ...beats));
}

/** Days that are alike: a scene some times in each, and rest. */
export class Days {
  private readonly scene: Scene;
  private readonly rest: Scene;
  /** How it goes on with batteries as they are at first. */
  readonly first: Pace;
  private readonly begun: Used & Outcomes;

  /** @param times how often the scene comes in a day; as often as it fits in where it is more */
  constructor(
    private readonly design: Design,
    scene: Scene,
    private readonly times: number,
  ) {
    // What is done to the batteries themselves belongs to no day like the others.
    const happenings = scene.happenings.filter((h) => {
      const { contributes, suits } = findHappeningKind(h.kind) ?? {};
      const part = design.parts.find((p) => p.id === h.target?.part);
      const ofStore = part !== undefined && suits !== undefined && kindOf(part).store !== undefined;
      return !contributes?.charge && !ofStore;
    });
    this.scene = { ...scene, happenings };
    this.rest = { ...scene, happenings: [], starts: 'settled', duration: restingTime(design) };
    this.begun = useScene(design, this.scene);
    this.first = this.pace(levelsOf(design), this.begun);
  }

  /** Whether the scene could not be followed to its end. */
  get halted(): boolean {
    return this.begun.halted !== undefined;
  }

  /** How it goes on with batteries at some levels. */
  at(levels: Levels): Pace {
    return this.pace(levels, useScene(withLevels(this.design, levels), this.scene));
  }

  private pace(levels: Levels, busy: Used & Outcomes): Pace {
    const { duration } = this.scene;
    const quiet = useScene(withLevels(this.design, levels), this.rest);
    const share = Math.min(1, (this.times * duration) / day);
    const given = ({ charges }: Used, part: string): number =>
      charges.find((c) => c.part === part)?.share ?? 0;
    const parts = [...levels.keys()];
    const atRest = new Map(parts.map((p) => [p, given(quiet, p) / this.rest.duration]));
    const falls = new Map(
      parts.map((p) => [
        p,
        share * (given(busy, p) / duration) + (1 - share) * (atRest.get(p) ?? 0),
      ]),
    );
    const fails = this.failure(levels, busy, quiet);
    return { falls, atRest, ...(fails === undefined ? {} : { fails }) };
  }

  /** What it no longer does that it did at first. */
  private failure(
    levels: Levels,
    busy: Used & Outcomes,
    quiet: Used & Outcomes,
  ): string | undefined {
    const halted = busy.halted ?? quiet.halted;
    if (halted) return `it cannot be followed: ${halted.because}`;
    const [empty] = [...levels].filter(([, level]) => level <= 0);
    if (empty) return `${nameOf(this.design.parts, empty[0])} is empty`;
    const out = quiet.outages[0] ?? busy.outages[this.begun.outages.length];
    if (out) return `the controller stops: ${out.because}`;
    if (busy.spurious.length > this.begun.spurious.length) return 'it fires at nothing';
    const other = busy.verdicts.find((v) => {
      const before = this.begun.verdicts.find((b) => b.happening === v.happening);
      return before && !wentWrong(before.outcome) && wentWrong(v.outcome);
    });
    if (!other) return undefined;
    return other.outcome === 'missed'
      ? `“${other.name}” is no longer noticed`
      : `“${other.name}” sets it off`;
  }
}
