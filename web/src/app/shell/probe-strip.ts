import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { happeningSpan } from '@yurei/core/scene';
import { wentWrong } from '@yurei/core/rehearsal';
import { Slider } from 'primeng/slider';
import { Hint } from '../common/hint';
import { Press } from '../common/press';
import { BenchView } from '../data/bench-view';
import { Panes } from '../data/panes';
import { Player } from '../data/player';
import { Probes } from '../data/probes';
import { tracePath } from '../common/trace-path';
import { ClockField } from './clock-field';

const width = 700;
const rowHeight = 24;

/** Pinned values with their traces, the happenings under them, and the time cursor through all. */
@Component({
  selector: 'yu-probe-strip',
  imports: [ClockField, FormsModule, Hint, Press, Slider],
  templateUrl: './probe-strip.html',
  styleUrl: './probe-strip.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProbeStrip {
  protected readonly view = inject(BenchView);
  protected readonly player = inject(Player);
  protected readonly panes = inject(Panes);
  private readonly probes = inject(Probes);

  protected readonly duration = computed(() => this.view.scene()?.duration ?? 0);
  protected readonly rows = computed(() =>
    this.probes.all().map((probe) => ({
      ...probe,
      path: probe.trace
        ? tracePath(probe.trace, { from: 0, to: this.duration() }, { width, height: rowHeight })
        : '',
    })),
  );
  protected readonly marks = computed(() => {
    const verdicts = this.view.rehearsal()?.verdicts ?? [];
    const inOrder = [...(this.view.played()?.happenings ?? [])].sort((a, b) => a.start - b.start);
    return inOrder.map((happening, i) => {
      const { start, end } = happeningSpan(happening);
      const outcome = verdicts.find((v) => v.happening === happening.id)?.outcome;
      const bad = wentWrong(outcome);
      const left = (100 * start) / this.duration();
      const share = (100 * Math.min(end - start, this.duration() - start)) / this.duration();
      return {
        id: happening.id,
        name: happening.name,
        outcome,
        bad,
        left,
        width: Math.max(share, 0.6),
        // The name gets the room up to the next one.
        room: (100 * (inOrder[i + 1]?.start ?? this.duration())) / this.duration() - left,
      };
    });
  });
  protected readonly cursor = computed(() => {
    const t = this.view.time();
    return t === undefined ? undefined : (100 * t) / this.duration();
  });
  /** A key takes the cursor as far, s. */
  protected readonly step = computed(() => Math.max(0.01, this.duration() / 500));

  protected scrub(event: PointerEvent): void {
    if (event.type === 'pointermove' && event.buttons === 0) return;
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    if (event.type === 'pointerdown') {
      (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
      this.player.pause();
    }
    this.view.moveTo(((event.clientX - box.left) / box.width) * this.duration());
  }

  protected slide(t: number | undefined): void {
    this.player.pause();
    this.view.moveTo(t);
  }
}
