import { kindOf, paramsOf, type SolvedPart } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import type { Now } from '../scene/index.js';

/** What is turned is told anew when it has turned by so much, °. */
const step = 0.25;
/** Slower than this an arm stands, °/s. */
const stands = 0.1;
/** It is told no oftener than this, s. */
const soonest = 2e-3;

/** Where it is asked what may be felt, so many ways are tried. */
const tried = 13;

type Solved = (part: string) => SolvedPart | undefined;

/** A part on the arm of another. */
interface Mount {
  part: string;
  arm: string;
  degrees: (arm: SolvedPart) => number;
  /** At most, °. */
  most: number;
  /** How far the arm has gone, and how far what is on it was told to be turned, °. */
  gone?: number;
  turned: number;
}

/** What is fixed to an arm looks elsewhere as the arm turns. */
export class Mounts {
  private readonly mounts: readonly Mount[];
  /** How fast the fastest arm turns, °/s. */
  private speed = 0;
  private t = 0;

  constructor(design: Design) {
    this.mounts = design.parts.flatMap(({ id, place }): Mount[] => {
      const arm = design.parts.find((p) => p.id === place?.on);
      const turns = arm && kindOf(arm).arm;
      if (!arm || !turns) return [];
      const params = paramsOf(arm);
      const degrees = (now: SolvedPart): number => turns.degrees(now, params);
      return [{ part: id, arm: arm.id, degrees, most: turns.most(params), turned: 0 }];
    });
  }

  /** Whether anything is fixed to an arm. */
  get isAny(): boolean {
    return this.mounts.length > 0;
  }

  /** Whether all stands as it was placed. */
  get isNone(): boolean {
    return this.mounts.every(({ turned }) => turned === 0);
  }

  /** Whether every arm stands. */
  get rests(): boolean {
    return this.speed < stands;
  }

  /** How far it is gone before it is looked at anew, s. */
  get reach(): number {
    return this.rests ? Infinity : Math.max(soonest, step / this.speed);
  }

  /** Turns everything as the arms stand at a moment. */
  advance(t: number, solved: Solved): void {
    let speed = 0;
    for (const mount of this.mounts) {
      const angle = angleOf(mount, solved);
      const before = mount.gone ?? angle;
      mount.gone = angle;
      if (t > this.t) speed = Math.max(speed, Math.abs(angle - before) / (t - this.t));
      if (Math.abs(angle - mount.turned) >= step) mount.turned = angle;
    }
    if (t > this.t) this.speed = speed;
    this.t = t;
  }

  /** A moment with everything turned in every way that arms can, in so many steps; as it was placed first. */
  everyWay(now: Now): Now[] {
    const ways = this.isAny ? Array.from({ length: tried }, (_, i) => i / (tried - 1)) : [0];
    return ways.map((share) =>
      withTurned(
        now,
        this.mounts.map((mount) => ({ ...mount, turned: share * mount.most })),
      ),
    );
  }

  /** A moment with everything turned as it is. */
  at(now: Now): Now {
    return withTurned(now, this.mounts);
  }

  /** A moment with everything turned as the arms of a settled circuit stand. */
  settled(now: Now, solved: Solved): Now {
    return withTurned(
      now,
      this.mounts.map((mount) => ({ ...mount, turned: angleOf(mount, solved) })),
    );
  }
}

function angleOf({ arm, degrees }: Mount, solved: Solved): number {
  const now = solved(arm);
  return now ? degrees(now) : 0;
}

function withTurned(now: Now, mounts: readonly Mount[]): Now {
  const turned = mounts.filter((mount) => mount.turned !== 0);
  if (turned.length === 0) return now;
  const altered = turned.map(({ part, turned: turn }) => ({
    target: { part },
    by: { shift: { x: 0, y: 0, turn } },
  }));
  return { ...now, altered: [...now.altered, ...altered] };
}
