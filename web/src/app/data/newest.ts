/** Does one job at a time; of those that come meanwhile only the newest is done after it. */
export class Newest<Job> {
  private busy = false;
  private waiting?: { job: Job };

  constructor(private readonly work: (job: Job) => Promise<void>) {}

  async take(job: Job): Promise<void> {
    this.waiting = { job };
    if (this.busy) return;
    this.busy = true;
    try {
      while (this.waiting) {
        const next = this.waiting;
        this.waiting = undefined;
        await this.work(next.job);
      }
    } finally {
      this.busy = false;
    }
  }
}
