import { execFileSync } from 'node:child_process';
import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';

const lowest = 19;

/**
 * Lets this thread run only where nothing else wants to: on Linux a thread has a priority and a way of being scheduled of
 * its own. A thread that is merely of low priority keeps others waiting for some milliseconds each time; one that is idle
 * (SCHED_IDLE, sched(7)) does not.
 */
export function giveWay(): void {
  try {
    setPriority(lowest);
    const thread = readlinkSync('/proc/thread-self').split('/').pop() ?? '';
    execFileSync('chrt', ['--idle', '--pid', '0', thread], { stdio: 'ignore' });
  } catch {
    // Then it is as important as it was allowed to be.
  }
}
