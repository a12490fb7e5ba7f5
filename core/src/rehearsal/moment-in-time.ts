import type { Design, Scene } from '../design/index.js';
import type { LogicState } from '../logic/index.js';
import { CoSimulation } from './co-simulation.js';
import { nextFadeLook } from './recorder.js';
import type { Rehearsal } from './rehearsal.js';
import { isLoose, logicAt, pictureOf, type Snapshot } from './snapshot.js';

/**
 * The moments of a scene that was rehearsed in time, whole: what its rehearsal did not take down, as currents, is followed again
 * with the controller deciding as it did. Moments that come later than the last are the quicker.
 */
export class MomentInTime {
  private course: CoSimulation;
  private t = 0;
  /** Place of the last change of the controller that has come about. */
  private place = 0;
  /** Places of the times that the controller has slept so far. */
  private naps = 0;

  constructor(
    private readonly design: Design,
    private readonly scene: Scene,
    private readonly run: Pick<Rehearsal, 'logic' | 'outages' | 'asleep'>,
  ) {
    this.course = new CoSimulation(design, scene);
  }

  /** @param t s into the scene */
  at(t: number): Snapshot {
    if (t < this.t) {
      this.course = new CoSimulation(this.design, this.scene);
      this.t = this.place = this.naps = 0;
    }
    this.stand(this.t);
    while (this.t < t) this.stand(Math.min(t, this.next()));
    return pictureOf(this.design, this.course, this.logic, t);
  }

  private get logic(): LogicState {
    const logic = this.run.logic[this.place]?.logic ?? logicAt(this.run.logic, this.t);
    const asleep = (this.run.asleep[this.naps]?.from ?? Infinity) <= this.t;
    return { ...logic, awake: { ...logic.awake, asleep } };
  }

  /** When outputs turn next, or fade on. */
  private next(): number {
    const change = this.run.logic.at(this.place + 1)?.t ?? Infinity;
    const { from = Infinity, to = Infinity } = this.run.asleep[this.naps] ?? {};
    return Math.min(
      ...[change, from > this.t ? from : to],
      nextFadeLook(this.design, this.logic, this.t),
      this.course.ends(this.logic, this.t),
    );
  }

  private stand(t: number): void {
    const { logic, outages, asleep } = this.run;
    while ((logic[this.place + 1]?.t ?? Infinity) <= t) this.place += 1;
    while ((asleep[this.naps]?.to ?? Infinity) <= t) this.naps += 1;
    this.t = t;
    this.course.at(t, this.logic, !isLoose(outages, t));
  }
}
