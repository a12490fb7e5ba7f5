import { endsOf, findKind } from '../catalog/index.js';
import {
  applyEdit,
  freshId,
  terminalRef,
  type Design,
  type Edit,
  type Part,
  type TerminalRef,
  type Wire,
} from '../design/index.js';

/** Collects changes to a design, one after another, into a single edit that undoes as one. */
export class Draft {
  private readonly edits: Edit[] = [];
  private present: Design;

  constructor(design: Design) {
    this.present = design;
  }

  /** The design with everything so far. */
  get design(): Design {
    return this.present;
  }

  /** @throws EditError as `applyEdit` */
  make(edit: Edit): this {
    this.present = applyEdit(this.present, edit);
    this.edits.push(edit);
    return this;
  }

  /**
   * Puts a new part on the bench.
   *
   * @returns its id
   * @throws RangeError for a kind that is not in the catalogue
   */
  add(kind: string, name: string, params: Record<string, number> = {}): string {
    const found = findKind(kind);
    if (!found) throw new RangeError(`There is no part kind "${kind}".`);
    const id = freshId(
      found.prefix,
      this.present.parts.map((p) => p.id),
    );
    this.make({ type: 'add-part', part: { id, kind, name, params } });
    return id;
  }

  /** @throws RangeError when no part has the id */
  part(id: string): Part {
    const part = this.present.parts.find((p) => p.id === id);
    if (!part) throw new RangeError(`There is no part ${id}.`);
    return part;
  }

  /** Joins two terminals by a wire; nothing happens where they are joined directly already. */
  join(from: TerminalRef, to: TerminalRef, more: Partial<Wire> = {}): this {
    const there = this.present.wires.some(
      (w) => (w.from === from && w.to === to) || (w.from === to && w.to === from),
    );
    if (there || from === to) return this;
    const id = freshId(
      'w',
      this.present.wires.map((w) => w.id),
    );
    return this.make({ type: 'add-wire', wire: { ...more, id, from, to } });
  }

  /** A new two-terminal part between two terminals, its first terminal at `from`. */
  between(
    kind: string,
    name: string,
    params: Record<string, number>,
    from: TerminalRef,
    to: TerminalRef,
  ): string {
    const id = this.add(kind, name, params);
    const [first, second] = endsOf(kind);
    this.join(from, terminalRef(id, first.id));
    this.join(terminalRef(id, second.id), to);
    return id;
  }

  /** Every wire at a terminal is moved to another one. */
  rewire(from: TerminalRef, to: TerminalRef): this {
    for (const wire of this.present.wires.filter((w) => w.from === from || w.to === from)) {
      this.make({ type: 'remove-wire', id: wire.id });
      const moved = {
        ...wire,
        from: wire.from === from ? to : wire.from,
        to: wire.to === from ? to : wire.to,
      };
      if (moved.from !== moved.to) this.make({ type: 'add-wire', wire: moved });
    }
    return this;
  }

  /** Moves everything that uses controller pins to others, all at once: wires, settings, channels, outputs. */
  movePins(moves: ReadonlyMap<TerminalRef, TerminalRef>): this {
    const { wires, controller, channels, outputs } = this.present;
    const moved = (ref: TerminalRef): TerminalRef => moves.get(ref) ?? ref;
    const touched = wires.filter((w) => moves.has(w.from) || moves.has(w.to));
    for (const { id } of touched) this.make({ type: 'remove-wire', id });
    for (const wire of touched)
      this.make({
        type: 'add-wire',
        wire: { ...wire, from: moved(wire.from), to: moved(wire.to) },
      });
    const uses = controller.pins.filter((p) => moves.has(p.pin));
    for (const { pin } of uses) this.make({ type: 'clear-pin', pin });
    for (const use of uses) this.make({ ...use, type: 'set-pin', pin: moved(use.pin) });
    for (const channel of channels.filter((c) => moves.has(c.pin)))
      this.make({ type: 'put-channel', channel: { ...channel, pin: moved(channel.pin) } });
    for (const output of outputs.filter((o) => moves.has(o.pin)))
      this.make({ type: 'put-output', output: { ...output, pin: moved(output.pin) } });
    return this;
  }

  set(part: string, param: string, value: number): this {
    return this.make({ type: 'set-param', id: part, param, value });
  }

  /** Everything so far as one edit. */
  edit(label: string): Edit {
    return { type: 'batch', label, edits: [...this.edits] };
  }
}
