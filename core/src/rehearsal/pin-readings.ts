import type { SolvedPart } from '../catalog/index.js';
import type { Circuit } from '../circuit/index.js';
import type { Design } from '../design/index.js';
import { liveProbe } from './live-probe.js';
import { exactReadings, readingsIn, type Probe, type Reading } from './readings.js';

/** What the channels of a circuit in time read, and whether pins that are watched for edges have turned. */
export class PinReadings {
  private readonly readers: readonly Reading[];
  private readonly probe: Probe;
  /** Channels that read at once when their pin turns, and the levels they had. */
  private readonly edges: readonly string[];
  private readonly levels = new Map<string, number | undefined>();

  constructor(design: Design, circuit: Circuit, solved: (part: string) => SolvedPart) {
    this.readers = readingsIn(design);
    this.probe = { ...liveProbe(circuit), solved };
    this.edges = this.readers.flatMap(({ channel }) => (channel.edge ? [channel.id] : []));
  }

  /** See `Course.exact`. */
  exact(wanted?: (channel: string) => boolean): Map<string, number> {
    return exactReadings(this.readers, this.probe, wanted);
  }

  /** Whether any pin that is watched has turned since this was asked last. */
  turned(): boolean {
    let turned = false;
    for (const id of this.edges) {
      const level = this.exact((channel) => channel === id).get(id);
      const before = this.levels.get(id);
      this.levels.set(id, level);
      if (level !== before && before !== undefined) turned = true;
    }
    return turned;
  }

  /** The levels as they were last, to go on from there. */
  get mark(): ReadonlyMap<string, number | undefined> {
    return new Map(this.levels);
  }

  resume(levels: ReadonlyMap<string, number | undefined>): void {
    for (const [id, level] of levels) this.levels.set(id, level);
  }
}
