import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import type { StudyTask } from './study-worker.js';

/** What one process may use, MB. */
const memory = 1024;
/** How long processes wait for more work, ms. */
const linger = 5000;

/** How the process that rehearsed some trials was ended before it could tell them. */
export class TrialsEnded extends Error {
  override readonly name = 'TrialsEnded';
}

/** What a process answers. */
export type StudyAnswer = { nights: string[] } | { error: string };

/**
 * Processes that rehearse trials, begun when there is work and ended when there is none. Processes, not threads: the threads
 * of one program wait for each other's memory, so that a save beside a study waits for the study, however low its priority.
 */
export class TrialProcesses {
  private readonly idle: ChildProcess[] = [];
  private readonly waiting = new Set<() => void>();
  private busy = 0;
  private resting?: NodeJS.Timeout;

  /**
   * @param program what a process runs
   * @param most processes at once
   */
  constructor(
    private readonly program: string,
    private readonly most: number,
  ) {}

  /**
   * The trials as JSON.
   *
   * @param limit how long it may take once it has begun, ms
   * @throws TrialsEnded when it took too long or its process died; what aborts `signal`; what went wrong in the trials
   */
  async rehearse(task: StudyTask, limit: number, signal: AbortSignal): Promise<string[]> {
    await this.turn(signal);
    const child = this.idle.pop() ?? this.begun();
    try {
      const answer = await answerOf(child, task, limit, signal);
      if ('error' in answer) throw new Error(answer.error);
      this.idle.push(child);
      return answer.nights;
    } catch (error) {
      child.kill('SIGKILL');
      throw error;
    } finally {
      this.busy -= 1;
      this.callNext();
      if (this.busy === 0) this.resting = setTimeout(() => void this.close(), linger).unref();
    }
  }

  /** Ends the processes that have nothing to do, and waits until they are gone. */
  async close(): Promise<void> {
    clearTimeout(this.resting);
    const ends = this.idle.splice(0).map(async (child) => {
      child.kill('SIGKILL');
      if (child.exitCode === null && child.signalCode === null) await once(child, 'exit');
    });
    await Promise.all(ends);
  }

  /** Waits until one process more may work; no longer than anyone wants it. */
  private async turn(signal: AbortSignal): Promise<void> {
    while (this.busy >= this.most && !signal.aborted)
      await new Promise<void>((go) => {
        const called = (): void => {
          this.waiting.delete(called);
          signal.removeEventListener('abort', called);
          go();
        };
        this.waiting.add(called);
        signal.addEventListener('abort', called);
      });
    // Whoever has been called in vain calls the next one.
    if (signal.aborted) this.callNext();
    signal.throwIfAborted();
    this.busy += 1;
    clearTimeout(this.resting);
  }

  private callNext(): void {
    const [first] = this.waiting;
    first?.();
  }

  private begun(): ChildProcess {
    const child = fork(this.program, {
      execArgv: [`--max-old-space-size=${memory}`],
      env: { PATH: process.env['PATH'] ?? '' },
    });
    // A process that cannot be begun or reached has ended as well.
    child.on('error', () => child.kill('SIGKILL'));
    return child;
  }
}

async function answerOf(
  child: ChildProcess,
  task: StudyTask,
  limit: number,
  signal: AbortSignal,
): Promise<StudyAnswer> {
  const late = AbortSignal.timeout(limit);
  const heard = new AbortController();
  const until = { signal: AbortSignal.any([signal, late, heard.signal]) };
  try {
    if (child.exitCode !== null || child.signalCode !== null) throw new TrialsEnded(died);
    child.send(task);
    return await Promise.race([
      once(child, 'message', until).then(([answer]) => answer as StudyAnswer),
      once(child, 'exit', until).then(() => Promise.reject(new TrialsEnded(died))),
    ]);
  } catch {
    signal.throwIfAborted();
    if (late.aborted)
      throw new TrialsEnded(`It took longer than ${limit / 1000} s and was given up.`);
    // It could not be begun, or not be reached, or died.
    throw new TrialsEnded(died);
  } finally {
    heard.abort();
  }
}

const died = `Its process was ended, perhaps for want of memory: it may use ${memory} MB.`;
