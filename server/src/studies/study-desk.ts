import { EventEmitter } from 'node:events';
import { availableParallelism } from 'node:os';
import type { Design } from '@yurei/core/design';
import type { StoredStudy, StudyState, StudySummary } from '@yurei/core/exchange';
import { casesOf, type CaseNight, type Study } from '@yurei/core/nights';
import type { Logger } from 'pino';
import { Piscina } from 'piscina';
import type { StudyStore } from './study-store.js';
import type { StudyTask } from './study-worker.js';

/** Nights that a thread takes at once: few, so that progress flows and little is lost by cancelling. */
const atOnce = 2;
/** How often what is done is written down, ms. */
const keepEvery = 3000;
export const mostRunning = 4;

type Kept = StoredStudy['nights'];

/** What listeners are told of a study under way. */
export interface StudyEvents {
  nights: [Kept];
  end: [];
}

interface Running {
  nights: Kept;
  told: EventEmitter<StudyEvents>;
  abort: AbortController;
  ended: Promise<void>;
}

/** Runs studies in a pool of threads, one for each core, keeps what comes of them and tells how far they are. */
export class StudyDesk {
  private readonly pool: Piscina<StudyTask, CaseNight[]>;
  private closing = false;
  private readonly running = new Map<string, Running>();

  constructor(
    readonly store: StudyStore,
    worker: string,
    private readonly log: Logger,
  ) {
    const maxThreads = availableParallelism();
    this.pool = new Piscina({ filename: worker, minThreads: 0, maxThreads, idleTimeout: 5000 });
  }

  get full(): boolean {
    return this.running.size >= mostRunning;
  }

  async start(design: string, document: Design, study: Study): Promise<StudySummary> {
    const made = await this.store.create(design, document, study);
    const { document: used, study: asked, nights: _, ...summary } = made;
    const told = new EventEmitter<StudyEvents>();
    told.setMaxListeners(0);
    const entry: Running = {
      nights: [],
      told,
      abort: new AbortController(),
      ended: Promise.resolve(),
    };
    this.running.set(made.id, entry);
    entry.ended = this.run(made.id, used, asked, entry);
    return summary;
  }

  /** Listens to a study under way, with what is done of it already; undefined when it is not. */
  follow(id: string): { nights: Kept; told: EventEmitter<StudyEvents> } | undefined {
    return this.running.get(id);
  }

  /** Ends a study at once; what was rehearsed stays. False when it was not under way. */
  async cancel(id: string): Promise<boolean> {
    const entry = this.running.get(id);
    entry?.abort.abort();
    await entry?.ended;
    return entry !== undefined;
  }

  async close(): Promise<void> {
    this.closing = true;
    await Promise.all([...this.running.keys()].map((id) => this.cancel(id)));
    await this.pool.destroy();
  }

  private async run(id: string, design: Design, study: Study, entry: Running): Promise<void> {
    const { nights, told, abort } = entry;
    const keeping = setInterval(() => void this.keep(id, entry, 'running'), keepEvery);
    try {
      const portions = portionsOf(design, study);
      const work = async (): Promise<void> => {
        for (const portion of portions) {
          const options = { signal: abort.signal };
          const done = await this.pool.run({ design, study, ...portion }, options);
          // Drawn again by its seed when it is looked at.
          const fresh = done.map(({ case: index, night: { drawn: _, ...night } }) => ({
            case: index,
            night,
          }));
          nights.push(...fresh);
          told.emit('nights', fresh);
        }
      };
      await Promise.all(Array.from({ length: this.pool.options.maxThreads }, work));
      await this.keep(id, entry, 'done');
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      const cancelled = abort.signal.aborted;
      abort.abort();
      if (!cancelled) this.log.error({ err: error, study: id }, 'study failed');
      const ended = this.closing ? 'stopped' : 'cancelled';
      await this.keep(id, entry, cancelled ? ended : 'failed', cancelled ? '' : reason);
    } finally {
      clearInterval(keeping);
      this.running.delete(id);
      told.emit('end');
    }
  }

  private async keep(
    id: string,
    { nights }: Running,
    ...state: [StudyState, string?]
  ): Promise<void> {
    try {
      await this.store.keep(id, nights, ...state);
    } catch (error) {
      this.log.error({ err: error, study: id }, 'study could not be kept');
    }
  }
}

/** The nights of all cases a few at a time; every case gets its first nights before any gets its last. */
function* portionsOf(design: Design, study: Study): Generator<Pick<StudyTask, 'case' | 'seeds'>> {
  const cases = casesOf(design, study).length;
  for (let from = 0; from < study.count; from += atOnce) {
    const length = Math.min(atOnce, study.count - from);
    for (let index = 0; index < cases; index++)
      yield { case: index, seeds: Array.from({ length }, (_, i) => study.first + from + i) };
  }
}
