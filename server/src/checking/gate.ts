import { Piscina } from 'piscina';
import { ProblemError } from '../http/problem.js';
import { examine, type Examination, type Examined, type Form } from './examine.js';

/** Bodies up to this are checked at once: it takes less than handing them over. */
const small = 2000;
/** A body that takes longer to check is given up, ms; with what waits before it. */
const timeLimit = 10_000;
const mostWaiting = 64;
/** What checking may use at most, MB. */
const memory = 768;

/** What the pool says when a thread was ended, or too much waits. */
const threadTroubles = ['Terminating worker thread', 'Task queue is at limit'];

/** Everything that comes in passes here: checked in bounded time and memory, large bodies in a thread of their own. */
export class Gate {
  private readonly pool: Piscina<{ form: Form; body: Uint8Array }, Examination<Form>>;

  constructor(worker: string) {
    this.pool = new Piscina({
      filename: worker,
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: 60_000,
      maxQueue: mostWaiting,
      concurrentTasksPerWorker: 16,
      resourceLimits: { maxOldGenerationSizeMb: memory },
    });
  }

  /**
   * Checks a body.
   *
   * @throws ProblemError saying what is wrong with it, or that it cannot be checked now
   */
  async pass<F extends Form>(form: F, body: Uint8Array): Promise<Examined[F]> {
    const result = body.length <= small ? examine(form, body) : await this.examined(form, body);
    if (result.ok) return result.value;
    const { status, title, detail, problems } = result.refusal;
    throw new ProblemError(status, title, detail, problems ? { problems } : {});
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }

  private async examined<F extends Form>(form: F, body: Uint8Array): Promise<Examination<F>> {
    const signal = AbortSignal.timeout(timeLimit);
    try {
      return (await this.pool.run({ form, body }, { signal })) as Examination<F>;
    } catch (error) {
      const { code, name, message } = error as { code?: string; name?: string; message: string };
      // A thread that is ended takes with it what others have given it: they are to try again.
      const ended = name === 'AbortError' || code === 'ERR_WORKER_OUT_OF_MEMORY';
      if (!ended && !threadTroubles.includes(message)) throw error;
      throw new ProblemError(
        503,
        'Too much to check at once',
        'What was sent could not be checked in time. Nothing was changed; try again in a moment.',
        { retryAfter: 2 },
      );
    }
  }
}
