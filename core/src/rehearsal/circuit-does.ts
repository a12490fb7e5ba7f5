import { findSurrounding, kindOf, paramsOf, type Quantity } from '../catalog/index.js';
import { Circuit, feltRange } from '../circuit/index.js';
import type { Design, Part, Scene } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { snapshot } from './snapshot.js';

/** What a circuit does by itself when something is felt: where a part begins to act, and where it ceases. */
export interface Deed {
  sensor: string;
  part: string;
  quantity: Quantity;
  /** It begins when what is felt rises above this, or falls below it. */
  way: 'above' | 'below';
  begins: number;
  /** Where it ceases again; undefined if it goes on until power is cut. */
  ceases?: number;
  text: string;
}

const steps = 160;
const fine = 16;

/**
 * What the circuit decides by itself, without a controller: each sense is taken from rest to its highest and lowest
 * and back, all others at rest, and every part that acts is watched.
 *
 * @param scene its surroundings at rest
 */
export function circuitDoes(design: Design, scene?: Scene): Deed[] {
  const { stimulus } = snapshot(design, scene);
  return design.parts.flatMap((sensor) => {
    const quantity = kindOf(sensor).senses?.quantities[0];
    const rest = quantity && stimulus[sensor.id]?.[quantity];
    return quantity === undefined || rest === undefined
      ? []
      : new Sweep(design, stimulus, sensor, quantity).deeds(rest);
  });
}

/** A turn of a part at a value, on the way up or down. */
interface Turn {
  part: string;
  active: boolean;
  at: number;
  up: boolean;
}

class Sweep {
  private readonly circuit: Circuit;
  private acting = new Set<string>();
  private readonly turns: Turn[] = [];

  constructor(
    private readonly design: Design,
    stimulus: ReturnType<typeof snapshot>['stimulus'],
    private readonly sensor: Part,
    private readonly quantity: Quantity,
  ) {
    this.circuit = new Circuit(design);
    for (const [id, values] of Object.entries(stimulus))
      this.circuit.setState(id, { stimulus: values });
  }

  deeds(rest: number): Deed[] {
    const { low, high, scale: by } = feltRange(kindOf(this.sensor), this.quantity);
    const log = by === 'log';
    const scale = (from: number, to: number, share: number): number =>
      log ? from * (to / from) ** share : from + (to - from) * share;
    const start = log ? Math.max(low, rest) : rest;
    this.acting = this.actingAt(start);
    const ways: [number, number][] = [
      [start, high],
      [high, low],
      [low, start],
    ];
    for (const [from, to] of ways) {
      if (from === to) continue;
      for (let i = 1; i <= steps; i++)
        this.step(scale(from, to, (i - 1) / steps), scale(from, to, i / steps));
    }
    return this.told();
  }

  private actingAt(value: number): Set<string> {
    this.circuit.setStimulus(this.sensor.id, this.quantity, value);
    this.circuit.solve();
    const active = this.design.parts.filter((part) => {
      const { acts } = kindOf(part);
      return acts?.active(this.circuit.values(part.id).update(), paramsOf(part));
    });
    return new Set(active.map((p) => p.id));
  }

  /** One step of the way, in finer ones where something turns in it. */
  private step(from: number, to: number): void {
    const memory = this.circuit.network.remember();
    const after = this.actingAt(to);
    if (same(after, this.acting)) return;
    this.circuit.network.recall(memory);
    for (let i = 1; i <= fine; i++) {
      const value = from + ((to - from) * i) / fine;
      const now = this.actingAt(value);
      for (const { id } of this.design.parts)
        if (now.has(id) !== this.acting.has(id))
          this.turns.push({ part: id, active: now.has(id), at: value, up: to > from });
      this.acting = now;
    }
  }

  /** Each first beginning with the first end after it. */
  private told(): Deed[] {
    const seen = new Set<string>();
    return this.turns.flatMap((turn, i): Deed[] => {
      if (!turn.active || seen.has(turn.part)) return [];
      seen.add(turn.part);
      const end = this.turns.slice(i + 1).find((t) => t.part === turn.part && !t.active);
      const way = turn.up ? 'above' : 'below';
      const deed = { part: turn.part, way, begins: turn.at, ceases: end?.at } as const;
      const { sensor, quantity } = this;
      return [{ sensor: sensor.id, quantity, ...deed, text: this.say(deed) }];
    });
  }

  private say({
    part,
    way,
    begins,
    ceases,
  }: Pick<Deed, 'part' | 'way' | 'begins' | 'ceases'>): string {
    const { label = this.quantity, unit = '' } = findSurrounding(this.quantity) ?? {};
    const found = this.design.parts.find((p) => p.id === part);
    const word = (found && kindOf(found).acts?.word) ?? 'acting';
    const say = (value: number): string => formatQuantity(value, unit);
    const moves = way === 'above' ? 'rises above' : 'falls below';
    const until =
      ceases === undefined
        ? 'until power is cut'
        : `until it ${way === 'above' ? 'falls below' : 'rises above'} ${say(ceases)}`;
    return `when ${label.toLowerCase()} at ${this.sensor.name} ${moves} ${say(begins)} → ${found?.name ?? part} ${word} ${until}`;
  }
}

const same = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean =>
  a.size === b.size && [...a].every((id) => b.has(id));
