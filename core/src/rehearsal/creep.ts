import { kindOf, paramsOf, type Quantity } from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import type { Design } from '../design/index.js';

/** Creep is counted from this time under load on, s: c·lg(1 + t/t₁). */
const first = 1;
/** A part is told when it has crept by another such share. */
const step = 2e-3;
/** It is told no oftener than this, s. */
const soonest = 0.1;

/** A part goes under load (1), or is relieved of it (−1). */
interface Turn {
  t: number;
  by: 1 | -1;
}

interface Creeping {
  id: string;
  param: string;
  quantity: Quantity;
  /** It is under load above this much of the quantity. */
  from: number;
  /** The share that it reads more a decade of time. */
  perDecade: number;
  /** The share that it had crept by before the scene. */
  had: number;
  turns: Turn[];
  /** The share that it was told last, besides that. */
  told: number;
}

/**
 * What creeps under a lasting load, and goes back as slowly: by c·lg(1 + t/t₁) after t, loads one after the other superposed
 * (Boltzmann, 1876).
 */
export class Creep {
  private readonly parts: Creeping[];

  constructor(
    design: Design,
    private readonly circuit: Circuit,
  ) {
    this.parts = design.parts.flatMap((part) => {
      const { creeps } = kindOf(part);
      if (!creeps) return [];
      const [params, { param, under: quantity }] = [paramsOf(part), creeps];
      const [from, perDecade] = [creeps.from(params), creeps.share(params)];
      const had = Number(params[param] ?? 0);
      return [{ id: part.id, param, quantity, from, perDecade, had, turns: [], told: 0 }];
    });
  }

  /** Whether there is anything that creeps. */
  get isAny(): boolean {
    return this.parts.length > 0;
  }

  /** Whether nothing was under load, or next to nothing is left of it. */
  get isNone(): boolean {
    return this.parts.every(({ turns }) => turns.length === 0);
  }

  /** Tells parts how far they have crept by a moment, with what they meet then; whether any has. */
  update(t: number): boolean {
    let changed = false;
    for (const part of this.parts) {
      turn(part, this.circuit.stimulusOf(part.id)[part.quantity], t);
      const share = crept(part, t);
      if (Math.abs(share - part.told) < step && (share > 0 || part.told === 0)) continue;
      part.told = share;
      this.circuit.setParams(part.id, { [part.param]: part.had + share });
      changed = true;
    }
    return changed;
  }

  /** How far it is gone from a moment before a part is told anew, s. */
  reach(t: number): number {
    const spans = this.parts.map((part) => step / Math.abs(slope(part, t)));
    return Math.max(soonest, Math.min(Infinity, ...spans));
  }

  /** Whether no part would have crept farther at another moment. */
  isSame(t: number): boolean {
    return this.parts.every((part) => Math.abs(crept(part, t) - part.told) < step);
  }
}

/** Notes whether a part goes under load or is relieved, and forgets what is over. */
function turn(part: Creeping, meets: number, t: number): void {
  const { turns, from } = part;
  const [was, is] = [turns.at(-1)?.by === 1, meets > from];
  if (was !== is) turns.push({ t, by: is ? 1 : -1 });
  else if (!is && crept(part, t) < step / 2) part.turns = [];
}

/** How much more a part reads than freshly under load, as a share. */
const crept = ({ turns, perDecade }: Creeping, t: number): number =>
  perDecade * turns.reduce((sum, turn) => sum + turn.by * Math.log10(1 + (t - turn.t) / first), 0);

/** How fast that changes, 1/s. */
const slope = ({ turns, perDecade }: Creeping, t: number): number =>
  (perDecade / Math.LN10) * turns.reduce((sum, turn) => sum + turn.by / (first + t - turn.t), 0);
