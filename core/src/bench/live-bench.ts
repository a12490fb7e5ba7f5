import { findSurrounding, kindOf, paramOf, paramsOf, type Quantity } from '../catalog/index.js';
import { Circuit, type Transient } from '../circuit/index.js';
import {
  outputOn,
  restingLogic,
  stepLogic,
  type LogicState,
  type Program,
} from '../logic/index.js';
import type { Design, Happening, Output, Scene, TerminalRef } from '../design/index.js';
import {
  exactReadings,
  pinStates,
  readingsIn,
  seededRandom,
  type Random,
  type Reading,
} from '../rehearsal/index.js';
import { stimulusOn, happeningSpan, momentIn, setStage, type Stage } from '../scene/index.js';

/** What every sensor feels wanders by this share of itself, and comes back with this time constant, s. */
const driftShare = 0.005;
const driftTime = 120;
/** A circuit that takes more steps than this from one reading to the next swings too fast to be followed live. */
const mostSteps = 4000;
/** Of a time in which nobody read only so much at its end is gone through, s. */
const longestGap = 2;
/** A happening is forgotten so long after its end, s. */
const afterglow = 1;
const mostRounds = 25;
const sameStimulus = 1e-9;

const senseOf = (part: string, quantity: Quantity): string => `${part}.${quantity}`;

/**
 * A design on a bench with power on, in the course of time: charges and lags take the time they take, each
 * toleranced value is drawn once, sensors and converters are noisy, and what is felt drifts slowly. The
 * controller only reads: outputs are off but for those that feed sensors, unless they are switched by hand.
 */
export class LiveBench {
  private readonly circuit: Circuit;
  private readonly stage: Stage;
  private readonly readings: readonly Reading[];
  private readonly random: Random;
  private readonly noise: ReadonlyMap<string, number>;
  private readonly drift = new Map<string, number>();
  private readonly switched = new Map<TerminalRef, boolean>();
  /** What sensors are made to feel by hand, by sense. */
  private readonly byHand = new Map<string, number>();
  private happenings: readonly Happening[] = [];
  private scene: Scene;
  private transient?: Transient;
  private t = 0;
  private steps = 0;
  /** A sequence that plays: what is left of the program, and how far it is. */
  private show?: { program: Program; logic: LogicState };

  /** @param ambient what the surroundings are like; happenings of the scene are started by hand */
  constructor(
    private readonly design: Design,
    scene: Pick<Scene, 'ambient' | 'seed'>,
  ) {
    this.circuit = new Circuit(design);
    this.stage = setStage(design);
    this.readings = readingsIn(design);
    this.random = seededRandom(scene.seed);
    this.scene = { id: 'live', name: 'Live', duration: 1e7, happenings: [], ...scene };
    this.noise = new Map(
      design.parts.map((p) => [p.id, kindOf(p).senses?.noise?.(paramsOf(p)) ?? 0]),
    );
    this.drawTolerances();
    this.setPins();
    this.settle();
  }

  /** Whether lags are followed; circuits that swing by themselves are read at rest instead. */
  get followsLags(): boolean {
    return this.transient !== undefined;
  }

  /** Lets something happen from now on. */
  start(happening: Happening): void {
    this.happenings = [
      ...this.happenings.filter((h) => h.id !== happening.id),
      { ...happening, start: this.t },
    ];
  }

  /** Ends everything that happens. */
  stop(): void {
    this.happenings = [];
    if (this.show) this.drive(undefined);
  }

  /** Makes a sensor feel so much of a quantity, whatever happens; undefined lets it feel again what is there. */
  feel(part: string, quantity: Quantity, value: number | undefined): void {
    const key = senseOf(part, quantity);
    if (value === undefined) this.byHand.delete(key);
    else this.byHand.set(key, value);
  }

  /** Plays a sequence, which begins at a moment not before the last. A level between off and on is taken as on. */
  play(sequence: string, t: number): void {
    const nothing = { channels: [], machines: [], counters: [], rules: [], notices: [] };
    const program = { ...this.design, ...nothing, controller: { pins: [] } };
    const logic = restingLogic(program, { at: t });
    this.show = { program, logic: { ...logic, playing: { [sequence]: t } } };
  }

  /** The sequence that plays. */
  get playing(): string | undefined {
    return this.show && Object.keys(this.show.logic.playing)[0];
  }

  /** Parts that act. */
  get acting(): ReadonlySet<string> {
    const acts = this.design.parts.filter((part) => {
      const { acts: kind } = kindOf(part);
      return kind?.active(this.circuit.values(part.id).update(), paramsOf(part));
    });
    return new Set(acts.map((part) => part.id));
  }

  /** What is happening, with its end in seconds since power on. */
  get running(): readonly { id: string; end: number }[] {
    return this.happenings.map((h) => ({ id: h.id, end: happeningSpan(h).end }));
  }

  /** Switches an output pin by hand. */
  power(pin: TerminalRef, on: boolean): void {
    this.switched.set(pin, on);
    this.setPins();
    this.transient?.restart();
  }

  /**
   * Goes on to a moment and reads every channel there.
   *
   * @param t seconds since power on, not before the last
   * @returns counts by channel id; a channel on a pin without voltage has none
   */
  readAt(t: number): Map<string, number> {
    this.happenings = this.happenings.filter((h) => happeningSpan(h).end + afterglow > t);
    this.scene = { ...this.scene, happenings: [...this.happenings] };
    this.goOnPlaying(t);
    this.updateStimuli(t, true);
    this.goOn(t);
    this.t = t;
    return this.read();
  }

  /** Turns the outputs of a sequence that plays as its lanes tell. */
  private goOnPlaying(t: number): void {
    if (!this.show) return;
    const { program, logic } = this.show;
    const [next] = stepLogic(program, logic, new Map(), t);
    this.drive(Object.keys(next.playing).length > 0 ? { program, logic: next } : undefined);
  }

  private drive(show: LiveBench['show']): void {
    const before = this.isOn();
    this.show = show;
    const now = this.isOn();
    if (now.every((on, i) => on === before[i])) return;
    this.setPins();
    this.transient?.restart();
  }

  /** Which outputs are on: as a show tells, else as they were switched, else if they feed a sensor. */
  private isOn(): boolean[] {
    const { show, t } = this;
    return this.design.outputs.map((output) =>
      show && !output.feeds
        ? outputOn(show.logic, output, t)
        : (this.switched.get(output.pin) ?? output.feeds === true),
    );
  }

  private goOn(t: number): void {
    const { transient } = this;
    if (!transient) {
      this.circuit.solve();
      return;
    }
    this.steps = 0;
    transient.t = Math.max(transient.t, t - longestGap);
    transient.restart();
    transient.advance(t);
    if (!transient.halt) return;
    this.transient = undefined;
    this.circuit.solve();
  }

  private read(): Map<string, number> {
    const exact = exactReadings(this.readings, {
      volts: (ref) => this.circuit.voltsNow(ref),
      solved: (part) => this.circuit.values(part).update(),
      ohms: (refs, window) => this.circuit.sourceOhms(refs, window),
      stimulus: (part) => this.circuit.stimulusOf(part),
    });
    return new Map(
      this.readings.flatMap(({ channel, reader }) => {
        const counts = exact.get(channel.id);
        if (counts === undefined) return [];
        const noisy = Math.round(counts + reader.noise * this.random.normal());
        return [[channel.id, Math.min(reader.full, Math.max(0, noisy))] as const];
      }),
    );
  }

  /** The state in which power has been on for long. */
  private settle(): void {
    this.circuit.setTemperature(momentIn(this.scene, 0).air);
    const solved = (): boolean => this.circuit.solve().method !== 'none';
    let steady = solved();
    for (let i = 0; i < mostRounds && this.updateStimuli(0, false); i++) steady = solved();
    if (!steady) return;
    this.transient = this.circuit.transient({ keepGoing: () => (this.steps += 64) < mostSteps });
    this.transient.startAtRest();
  }

  /** Works out anew what every sensor feels; true when any of it has changed. */
  private updateStimuli(t: number, live: boolean): boolean {
    const now = momentIn(this.scene, t);
    let changed = false;
    for (const sensor of this.stage.sensors) {
      const { id } = sensor.part;
      const { quantity } = sensor.receiver;
      const clean =
        this.byHand.get(senseOf(id, quantity)) ??
        stimulusOn(this.stage, sensor, now, (part) => this.circuit.values(part).update());
      const value = live ? this.spoilt(id, quantity, clean, t - this.t) : clean;
      const before = this.circuit.stimulusOf(id)[quantity];
      if (Math.abs(value - before) <= sameStimulus * Math.max(Math.abs(value), 1e-9)) continue;
      this.circuit.setState(id, { stimulus: { [quantity]: value } });
      changed = true;
    }
    return changed;
  }

  /** What a sensor makes of what is there: drifted, as a first-order process that is exact between readings, and noisy. */
  private spoilt(part: string, quantity: Quantity, clean: number, since: number): number {
    const key = senseOf(part, quantity);
    const kept = Math.exp(-since / driftTime);
    const kick = driftShare * Math.sqrt(1 - kept * kept) * this.random.normal();
    const drift = kept * (this.drift.get(key) ?? 0) + kick;
    this.drift.set(key, drift);
    const { min = -Infinity, max = Infinity } = findSurrounding(quantity) ?? {};
    const noisy = clean * (1 + drift) + (this.noise.get(part) ?? 0) * this.random.normal();
    return Math.min(max, Math.max(min, noisy));
  }

  /** Gives every toleranced value its own, evenly spread within its tolerance. */
  private drawTolerances(): void {
    for (const part of this.design.parts)
      for (const { id, tolerance = 0 } of kindOf(part).params) {
        if (tolerance === 0) continue;
        const off = tolerance * (2 * this.random.uniform() - 1);
        this.circuit.setParams(part.id, { [id]: paramOf(part, id) * (1 + off) });
      }
  }

  private setPins(): void {
    const on = this.isOn();
    const isOn = (output: Output): boolean => on[this.design.outputs.indexOf(output)] ?? false;
    for (const [part, pins] of pinStates(this.design, isOn)) this.circuit.setState(part, { pins });
  }
}
