/**
 * The electrical model of a part as data: a list of primitive elements between named nodes.
 * A node is one of the part's terminal ids, or a name of the part's own starting with "#".
 * The circuit folder turns each element into a device; units are SI.
 */
export type Element =
  | { type: 'resistor'; a: string; b: string; ohms: number }
  | { type: 'voltage-source'; plus: string; minus: string; volts: number }
  /** Drives `amps` out of `from`, through itself, into `to`. */
  | { type: 'current-source'; from: string; to: string; amps: number }
  | { type: 'diode'; anode: string; cathode: string; saturation: number; emission: number }
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
      type: 'regulator';
      input: string;
      output: string;
      ground: string;
      volts: number;
      /** Least difference of input over output, V. */
      dropOut: number;
      outputOhms: number;
    };

export type ElementType = Element['type'];
