import type { SolvedPart } from '../catalog/index.js';
import type { Stage } from '../scene/index.js';

/** Sensors are told anew of light and sound that parts send when it has changed by this share. */
const finest = 0.02;

type Solved = (part: string) => SolvedPart | undefined;

/** The light and sound that parts send, as sensors were told of it last. */
export class Sent {
  private readonly intensities: number[] = [];
  private readonly parts = new Map<string, SolvedPart>();
  /** A part that sends something, as it was then. */
  readonly by: Solved = (part) => this.parts.get(part);

  constructor(private readonly sources: Stage['sources']) {}

  /** Parts as they were told last, to go on from there. */
  get mark(): ReadonlyMap<string, SolvedPart> {
    return new Map(this.parts);
  }

  /** Whether any part sends something else than sensors were told. */
  differs(of: Solved): boolean {
    return this.sources.some(({ part, emission, params }, i) => {
      const solved = of(part.id);
      const sends = solved ? emission.intensity(solved, params) : 0;
      const before = this.intensities[i] ?? 0;
      return Math.abs(sends - before) > finest * Math.max(sends, before, 1e-6);
    });
  }

  /** Takes parts as they are now. */
  note(of: Solved): void {
    this.sources.forEach(({ part, emission, params }, i) => {
      const solved = of(part.id);
      this.intensities[i] = solved ? emission.intensity(solved, params) : 0;
      if (!solved) return;
      const { volts, amps, watts } = solved;
      this.parts.set(part.id, { volts: { ...volts }, amps: { ...amps }, watts });
    });
  }
}
