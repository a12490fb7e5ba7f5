import { waveAt, waveCorner, type Waveform } from './waveform.js';

/** Where a waveform stands in its course. */
export interface WaveMark {
  /** What the waveform's own time is ahead of the circuit's, s. */
  ahead: number;
  /** Periods gone by at the moment when it was asked last. */
  turns: number;
  /** That moment, s. */
  asked: number;
}

/**
 * The waveform of a source that is set again while time goes on: where its period changes, it goes on from where it stands in
 * it. From when it was asked last to when it is set, its frequency is taken as a straight line: trying a step again leads to
 * the same place.
 */
export class RunningWave {
  private ahead = 0;
  private turns = 0;
  private asked = 0;

  constructor(private wave: Waveform | undefined) {}

  /** Takes another waveform from a moment of the circuit on. */
  set(next: Waveform | undefined, t: number): void {
    const [before, after] = [hertzOf(this.wave), hertzOf(next)];
    this.goOn(t, (before + after) / 2);
    if (before !== after && after > 0) this.ahead = this.turns / after - t;
    this.wave = next;
  }

  /** Its value at a moment of the circuit; undefined where there is no waveform. */
  at(t: number): number | undefined {
    this.goOn(t, hertzOf(this.wave));
    return this.wave && waveAt(this.wave, t + this.ahead);
  }

  /** Its next corner after a moment of the circuit. */
  cornerAfter(t: number): number {
    if (!this.wave) return Infinity;
    // The two times do not round alike: a corner that lies here is not one after it.
    const here = this.ahead === 0 ? 0 : 1e-12 * Math.abs(t);
    return waveCorner(this.wave, t + here + this.ahead) - this.ahead;
  }

  /** Where it stands, to go on from there. */
  get mark(): WaveMark {
    const { ahead, turns, asked } = this;
    return { ahead, turns, asked };
  }

  /** Back to where it stood. */
  restore({ ahead, turns, asked }: WaveMark): void {
    [this.ahead, this.turns, this.asked] = [ahead, turns, asked];
  }

  private goOn(t: number, hertz: number): void {
    this.turns += (t - this.asked) * hertz;
    this.asked = t;
  }
}

/** How often it repeats, Hz; 0 where it does not. */
function hertzOf(wave: Waveform | undefined): number {
  if (wave?.shape === 'sine') return wave.hertz;
  return wave?.shape === 'pulse' && wave.period > 0 ? 1 / wave.period : 0;
}
