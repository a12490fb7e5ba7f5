import { inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { BenchView } from './bench-view';

/** One step of the time cursor by key, s. */
const nudge = 0.1;

/** Runs the time cursor through a rehearsal at the pace of life. */
@Injectable()
export class Player implements OnDestroy {
  private readonly view = inject(BenchView);
  private frame = 0;
  readonly playing = signal(false);

  toggle(): void {
    if (this.playing()) this.pause();
    else if (this.view.rehearsal()) this.play();
  }

  pause(): void {
    cancelAnimationFrame(this.frame);
    this.playing.set(false);
  }

  /** Back to the bench at rest. */
  rest(): void {
    this.pause();
    this.view.moveTo(undefined);
  }

  step(direction: 1 | -1): void {
    this.pause();
    this.view.moveTo((this.view.time() ?? 0) + direction * nudge);
  }

  ngOnDestroy(): void {
    cancelAnimationFrame(this.frame);
  }

  private play(): void {
    const duration = this.view.scene()?.duration ?? 0;
    const from = (this.view.time() ?? 0) >= duration ? 0 : (this.view.time() ?? 0);
    const began = performance.now();
    this.playing.set(true);
    const tick = (now: number): void => {
      const t = from + Math.max(0, now - began) / 1000;
      this.view.moveTo(t);
      if (t >= duration) this.playing.set(false);
      else if (this.playing()) this.frame = requestAnimationFrame(tick);
    };
    this.frame = requestAnimationFrame(tick);
  }
}
