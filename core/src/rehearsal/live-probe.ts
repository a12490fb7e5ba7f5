import type { Circuit, PartValues } from '../circuit/index.js';
import type { Probe } from './readings.js';

/** Looks into a circuit as it stands at the moment of each look; what it tells of a part is overwritten by the next look at it. */
export function liveProbe(circuit: Circuit): Probe {
  const values = new Map<string, PartValues>();
  const reader = (part: string): PartValues => {
    const known = values.get(part) ?? circuit.values(part);
    values.set(part, known);
    return known;
  };
  return {
    volts: (ref) => circuit.voltsNow(ref),
    solved: (part) => reader(part).update(),
    ohms: (refs, window) => circuit.sourceOhms(refs, window),
    stimulus: (part) => circuit.stimulusOf(part),
  };
}
