import type { Design, Scene } from '../design/index.js';
import { isSteadyFor, unsteadySpans, Spans, turnsOf, type Span } from '../scene/index.js';

/** The course of a scene is followed in steps from … to, s, so that no stimulus changes by much more than `coarsest` in one. */
const steps = { from: 2e-4, first: 1e-3, to: 0.25 };
const coarsest = 0.2;
/** In how many steps at least something long is followed. */
const fewest = { ofHappening: 400, ofScene: 5000 };

/** How finely the course of a scene is followed, and where it has corners. */
export class Grain {
  /** Beginnings and ends of what happens, and where it jumps, in order, s. */
  private readonly corners: readonly number[];
  private readonly spans: Spans<Span>;
  private readonly steady: boolean;
  private step = steps.first;
  /** The first corner that is still to come, and the longest step until then. */
  private corner = 0;
  private cornerAt = -Infinity;
  private longest = steps.to;

  constructor(
    design: Design,
    private readonly scene: Scene,
  ) {
    this.spans = new Spans(scene.happenings.flatMap(unsteadySpans));
    const ends = this.spans.sorted.flatMap(({ start, end }) => [start, end]);
    this.corners = [...new Set([...ends, ...scene.happenings.flatMap(turnsOf)])].sort(
      (a, b) => a - b,
    );
    this.steady = isSteadyFor(design, scene);
  }

  /** The next beginning or end of a happening after `t`, s; what goes on until then decides how finely it is followed. */
  next(t: number): number {
    const { corners, scene } = this;
    if (t < this.cornerAt) return this.cornerAt;
    const corner = (): number => corners[this.corner] ?? Infinity;
    while (corner() <= t) this.corner += 1;
    this.cornerAt = corner();
    const going = this.spans.at(t).filter((s) => t < s.end);
    this.longest = Math.max(
      steps.to,
      Math.min(
        scene.duration / fewest.ofScene,
        ...going.map((s) => (s.end - s.start) / fewest.ofHappening),
      ),
    );
    return this.cornerAt;
  }

  /** What is under way is followed in no longer steps than this, s. */
  get longestStep(): number {
    return this.longest;
  }

  /** How far it is gone from `t` before sensors are told anew, s. */
  reach(t: number): number {
    const happens = t >= (this.corners[0] ?? Infinity);
    return happens || !this.steady ? this.step : Infinity;
  }

  /** Makes the next step as long as the change of what sensors meet lets it. */
  adapt(change: number): void {
    const factor = change > coarsest ? 0.5 : change < coarsest / 4 ? 2 : 1;
    this.step = Math.min(this.longest, Math.max(steps.from, this.step * factor));
  }

  /** Something begins or ends: it is looked at closely. */
  turn(): void {
    this.step = steps.first;
  }
}
