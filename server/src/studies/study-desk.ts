import { EventEmitter, once } from 'node:events';
import { availableParallelism } from 'node:os';
import { performance } from 'node:perf_hooks';
import type { StudyState, StudySummary } from '@yurei/core/exchange';
import type { KeptTrial } from '@yurei/core/trials';
import type { Logger } from 'pino';
import { TrialProcesses, TrialsEnded } from './trial-processes.js';
import type { CheckedStudy, StudyStore } from './study-store.js';
import type { StudyTask } from './study-worker.js';

/** Trials that a process takes at once: few, so that progress flows and little is lost by cancelling. */
const atOnce = 2;
/** How often what is done is written down, ms. */
const keepEvery = 3000;
/** So long after the last change by a maker one core is left free, ms. */
const quietFor = 2000;
/** A trial that takes longer is given up and told as such, ms. */
const trialLimit = 120_000;
/** How often it is tried to keep how a study ended. */
const mostTries = 100;
export const mostRunning = 4;

type Portion = Pick<StudyTask, 'case' | 'seeds'>;

interface Running {
  design: string;
  checked: CheckedStudy;
  /** Trials done, each as JSON. */
  nights: string[];
  /** How many of them are kept, and in how many portions. */
  kept: number;
  portions: number;
  told: EventEmitter<{ nights: []; end: [] }>;
  abort: AbortController;
  ended: Promise<void>;
  keeping: Promise<boolean>;
}

/** Runs studies in processes of their own, keeps what comes of them and tells how far they are. */
export class StudyDesk {
  private readonly pool: TrialProcesses;
  private closing = false;
  private readonly running = new Map<string, Running>();
  private changed = -Infinity;
  private readonly processes = availableParallelism();

  constructor(
    readonly store: StudyStore,
    worker: string,
    private readonly log: Logger,
    private readonly limit = trialLimit,
  ) {
    this.pool = new TrialProcesses(worker, this.processes);
  }

  get full(): boolean {
    return this.running.size >= mostRunning;
  }

  /** Someone saves: for a while one core is left to that. */
  giveWay(): void {
    this.changed = performance.now();
  }

  /** @returns undefined when the design is gone meanwhile */
  async start(design: string, checked: CheckedStudy): Promise<StudySummary | undefined> {
    const made = await this.store.create(design, checked);
    if (!made) return undefined;
    const told: Running['told'] = new EventEmitter();
    told.setMaxListeners(0);
    const entry: Running = {
      design,
      checked,
      nights: [],
      kept: 0,
      portions: 0,
      told,
      abort: new AbortController(),
      ended: Promise.resolve(),
      keeping: Promise.resolve(true),
    };
    this.running.set(made.id, entry);
    entry.ended = this.run(made.id, entry);
    return made;
  }

  /**
   * The trials of a study under way from one of them on, and more as they are done; ends with the study. Undefined when
   * it is not under way. Whoever listens slowly gets more at once; nothing is piled up for them.
   */
  follow(id: string, from: number, until: AbortSignal): AsyncGenerator<string[]> | undefined {
    const entry = this.running.get(id);
    return entry && this.nightsOf(id, entry, from, until);
  }

  /** Ends a study at once; what was rehearsed stays. False when it was not under way. */
  async cancel(id: string): Promise<boolean> {
    const entry = this.running.get(id);
    entry?.abort.abort();
    await entry?.ended;
    return entry !== undefined;
  }

  /** Ends all studies of a design. */
  async cancelOf(design: string): Promise<void> {
    const own = [...this.running].filter(([, entry]) => entry.design === design);
    await Promise.all(own.map(([id]) => this.cancel(id)));
  }

  async cancelAll(): Promise<void> {
    await Promise.all([...this.running.keys()].map((id) => this.cancel(id)));
  }

  async close(): Promise<void> {
    this.closing = true;
    await this.cancelAll();
    await this.pool.close();
  }

  private async *nightsOf(
    id: string,
    entry: Running,
    from: number,
    until: AbortSignal,
  ): AsyncGenerator<string[]> {
    for (let at = from; ;) {
      const more = entry.nights.slice(at);
      at += more.length;
      if (more.length > 0) yield more;
      if (at < entry.nights.length) continue;
      if (!this.running.has(id) || until.aborted) return;
      const { signal, stop } = either(until);
      await Promise.race([
        once(entry.told, 'nights', { signal }),
        once(entry.told, 'end', { signal }),
      ])
        .catch(() => undefined)
        .finally(stop);
    }
  }

  private async run(id: string, entry: Running): Promise<void> {
    const { told, abort, checked } = entry;
    const keeping = setInterval(() => void this.keep(id, entry, 'running'), keepEvery);
    try {
      const portions = portionsOf(checked);
      const work = async (process: number): Promise<void> => {
        for (const portion of portions) {
          await this.turn(process, abort.signal);
          entry.nights.push(...(await this.rehearse(id, entry, portion)));
          told.emit('nights');
        }
      };
      await Promise.all(Array.from({ length: this.processes }, (_, process) => work(process)));
      // What is kept now and then must not come after the end: it would say that it still runs.
      clearInterval(keeping);
      await this.keepEnd(id, entry, 'done');
    } catch (error) {
      clearInterval(keeping);
      const reason = error instanceof Error ? error.message : String(error);
      const cancelled = abort.signal.aborted;
      abort.abort();
      if (!cancelled) this.log.error({ err: error, study: id }, 'study failed');
      const ended = this.closing ? 'stopped' : 'cancelled';
      await this.keepEnd(id, entry, cancelled ? ended : 'failed', cancelled ? '' : reason);
    } finally {
      this.running.delete(id);
      told.emit('end');
    }
  }

  /** All processes but the first stand back while someone saves. */
  private async turn(process: number, signal: AbortSignal): Promise<void> {
    const rest = (): number => this.changed + quietFor - performance.now();
    while (process > 0 && rest() > 0 && !signal.aborted)
      await new Promise((go) => setTimeout(go, Math.min(rest(), 200)));
    signal.throwIfAborted();
  }

  /** Some trials; where they cannot be had, one by one, and those that cannot say why. */
  private async rehearse(id: string, entry: Running, portion: Portion): Promise<string[]> {
    const { document, study } = entry.checked;
    const { seeds } = portion;
    try {
      const task = { id, document, study, ...portion };
      return await this.pool.rehearse(task, this.limit * seeds.length, entry.abort.signal);
    } catch (error) {
      if (!(error instanceof TrialsEnded)) throw error;
      const [only, ...others] = seeds;
      if (only !== undefined && others.length === 0)
        return [givenUp(portion.case, only, error.message)];
    }
    const alone: string[] = [];
    for (const seed of seeds)
      alone.push(...(await this.rehearse(id, entry, { ...portion, seeds: [seed] })));
    return alone;
  }

  /** Keeps what is new, one portion after the other. What could not be kept is kept with the next ones. */
  private keep(id: string, entry: Running, ...state: [StudyState, string?]): Promise<boolean> {
    entry.keeping = entry.keeping.then(async () => {
      const trials = entry.nights.slice(entry.kept);
      const done = entry.kept + trials.length;
      try {
        await this.store.keep(id, { portion: entry.portions, nights: trials }, done, ...state);
      } catch (error) {
        this.log.error({ err: error, study: id }, 'study could not be kept');
        return false;
      }
      entry.kept = done;
      if (trials.length > 0) entry.portions += 1;
      return true;
    });
    return entry.keeping;
  }

  /** Keeps how it ended; while the disk is full or fails, tries again for some time. */
  private async keepEnd(
    id: string,
    entry: Running,
    ...state: [StudyState, string?]
  ): Promise<void> {
    for (let tries = 0; tries < mostTries; tries++) {
      if ((await this.keep(id, entry, ...state)) || this.closing) return;
      await new Promise((go) => setTimeout(go, keepEvery));
    }
  }
}

/** A signal that follows another one and can be let go. */
function either(of: AbortSignal): { signal: AbortSignal; stop: () => void } {
  const own = new AbortController();
  const abort = (): void => own.abort();
  of.addEventListener('abort', abort, { once: true });
  return {
    signal: own.signal,
    stop: () => {
      of.removeEventListener('abort', abort);
      own.abort();
    },
  };
}

function givenUp(index: number, seed: number, trouble: string): string {
  const trial: KeptTrial = {
    seed,
    outcomes: {},
    strays: 0,
    trouble,
  };
  return JSON.stringify({ case: index, night: trial });
}

/** The trials of all cases a few at a time; every case gets its first trials before any gets its last. */
function* portionsOf({ cases, count, first }: CheckedStudy): Generator<Portion> {
  for (let from = 0; from < count; from += atOnce) {
    const length = Math.min(atOnce, count - from);
    for (let index = 0; index < cases; index++)
      yield { case: index, seeds: Array.from({ length }, (_, i) => first + from + i) };
  }
}
