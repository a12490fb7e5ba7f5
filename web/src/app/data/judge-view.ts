import { computed, inject, Injectable, signal } from '@angular/core';
import { channelReader } from '@yurei/core/catalog';
import type { Channel, ReadingSet } from '@yurei/core/design';
import type { Judgement } from '@yurei/core/judge';
import { BenchService } from '../bench/bench';
import { DesignSession } from './design-session';
import { answerInTurn } from './answer';

interface Job {
  channel: Channel;
  sets: readonly ReadingSet[];
  full: number;
}

/** Where one may see what a judgement says: of every channel that has reading sets, after every edit. */
@Injectable()
export class JudgeView {
  private readonly session = inject(DesignSession);
  private readonly bench = inject(BenchService);
  private readonly known = new Map<string, { job: Job; judged: Judgement | undefined }>();

  private readonly jobs = computed((): Job[] | undefined => {
    const design = this.session.design();
    return design?.channels.flatMap((channel) => {
      const sets = design.readings.filter((set) => set.channel === channel.id);
      const full = channelReader(design, channel.pin)?.full ?? 1023;
      return sets.length > 0 ? [{ channel, sets, full }] : [];
    });
  });
  private readonly judging = answerInTurn(this.jobs, (jobs) => this.judge(jobs));
  /** Judgements by channel id; a channel without sets, or whose baseline cannot be told, has none. */
  readonly judged = computed(
    (): ReadonlyMap<string, Judgement> => this.judging().found ?? new Map(),
  );
  /** Why readings could not be judged. */
  readonly trouble = computed(() => this.judging().trouble);
  /** Id of the channel that is being set. */
  readonly chosen = signal('');
  readonly channel = computed((): Channel | undefined => {
    const channels = this.session.design()?.channels ?? [];
    return channels.find((c) => c.id === this.chosen()) ?? channels[0];
  });
  readonly sets = computed((): readonly ReadingSet[] => {
    const id = this.channel()?.id;
    return this.session.design()?.readings.filter((set) => set.channel === id) ?? [];
  });
  readonly current = computed(() => this.judged().get(this.channel()?.id ?? ''));
  /** Highest count that the channel can read. */
  readonly full = computed(() => {
    const [design, channel] = [this.session.design(), this.channel()];
    return (design && channel && channelReader(design, channel.pin)?.full) ?? 1023;
  });

  /** Judges what has changed; the rest stands. */
  private async judge(jobs: Job[]): Promise<ReadonlyMap<string, Judgement>> {
    const judged = new Map<string, Judgement>();
    for (const job of jobs) {
      const { id } = job.channel;
      const before = this.known.get(id);
      const found =
        before && alike(before.job, job)
          ? before.judged
          : await this.bench.quick.judgeChannel(job.channel, job.sets, job.full);
      this.known.set(id, { job, judged: found });
      if (found) judged.set(id, found);
    }
    return judged;
  }
}

const alike = (a: Job, b: Job): boolean =>
  a.channel === b.channel &&
  a.full === b.full &&
  a.sets.length === b.sets.length &&
  a.sets.every((set, i) => set === b.sets[i]);
