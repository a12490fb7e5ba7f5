import { execFileSync } from 'node:child_process';
import { setPriority } from 'node:os';

const lowest = 19;

/**
 * Lets this process run only where nothing else wants to. One that is merely of low priority keeps others waiting for some
 * milliseconds each time; one that is idle (SCHED_IDLE, sched(7)) does not.
 */
export function giveWay(): void {
  try {
    setPriority(lowest);
    execFileSync('chrt', ['--all-tasks', '--idle', '--pid', '0', `${process.pid}`], {
      stdio: 'ignore',
    });
  } catch {
    // Then it is as important as it was allowed to be.
  }
}
