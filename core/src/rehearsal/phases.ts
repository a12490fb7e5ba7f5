import { kindOf, paramsOf, storedOf, type Params } from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import type { Design, Part } from '../design/index.js';
import { entry } from '../quantity/index.js';
import type { LogicState } from '../logic/index.js';

type NoticeState = LogicState['notices'][string];

interface Way {
  id: string;
  /** Values of the part as it is, and in this phase. */
  usual: Readonly<Record<string, number>>;
  phase: Readonly<Record<string, number>>;
}

/** What the program puts parts into: the controller asleep, a radio on the air or a card being written for as long as a message takes. */
export class Phases {
  private readonly sleepers: readonly Way[];
  /** What sends a message, and what writes it down. */
  private readonly tellers: readonly (Way & { lasts: number })[];
  /** Parts that are not as usual now. */
  private readonly told = new Map<string, Way>();

  constructor(
    design: Design,
    private readonly circuit: Circuit,
  ) {
    const deciders = design.parts.filter((p) => kindOf(p).stage === 'decides');
    this.sleepers = design.controller.sleep ? deciders.flatMap(asleep) : [];
    const radios = design.parts.filter((p) => !deciders.includes(p)).flatMap(sending);
    // A controller sends by its own radio where it has no other.
    const senders = radios.length > 0 ? radios : deciders.flatMap(sending);
    this.tellers = [...senders, ...design.parts.flatMap(keeping)];
  }

  /** When the message that is under way has been sent, s. */
  next({ notices }: LogicState, t: number): number {
    if (this.tellers.length === 0) return Infinity;
    const ends = Object.values(notices)
      .flatMap(sentAt)
      .flatMap((at) => this.tellers.map((s) => at + s.lasts));
    return Math.min(Infinity, ...ends.filter((end) => end > t));
  }

  /** Puts every part into its phase; whether any has changed. */
  update({ awake, notices }: LogicState, t: number, runs: boolean): boolean {
    const last = Math.max(-Infinity, ...Object.values(notices).flatMap(sentAt));
    const now = new Map<string, Way>();
    if (!runs) return this.become(now);
    if (awake.asleep) for (const way of this.sleepers) now.set(way.id, way);
    for (const way of this.tellers) if (t >= last && t < last + way.lasts) now.set(way.id, way);
    return this.become(now);
  }

  private become(now: ReadonlyMap<string, Way>): boolean {
    let changed = false;
    for (const [id, { usual }] of [...this.told]) {
      if (now.has(id)) continue;
      this.told.delete(id);
      this.circuit.setParams(id, usual);
      changed = true;
    }
    for (const [id, way] of now) {
      if (this.told.get(id) === way) continue;
      this.told.set(id, way);
      this.circuit.setParams(id, way.phase);
      changed = true;
    }
    return changed;
  }
}

/** When a notice was sent in the course of the scene: what was told before it began has been sent long ago. */
const sentAt = ({ at }: NoticeState): number[] => (at > 0 ? [at] : []);

const asleep = (part: Part): Way[] => {
  const phase = kindOf(part).phases?.find((p) => p.asleep);
  const params = paramsOf(part);
  return phase?.sets ? [wayOf(part, phase.sets(params))] : [];
};

const told =
  (by: 'sends' | 'keeps') =>
  (part: Part): (Way & { lasts: number })[] => {
    const phase = kindOf(part).phases?.find((p) => p[by]);
    const params = paramsOf(part);
    const lasts = phase?.[by]?.(params);
    if (!phase?.sets || lasts === undefined) return [];
    return [{ ...wayOf(part, phase.sets(params)), lasts }];
  };
const sending = told('sends');
const keeping = told('keeps');

/** A part's own values of those that a phase sets. */
function wayOf(part: Part, sets: Partial<Params>): Way {
  const { params } = kindOf(part);
  const phase = storedOf(params, sets);
  const own = storedOf(params, paramsOf(part));
  const usual = Object.fromEntries(Object.keys(phase).map((id) => [id, entry(own, id)]));
  return { id: part.id, usual, phase };
}
