/** How a source changes with time; at an operating point it stands at its value for t = 0. */
export type Waveform =
  | {
      shape: 'pulse';
      low: number;
      high: number;
      /** Start of the first rise, s. */
      delay: number;
      rise: number;
      /** Time at `high`, s. */
      width: number;
      fall: number;
      /** 0 for a single pulse, s. */
      period: number;
    }
  | { shape: 'sine'; mean: number; amplitude: number; hertz: number }
  /** Straight lines between points; the times ascend. */
  | { shape: 'points'; times: readonly number[]; values: readonly number[] };

/** A junction's numbers at 25 °C and how they move with temperature. */
interface JunctionValues {
  /** Saturation current, A. */
  saturation: number;
  /** Emission coefficient n. */
  emission: number;
  /** Energy gap, eV; 1.11 (silicon) when left out. */
  gap?: number;
}

/**
 * The electrical model of a part as data: a list of primitive elements between named nodes.
 * A node is one of the part's terminal ids, or a name of the part's own starting with "#".
 * The circuit folder turns each element into a device; units are SI.
 */
export type Element =
  | { type: 'resistor'; a: string; b: string; ohms: number }
  | {
      type: 'capacitor';
      a: string;
      b: string;
      farads: number;
      /** At power-on, V. */ initial?: number;
    }
  | { type: 'inductor'; a: string; b: string; henries: number; /** Of the winding. */ ohms: number }
  | { type: 'voltage-source'; plus: string; minus: string; volts: number; wave?: Waveform }
  /** Drives `amps` out of `from`, through itself, into `to`. */
  | { type: 'current-source'; from: string; to: string; amps: number; wave?: Waveform }
  /** Drives siemens × (V(plus) − V(minus)) out of `from`, through itself, into `to`. */
  | {
      type: 'transconductance';
      from: string;
      to: string;
      plus: string;
      minus: string;
      siemens: number;
    }
  /** Drives siemens × V(by) × (V(plus) − V(minus)) out of `from`, through itself, into `to`; `by` is a signal node. */
  | {
      type: 'product-source';
      from: string;
      to: string;
      plus: string;
      minus: string;
      by: string;
      siemens: number;
    }
  | ({
      type: 'diode';
      anode: string;
      cathode: string;
      /** Reverse voltage at which it conducts 1 mA backwards, V; never when left out. */
      breakdown?: number;
    } & JunctionValues)
  | {
      type: 'bipolar';
      polarity: 'npn' | 'pnp';
      collector: string;
      base: string;
      emitter: string;
      /** Transport saturation current, A. */
      saturation: number;
      forwardGain: number;
      reverseGain: number;
    }
  | {
      type: 'mosfet';
      polarity: 'n' | 'p';
      drain: string;
      gate: string;
      source: string;
      /** Gate voltage at which it begins to conduct, V, positive for both polarities. */
      threshold: number;
      /** Transconductance parameter β of I = β/2·(Vgs − Vth)², A/V². */
      beta: number;
    }
  | {
      type: 'thyristor';
      anode: string;
      gate: string;
      cathode: string;
      /** Gate current that fires it, A. */
      trigger: number;
      /** Least anode current at which it stays on when the gate lets go, A. */
      latching: number;
      /** Anode current below which it lets go, A. */
      holding: number;
      /** On-state voltage at no current and slope, V and Ω. */
      dropVolts: number;
      dropOhms: number;
    }
  | {
      type: 'comparator';
      plus: string;
      minus: string;
      output: string;
      supply: string;
      ground: string;
      stage: 'open-collector' | 'push-pull';
      /** V(plus) − V(minus) at which it switches, V. */
      offset: number;
      /** Half-width of built-in hysteresis, V. */
      hysteresis: number;
      /** Out of each input, A. */
      bias: number;
      /** Inputs within this of the supply are not told apart, V. */
      headroom: number;
      /** Output low: most it sinks, A, and resistance, Ω. */
      sinkAmps: number;
      sinkOhms: number;
      /** From crossing to switching, s. */
      delay: number;
    }
  | {
      type: 'op-amp';
      plus: string;
      minus: string;
      output: string;
      supply: string;
      ground: string;
      /** Open-loop gain. */
      gain: number;
      /** Gain–bandwidth product, Hz. */
      bandwidth: number;
      /** V/s. */
      slew: number;
      offset: number;
      /** Out of each input, A. */
      bias: number;
      /** How close the output comes to each rail, V. */
      marginHigh: number;
      marginLow: number;
      outputOhms: number;
      /** Most it gives or takes, A. */
      limit: number;
    }
  /** A logic output that follows its input with hysteresis, thresholds as shares of the supply. */
  | {
      type: 'schmitt';
      input: string;
      output: string;
      supply: string;
      ground: string;
      inverts: boolean;
      rising: number;
      falling: number;
      ohms: number;
      delay: number;
    }
  /** Comparators, latch, output stage and discharge transistor of a 555-type timer; the divider is outside. */
  | {
      type: 'timer-core';
      supply: string;
      ground: string;
      trigger: string;
      threshold: string;
      /** Upper and lower reference, from the divider. */
      upper: string;
      lower: string;
      reset: string;
      output: string;
      discharge: string;
      /** Drop of the output below the supply when high, V. */
      dropHigh: number;
      dropLow: number;
      outputOhms: number;
      dischargeOhms: number;
      delay: number;
    }
  | {
      type: 'regulator';
      input: string;
      output: string;
      ground: string;
      volts: number;
      /** Least difference of input over output, V. */
      dropOut: number;
      outputOhms: number;
      /** Current into ground whatever the load, A; 0 when left out. */
      quiescent?: number;
      /** Most it gives, A; no limit when left out. */
      limit?: number;
      /** Share of the input power that reaches the output, for a switching one; a linear one when left out. */
      efficiency?: number;
    }
  | {
      type: 'battery';
      plus: string;
      minus: string;
      /** Signal node: the share of the charge that is left, as volts. */
      level: string;
      /** Full charge, A·s. */
      capacity: number;
      /** Share of it left at the start. */
      charge: number;
      /** Open-circuit volts at evenly spaced charges from empty to full. */
      curve: readonly number[];
      /** Internal resistance when full; it triples towards empty, Ω. */
      ohms: number;
      /** Lost by itself, A. */
      selfDischarge: number;
    }
  | {
      type: 'fuse';
      a: string;
      b: string;
      ohms: number;
      /** Largest current it carries for ever, A. */
      carries: number;
      /** Melting I²t, A²s. */
      melting: number;
    }
  | {
      type: 'filament';
      a: string;
      b: string;
      /** Signal node: temperature as a share of the working one, as volts. */
      warmth: string;
      /** At its rated voltage, Ω. */
      hotOhms: number;
      hotKelvin: number;
      /** At its rated voltage, W. */
      watts: number;
      /** Heat held at the working temperature over rated power, s. */
      warming: number;
    }
  | {
      type: 'motor';
      a: string;
      b: string;
      /** Signal node: speed in rad/s, as volts. */
      speed: string;
      ohms: number;
      henries: number;
      /** Back-EMF per speed and torque per current, V·s/rad. */
      constant: number;
      /** kg·m². */
      inertia: number;
      /** Torque per speed, N·m·s/rad. */
      friction: number;
      /** Constant torque it must overcome, N·m. */
      load: number;
      /** Held fast. */
      stalled: boolean;
    }
  /** A coil that moves an armature; `armature` stands at 0 V at rest and 1 V when pulled in. */
  | {
      type: 'relay-coil';
      plus: string;
      minus: string;
      armature: string;
      ohms: number;
      henries: number;
      /** Coil currents, A. */
      pullIn: number;
      dropOut: number;
      /** Times of travel, s. */
      operate: number;
      release: number;
      /** Stays where it is without current; only reversed current releases it. */
      latching: boolean;
      /** Needs current from plus to minus; otherwise either way will do. */
      polarised: boolean;
    }
  /** Closes when its control rises past `on` and opens when it falls below `off`; reversed with `rests: 'closed'`. */
  | {
      type: 'contact';
      a: string;
      b: string;
      control: string;
      rests: 'open' | 'closed';
      on: number;
      off: number;
      ohms: number;
      /** How long it bounces on closing, s. */
      bounce: number;
    }
  /** A contact that something outside the circuit moves: a finger, a float, a magnet. */
  | {
      type: 'switch';
      a: string;
      b: string;
      /** What moves it, in the unit of `on` and `off`. */
      drive: number;
      rests: 'open' | 'closed';
      on: number;
      off: number;
      ohms: number;
      bounce: number;
    }

  /** Signal node that follows a value with a lag; the first of a chain that ends in a reading. */
  | {
      type: 'level';
      node: string;
      value: number;
      /** Time constants going up and coming down, s; 0 follows at once. */
      up: number;
      down: number;
    }
  /** Signal node that goes to 1 V as the part is fed: min(1, (v/volts)²), with a lag. */
  | {
      type: 'warm-up';
      plus: string;
      minus: string;
      node: string;
      /** Supply from which it comes all the way, V. */
      volts: number;
      up: number;
      down: number;
    }
  /** A conductance baseSiemens·exp(perVolt · V(control)). */
  | {
      type: 'conductance';
      a: string;
      b: string;
      control: string;
      baseSiemens: number;
      perVolt: number;
    };

export type ElementType = Element['type'];
export type ElementOf<T extends ElementType> = Extract<Element, { type: T }>;
