import {
  kindOf,
  paramsOf,
  type Params,
  type PartKind,
  type Quantity,
  type SolvedPart,
} from '../catalog/index.js';
import type { Solution } from '../circuit/index.js';
import type { Design, Output } from '../design/index.js';
import { arrival, outputDuty, type LogicState } from '../logic/index.js';
import { reached } from '../quantity/index.js';
import type { Course } from './course.js';
import { drawAgain } from './pieces.js';
import { RelayOperations, type Operations, type Pulled } from './relay-operations.js';
import { emptyTrace, hold, type ActingChange, type Trace } from './traces.js';
import type { Waking } from './wakings.js';

/** A fading output is recorded this often, s. */
const fadeLook = 0.02;

/**
 * To the nearest billionth of the settled circuit, the nearest millionth of one in time: what lies below is left over by the
 * solver, and differs between machines whose exponential function differs in its last digit.
 */
const finest = { settled: 1e9, 'in time': 1e6 } as const;

/** Of shorter times no mean is taken, s: what a sum of energies has lost in its last digits would show. */
const shortestMean = 1e-3;
const asMeant = (watts: number): number => Number(watts.toPrecision(6));

/** What is felt is told to four digits: what lies below comes and goes with every breath of air. */
const asTold = (value: number): number => Number(value.toPrecision(4));

function isFading(output: Output, logic: LogicState, t: number): boolean {
  const state = logic.outputs[output.id];
  return output.fade !== undefined && state !== undefined && !reached(t, arrival(output, state));
}

/** While an output fades it is looked at now and then; the circuit stays as it is. */
export function nextFadeLook({ outputs }: Design, logic: LogicState, t: number): number {
  const fading = outputs.some((output) => isFading(output, logic, t));
  return fading ? (Math.floor(t / fadeLook + 1e-6) + 1) * fadeLook : Infinity;
}

/** A part that acts or switches. */
interface Doer extends Pick<PartKind, 'acts' | 'relays'> {
  id: string;
  params: Params;
}

/** Takes down what a circuit does in the course of a scene, besides its readings. */
export class Recorder {
  readonly outputs: Record<string, Trace> = {};
  readonly nets: Record<string, Trace> = {};
  readonly felt: Record<string, Trace> = {};
  readonly watts = emptyTrace();
  readonly acting: ActingChange[] = [];
  readonly relays: Record<string, Trace> = {};
  private readonly operationsSeen = new RelayOperations();
  private readonly active = new Map<string, boolean>();
  private readonly senses: readonly (readonly [part: string, of: readonly Quantity[]])[];
  /** Parts that act or switch. */
  private readonly doers: readonly Doer[];
  private seen?: Solution;
  /** Up to when the power is taken down, s, and what was given until then, J. */
  private metered = { t: 0, given: 0 };

  constructor(
    private readonly design: Design,
    private readonly power: (t: number, logic: LogicState, solution: Solution) => number,
    private readonly circuit: keyof typeof finest,
  ) {
    for (const { id } of design.outputs) this.outputs[id] = emptyTrace();
    this.doers = design.parts.flatMap((part): Doer[] => {
      const { acts, relays } = kindOf(part);
      return acts || relays ? [{ id: part.id, acts, relays, params: paramsOf(part) }] : [];
    });
    this.senses = design.parts.flatMap((part) => {
      const { senses } = kindOf(part);
      return senses ? [[part.id, senses.quantities] as const] : [];
    });
  }

  /** What goes on and off in a cycle of sleep, and what it takes. */
  get traces(): Trace[] {
    return [this.watts, ...Object.values(this.nets), ...Object.values(this.outputs)];
  }

  /** The same with what sensors meet and how relays stand. */
  get all(): Trace[] {
    return [...this.traces, ...Object.values(this.felt), ...Object.values(this.relays)];
  }

  get relayOperations(): Operations {
    return this.operationsSeen.counted;
  }

  /** Which relays are pulled in. */
  get pulled(): Pulled {
    return this.operationsSeen.pulled;
  }

  /** Goes on from what was taken down of another run. */
  resume(acting: readonly ActingChange[]): void {
    this.acting.push(...acting);
    for (const { part, active } of acting) this.active.set(part, active);
  }

  /** Takes down what each sensor meets. */
  private feel(t: number, course: Pick<Course, 'perceivedBy'>): void {
    for (const [part, quantities] of this.senses) {
      const now = course.perceivedBy(part) ?? {};
      for (const quantity of quantities) {
        const value = now[quantity];
        if (value !== undefined)
          hold((this.felt[`${part} ${quantity}`] ??= emptyTrace()), t, asTold(value));
      }
    }
  }

  /**
   * Takes down what has changed.
   *
   * @param given what all sources have given since the beginning, J, where that is known
   */
  record(
    t: number,
    logic: LogicState,
    course: Pick<Course, 'perceivedBy' | 'present'>,
    given: number | undefined,
  ): void {
    this.feel(t, course);
    const solution = course.present();
    // A fade is kept as it is on the grid of looks, whatever else is looked at in between.
    const off = Math.abs(t / fadeLook - Math.round(t / fadeLook)) > 1e-6;
    const between = this.design.outputs.filter((o) => off && isFading(o, logic, t));
    for (const output of this.design.outputs) {
      if (between.includes(output)) continue;
      const trace = (this.outputs[output.id] ??= emptyTrace());
      hold(trace, t, this.rounded(outputDuty(logic, output, t)));
    }
    if (given !== undefined) this.meter(t, given);
    else if (between.length === 0)
      hold(this.watts, t, this.rounded(this.power(t, logic, solution)));
    if (solution === this.seen) return;
    this.seen = solution;
    for (const net of solution.nets) {
      if (net.volts !== undefined)
        hold((this.nets[net.id] ??= emptyTrace()), t, this.rounded(net.volts));
    }
    this.look(t, (part) => solution.parts[part]);
  }

  /** In time the power is the mean from one moment to the next: its integral is what was given. */
  private meter(t: number, given: number): void {
    const { metered } = this;
    if (t - metered.t < shortestMean) return;
    hold(this.watts, metered.t, asMeant((given - metered.given) / (t - metered.t)));
    this.metered = { t, given };
  }

  /** Takes down once more what was taken down in a stretch, from a moment on. */
  again({ pieces, acting, operations, pulled }: Waking, t: number): void {
    for (const [trace, piece] of pieces) drawAgain(trace, piece, t);
    this.acting.push(...acting.map((a) => ({ ...a, t: t + a.t })));
    for (const { part, active } of acting) this.active.set(part, active);
    this.operationsSeen.add(operations, pulled);
  }

  /** What was gone over at once up to a moment is taken down already. */
  skip(t: number, given: number): void {
    this.metered = { t, given };
  }

  /** The end, from which on the power stays as it is, W. */
  close(t: number, given: number, watts: number): void {
    this.meter(t, given);
    hold(this.watts, this.metered.t, asMeant(watts));
  }

  private rounded(value: number): number {
    const per = finest[this.circuit];
    return Math.round(value * per) / per + 0;
  }

  private switched(part: string, t: number, relays: Readonly<Record<string, boolean>>): void {
    this.operationsSeen.look(part, relays);
    for (const [name, pulled] of Object.entries(relays))
      hold((this.relays[`${part} ${name}`] ??= emptyTrace()), t, Number(pulled));
  }

  /** Takes down what acts, and what has been switched. */
  look(t: number, of: (part: string) => SolvedPart | undefined): void {
    for (const { id, acts, relays, params } of this.doers) {
      const solved = of(id);
      if (relays && solved) this.switched(id, t, relays(solved));
      if (!acts || !solved) continue;
      const active = acts.active(solved, params);
      if (active === (this.active.get(id) ?? false)) continue;
      this.active.set(id, active);
      this.acting.push({ part: id, t, active, because: acts.because(solved, params) });
    }
  }
}
