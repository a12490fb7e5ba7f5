import { roomKelvin } from '../equations/index.js';

/** A junction's numbers at 25 °C and how they move with temperature. */
export interface JunctionValues {
  /** Saturation current, A. */
  saturation: number;
  /** Emission coefficient n. */
  emission: number;
  /** Energy gap, eV; 1.11 (silicon) when left out. */
  gap?: number;
}

/** Boltzmann constant over elementary charge, V/K (CODATA 2022, both exact). */
const boltzmannOverCharge = 1.380649e-23 / 1.602176634e-19;

/** Energy gap of silicon, eV. */
const silicon = 1.11;

/** Thermal voltage k·T/q in volts, at 25 °C unless said otherwise. */
export const thermalVoltage = (kelvin = roomKelvin): number => boltzmannOverCharge * kelvin;

/**
 * Saturation current at another temperature, Is·(T/T0)^(3/n)·exp(Eg/(n·k)·(1/T0 − 1/T)):
 * Antognetti and Massobrio, "Semiconductor Device Modeling with SPICE" (1988), ch. 1.
 *
 * @param saturation at 25 °C, A
 * @param gap eV
 */
export function saturationAt(
  kelvin: number,
  saturation: number,
  emission = 1,
  gap = silicon,
): number {
  const steps = (gap / boltzmannOverCharge) * (1 / roomKelvin - 1 / kelvin);
  return saturation * (kelvin / roomKelvin) ** (3 / emission) * Math.exp(steps / emission);
}

/** With more of it, currents that are nearly one take hundreds of guesses to balance; with less the way is overshot. */
const lead = 0.1;

/**
 * A pn junction during Newton's iteration. The exponential is followed only as far as is safe from
 * the last guess: beyond the critical voltage a step is taken in current rather than in voltage.
 *
 * Nagel, "SPICE2: a computer program to simulate semiconductor circuits", ERL-M520, UC Berkeley
 * (1975), section on junction limiting.
 */
export class Junction {
  private volts = 0;
  private readonly critical: number;
  current = 0;
  conductance = 0;

  /**
   * @param saturation Is, A
   * @param scale n·Vt, V
   */
  constructor(
    readonly saturation: number,
    readonly scale: number,
  ) {
    this.critical = scale * Math.log(scale / (Math.SQRT2 * saturation));
  }

  /** Moves towards a guessed voltage; true when it had to be held back. */
  follow(guess: number): boolean {
    const volts = this.limit(guess);
    this.volts = volts;
    this.current = this.currentAt(volts);
    this.conductance = this.slopeAt(volts);
    return volts !== guess;
  }

  /** The voltage the linearisation stands at. */
  get at(): number {
    return this.volts;
  }

  /** Is·(exp(v/nVt) − 1). */
  currentAt(volts: number): number {
    return this.saturation * Math.expm1(volts / this.scale);
  }

  /**
   * The curve's slope; far into reverse, where that is as good as nothing, a tenth of that of the line to the origin, which
   * leads a node that only blocking junctions hold to where their currents balance.
   */
  private slopeAt(volts: number): number {
    if (volts < -3 * this.scale) return (lead * this.current) / volts;
    return (this.current + this.saturation) / this.scale;
  }

  private limit(guess: number): number {
    const { volts: old, scale, critical } = this;
    if (guess <= critical || Math.abs(guess - old) <= 2 * scale) return guess;
    if (old <= 0) return scale * Math.log(Math.max(guess / scale, Math.E));
    const ratio = 1 + (guess - old) / scale;
    return ratio > 0 ? old + scale * Math.log(ratio) : critical;
  }
}
