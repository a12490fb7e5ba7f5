import {
  kindOf,
  paramsOf,
  surroundings,
  type Quantity,
  type SolvedPart,
} from '../catalog/index.js';
import type { Design, Part, Scene } from '../design/index.js';
import { ambientOf, everywhereAt, momentIn, type Ambient, type Now } from '../scene/index.js';

/** Heat that a cubic metre of air takes up per kelvin at 20 °C, J/(m³·K): 1.204 kg/m³ · 1006 J/(kg·K). */
const airHeat = 1211;
/** m³/s in 1 L/min. */
const litrePerMinute = 1 / 60e3;
/** What air carries away, besides warmth. */
const airborne = ['propane', 'methane', 'alcohol', 'monoxide', 'smoke'] as const;
/** The world is followed in steps in which nothing changes by more than so many times what matters, of these lengths, s. */
const floors = 20;
const steps = { from: 1e-3, to: 10 };
/** So much of what matters in a second is rest. */
const stillPerSecond = 1e-5;

/** A stretch in which a pump ran without water. */
export interface DryRun {
  part: string;
  from: number;
  to: number;
}

/** What parts move altogether: L/min out of the tank, m³/s of air, W. */
interface Moved {
  water: number;
  air: number;
  heat: number;
}

type Solved = (part: string) => SolvedPart | undefined;

/**
 * How what acts changes what is felt: pumps and valves the water of a tank, fans the air of a room, heaters its warmth. Of every
 * quantity it holds how much of what the scene alone would give has been taken away. Balances (closed forms over each step):
 * A·dh/dt of the water, and V·dc/dt = s − (λV + q)·c of well-mixed air, its heat likewise.
 */
export class World {
  readonly dryRuns: DryRun[] = [];
  private readonly ambient: Ambient;
  private readonly movers: readonly Part[];
  private readonly taken = new Map<Quantity, number>();
  private readonly perSecond = new Map<Quantity, number>();
  private t = 0;
  /** What was moved at the last look. */
  private before: Moved = { water: 0, air: 0, heat: 0 };

  constructor(
    design: Design,
    private readonly scene: Scene,
  ) {
    this.ambient = ambientOf(scene);
    const { tank, room } = this.ambient;
    this.movers =
      tank > 0 || room > 0 ? design.parts.filter((part) => kindOf(part).moves !== undefined) : [];
  }

  /** Whether nothing was moved so far. */
  get isNone(): boolean {
    return this.taken.size === 0;
  }

  /** The fastest change of anything, so many times what matters in a second. */
  private get haste(): number {
    let most = 0;
    for (const [quantity, rate] of this.perSecond)
      most = Math.max(most, Math.abs(rate) / surroundings[quantity].floor);
    return most;
  }

  /** Whether nothing in it is on its way. */
  get rests(): boolean {
    return this.haste < stillPerSecond;
  }

  /** How far it is gone before it is looked at anew, s. */
  get reach(): number {
    const { haste } = this;
    if (haste < stillPerSecond) return Infinity;
    return Math.min(steps.to, Math.max(steps.from, floors / haste));
  }

  /** A moment of the scene with all that has been taken away by then. */
  now(t: number): Now {
    const now = momentIn(this.scene, t);
    if (this.taken.size === 0) return now;
    const since = Math.max(0, t - this.t);
    const taken = new Map<Quantity, number>();
    for (const [quantity, value] of this.taken)
      taken.set(quantity, value + (this.perSecond.get(quantity) ?? 0) * since);
    // A moment is made anew each time it is asked for.
    now.taken = taken;
    now.air -= taken.get('temperature') ?? 0;
    return now;
  }

  /** Goes on to a moment with everything moved as parts move it now. */
  advance(t: number, solved: Solved): void {
    const { tank, room } = this.ambient;
    const span = t - this.t;
    if (!(tank > 0 || room > 0)) return;
    const middle = momentIn(this.scene, (t + this.t) / 2);
    const moved = this.moved(solved);
    const mean = span > 0 ? between(this.before, moved) : moved;
    this.before = moved;
    this.t = t;
    if (tank > 0) this.pump(span, mean.water, moved.water, solved);
    if (room > 0) this.air(span, middle, mean);
  }

  private moved(solved: Solved): Moved {
    const all = { water: 0, air: 0, heat: 0 };
    for (const part of this.movers) {
      const [{ moves }, now, params] = [kindOf(part), solved(part.id), paramsOf(part)];
      if (!moves || !now) continue;
      all.water += moves.water?.(now, params) ?? 0;
      all.air += moves.air?.(now, params) ?? 0;
      all.heat += moves.heat?.(now, params) ?? 0;
    }
    return all;
  }

  /** The tank, below nothing and above its brim of which nothing is. */
  private pump(span: number, mean: number, litres: number, solved: Solved): void {
    const { tank, brim } = this.ambient;
    const falls = (out: number): number => (out * litrePerMinute) / tank;
    const level = everywhereAt(momentIn(this.scene, this.t), 'water');
    const highest = brim > 0 ? level - brim : -Infinity;
    const wanted = (this.taken.get('water') ?? 0) + falls(mean) * span;
    const after = Math.min(level, Math.max(highest, wanted));
    const dry = wanted > level;
    this.taken.set('water', after);
    // At the bottom and at the brim no more is taken than runs in.
    this.perSecond.set('water', after === wanted ? falls(litres) : 0);
    this.taken.set('flow', -Math.abs(dry ? 0 : litres));
    this.noteDry(dry, span, solved);
  }

  private noteDry(dry: boolean, span: number, solved: Solved): void {
    if (!dry) return;
    for (const part of this.movers) {
      const { moves } = kindOf(part);
      const now = solved(part.id);
      const runs = now && moves?.water && moves.water(now, paramsOf(part)) > 0;
      if (!runs) continue;
      const last = this.dryRuns.findLast((d) => d.part === part.id);
      if (last && last.to >= this.t - span - 1e-9) last.to = this.t;
      else this.dryRuns.push({ part: part.id, from: this.t, to: this.t });
    }
  }

  private air(span: number, now: Now, { air, heat }: Moved): void {
    const { room, airing, holds, loss } = this.ambient;
    const own = airing / 3600;
    for (const quantity of airborne)
      this.decay(quantity, span, now, { loses: own, vents: air / room, gains: 0 });
    const capacity = holds > 0 ? holds : airHeat * room;
    const warmth = {
      loses: (loss + airHeat * room * own) / capacity,
      vents: (airHeat * air) / capacity,
      gains: heat / capacity,
    };
    this.decay('temperature', span, now, warmth);
  }

  /**
   * One quantity in well-mixed air, whose scene alone gives p: what is taken of it obeys d' = −(λ + k)·d + k·p − g.
   *
   * @param loses λ, of itself; vents: k, by fans, both 1/s; gains: g, its unit per second
   */
  private decay(
    quantity: Quantity,
    span: number,
    now: Now,
    { loses, vents, gains }: { loses: number; vents: number; gains: number },
  ): void {
    const given = everywhereAt(now, quantity) - outdoors(quantity, now);
    const before = this.taken.get(quantity) ?? 0;
    const pushes = vents * given - gains;
    if (before === 0 && pushes === 0) return;
    const rate = loses + vents;
    const after =
      rate > 0
        ? pushes / rate + (before - pushes / rate) * Math.exp(-rate * span)
        : before + pushes * span;
    this.taken.set(quantity, after);
    this.perSecond.set(quantity, pushes - rate * after);
  }
}

const between = (a: Moved, b: Moved): Moved => ({
  water: (a.water + b.water) / 2,
  air: (a.air + b.air) / 2,
  heat: (a.heat + b.heat) / 2,
});

/** What the air outside has of a quantity. */
const outdoors = (quantity: Quantity, { ambient, outside }: Now): number =>
  quantity === 'temperature' ? outside : ambient[quantity];
