import {
  kindOf,
  nameNet,
  terminalOf,
  type NamedNet,
  type PartKind,
  type Terminal,
} from '../catalog/index.js';
import {
  deriveNets,
  splitRef,
  terminalRef,
  type Design,
  type Part,
  type TerminalRef,
} from '../design/index.js';

/** One end on a net: which terminal of which part. */
export interface End {
  ref: TerminalRef;
  part: Part;
  kind: PartKind;
  terminal: Terminal;
}

/** Which terminals of a design are joined, looked up from any side. */
export class Wiring {
  private readonly nets = new Map<TerminalRef, NamedNet>();
  private readonly byTerminal = new Map<TerminalRef, TerminalRef>();
  private readonly endsOf = new Map<TerminalRef, readonly End[]>();
  private readonly byId: ReadonlyMap<string, Part>;

  constructor(readonly design: Design) {
    this.byId = new Map(design.parts.map((p) => [p.id, p]));
    for (const net of deriveNets(design)) {
      this.nets.set(net.id, nameNet(design, net));
      for (const ref of net.terminals) this.byTerminal.set(ref, net.id);
    }
  }

  part(id: string): Part | undefined {
    return this.byId.get(id);
  }

  /** The part a terminal belongs to. */
  owner(ref: TerminalRef): Part | undefined {
    return this.byId.get(splitRef(ref).part);
  }

  /** Id of the net of a terminal; a terminal without wires is its own. */
  net(ref: TerminalRef): TerminalRef {
    return this.byTerminal.get(ref) ?? ref;
  }

  /** The net of a terminal, with its name; undefined without wires. */
  named(ref: TerminalRef): NamedNet | undefined {
    return this.nets.get(this.net(ref));
  }

  /** All nets with wires. */
  all(): NamedNet[] {
    return [...this.nets.values()];
  }

  /** Whether anything is wired to a terminal. */
  wired(ref: TerminalRef): boolean {
    return this.byTerminal.has(ref);
  }

  same(a: TerminalRef, b: TerminalRef): boolean {
    return this.net(a) === this.net(b);
  }

  nature(ref: TerminalRef): NamedNet['nature'] {
    return this.named(ref)?.nature ?? 'signal';
  }

  /** Everything on the net of a terminal, itself included. */
  ends(ref: TerminalRef): readonly End[] {
    const net = this.net(ref);
    const known = this.endsOf.get(net);
    if (known) return known;
    const ends = (this.nets.get(net)?.terminals ?? [ref]).flatMap((end) => {
      const part = this.owner(end);
      const { terminal: id } = splitRef(end);
      const kind = part && kindOf(part);
      const terminal = kind?.terminals.find((t) => t.id === id);
      return part && kind && terminal ? [{ ref: end, part, kind, terminal }] : [];
    });
    this.endsOf.set(net, ends);
    return ends;
  }

  /** A terminal by itself, with the part that it is of; undefined where there is none. */
  end(ref: TerminalRef): End | undefined {
    return this.ends(ref).find((e) => e.ref === ref);
  }

  /** Parts of two terminals or more that stand with one on each of two nets. */
  between(a: TerminalRef, b: TerminalRef): Part[] {
    const [one, other] = [this.ends(a), this.ends(b)];
    return this.design.parts.filter(
      (p) => one.some((e) => e.part === p) && other.some((e) => e.part === p),
    );
  }

  /** A two-terminal part's other end. */
  beyond(end: End): TerminalRef | undefined {
    const { terminals } = end.kind;
    if (terminals.length !== 2) return undefined;
    const far = terminals.find((t) => t.id !== end.terminal.id);
    return far && terminalRef(end.part.id, far.id);
  }

  /** The wired terminal of a part with one of these roles, if there is one. */
  terminalWith(part: Part, ...roles: Terminal['role'][]): TerminalRef | undefined {
    const found = kindOf(part).terminals.find(
      (t) => roles.includes(t.role) && this.wired(terminalRef(part.id, t.id)),
    );
    return found && terminalRef(part.id, found.id);
  }

  /** Ground: the terminal that most wires lead to. */
  ground(): TerminalRef | undefined {
    const grounds = this.all().filter((n) => n.nature === 'ground');
    const largest = grounds.sort((a, b) => b.terminals.length - a.terminals.length)[0];
    return (
      largest?.terminals.find((t) => terminalOf(this.design, t)?.role === 'ground') ??
      this.firstWith('ground')
    );
  }

  private firstWith(role: Terminal['role']): TerminalRef | undefined {
    for (const part of this.design.parts) {
      const terminal = kindOf(part).terminals.find((t) => t.role === role);
      if (terminal) return terminalRef(part.id, terminal.id);
    }
    return undefined;
  }
}

const known = new WeakMap<Design, Wiring>();

/** The wiring of a design; worked out once. */
export function wiringOf(design: Design): Wiring {
  const wiring = known.get(design) ?? new Wiring(design);
  known.set(design, wiring);
  return wiring;
}
