import { kindOf } from '../catalog/index.js';
import { terminalRef, type Design, type Part } from '../design/index.js';
import { isSource } from './is-source.js';
import { wiringOf, type End, type Wiring } from './wiring.js';

/**
 * Parts of a design that have to do with each other by more than what all share, which is rails, supplies, controllers and what
 * leads power to these: by copper from part to part, by light and sound that one gives and the other feels, or by an arm.
 */
export class Islands {
  private readonly wiring: Wiring;
  private readonly above = new Map<string, string>();
  private readonly hubs: ReadonlySet<string>;
  /** Parts and nets that lead power to a hub. */
  private readonly leads: ReadonlySet<string>;

  constructor(private readonly design: Design) {
    this.wiring = wiringOf(design);
    const isHub = (part: Part): boolean =>
      isSource(part) || kindOf(part).terminals.some((t) => t.role === 'pin');
    this.hubs = new Set(design.parts.filter(isHub).map((p) => p.id));
    this.joinByCopper();
    this.leads = this.leading();
    this.joinByWhatIsFelt();
    this.joinByArms();
  }

  /**
   * @param places ids of parts, channels, outputs and wires, refs of terminals and nets
   * @returns names of the islands they are on; none for what all share, and for what is no place
   */
  of(places: readonly string[]): Set<string> {
    const { wires, channels, outputs } = this.design;
    return new Set(
      places.flatMap((place) => {
        const wire = wires.find((w) => w.id === place);
        const use = [...channels, ...outputs].find((u) => u.id === place);
        return (wire ? [wire.from, wire.to] : [use?.pin ?? place]).flatMap((at) => this.at(at));
      }),
    );
  }

  /** Ids of the parts on some islands. */
  on(islands: ReadonlySet<string>): Set<string> {
    const isOn = (id: string): boolean => [...this.of([id])].some((i) => islands.has(i));
    return new Set(this.design.parts.map(({ id }) => id).filter(isOn));
  }

  private at(place: string): string[] {
    const part = this.wiring.owner(place);
    if (!part) return [];
    // What is read of a part by asking it is no terminal of it.
    const isTerminal = kindOf(part).terminals.some(({ id }) => terminalRef(part.id, id) === place);
    const ofNet = isTerminal && !this.isRail(place);
    const at = ofNet ? this.wiring.net(place) : part.id;
    return (this.hubs.has(part.id) && !ofNet) || this.leads.has(at) ? [] : [this.top(at)];
  }

  /** Whether a hub is fed by a net, or feeds it. */
  private isRail(ref: string): boolean {
    return this.hubEnds(ref).some((e) => e.terminal.role !== 'pin');
  }

  private hubEnds(ref: string): End[] {
    return this.wiring.ends(ref).filter((e) => this.hubs.has(e.part.id));
  }

  /** What is on islands that rails depend on: those rails that no source and no controller feeds. */
  private leading(): Set<string> {
    const rails = this.wiring.all().flatMap(({ terminals: [ref] }) => ref ?? []);
    const fed = rails.filter(
      (ref) =>
        this.isRail(ref) &&
        !this.hubEnds(ref).some((e) => isSource(e.part) || e.terminal.role === 'supply-out'),
    );
    const tops = fed.flatMap((ref) => this.wiring.ends(ref).map((e) => this.top(e.part.id)));
    return new Set([...this.above.keys(), ...tops].filter((at) => tops.includes(this.top(at))));
  }

  private joinByCopper(): void {
    for (const part of this.design.parts.filter((p) => !this.hubs.has(p.id)))
      for (const { id } of kindOf(part).terminals) {
        const ref = terminalRef(part.id, id);
        if (!this.isRail(ref)) this.join(part.id, this.wiring.net(ref));
      }
  }

  private joinByWhatIsFelt(): void {
    const { parts } = this.design;
    for (const source of parts) {
      const given = kindOf(source).emits?.quantity;
      if (!given) continue;
      for (const other of parts)
        if (kindOf(other).senses?.quantities.includes(given)) this.join(source.id, other.id);
    }
  }

  /** What an arm turns feels, and is felt, otherwise as it turns. */
  private joinByArms(): void {
    for (const { id, place } of this.design.parts) if (place?.on) this.join(place.on, id);
  }

  private top(at: string): string {
    const above = this.above.get(at);
    return above === undefined ? at : this.top(above);
  }

  private join(a: string, b: string): void {
    const [one, other] = [this.top(a), this.top(b)];
    if (one !== other) this.above.set(other, one);
  }
}

/** Whether islands have one in common; none is what all share. */
export const meet = (some: ReadonlySet<string>, others: ReadonlySet<string>): boolean =>
  some.size === 0 || others.size === 0 || [...others].some((island) => some.has(island));

const known = new WeakMap<Design, Islands>();

/** The islands of a design; worked out once. */
export function islandsOf(design: Design): Islands {
  const islands = known.get(design) ?? new Islands(design);
  known.set(design, islands);
  return islands;
}
