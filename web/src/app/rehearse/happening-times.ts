import { CdkDrag, type CdkDragEnd } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Happening } from '@yurei/core/design';
import { happeningSpan } from '@yurei/core/scene';
import { formatQuantity } from '@yurei/core/quantity';
import { rulerMarks, rulerStep } from '../common/ruler';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

/** When everything in a scene happens: blocks on a time line, dragged or moved by the arrow keys. */
@Component({
  selector: 'yu-happening-times',
  imports: [CdkDrag],
  template: `
    <div class="rows">
      <span></span>
      <div class="track ruler">
        @for (t of ruler(); track t) {
          <span class="tick value" [style.left.%]="(100 * t) / duration()">{{ t }}</span>
        }
      </div>
      @for (row of rows(); track row.happening.id) {
        <span class="name" [title]="row.happening.name">{{ row.happening.name }}</span>
        <div class="track">
          <button
            type="button"
            class="block"
            cdkDrag
            cdkDragLockAxis="x"
            [cdkDragBoundary]="'yu-happening-times .rows'"
            [class.wanted]="row.happening.intent === 'wanted'"
            [class.picked]="selection.is('happening', row.happening.id)"
            [style.left.%]="row.left"
            [style.width.%]="row.width"
            [attr.aria-label]="row.says"
            [title]="row.says"
            (click)="selection.pick('happening', row.happening.id)"
            (keydown)="nudge(row.happening, $event)"
            (cdkDragEnded)="dropped(row.happening, $event)"
          >
            {{ row.starts }}
          </button>
          @if (cursor(); as at) {
            <span class="cursor" [style.left.%]="at"></span>
          }
        </div>
      } @empty {
        <p class="soft">Nothing happens yet. Add what must be noticed, and what must not fire.</p>
      }
    </div>
    <p class="soft">Drag a block, or move it by the arrow keys; with Shift ten times as far.</p>
  `,
  styles: `
    :host {
      display: block;
      flex: 1.25;
      min-height: 0;
      overflow: auto;
      padding: 4px 14px;
      font-size: 13px;
    }
    .rows {
      display: grid;
      grid-template-columns: minmax(110px, 190px) 1fr;
      gap: 3px 8px;
      align-items: center;
    }
    .name {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .track {
      position: relative;
      height: 26px;
      background: var(--raised);
      border: 1px solid var(--rule);
      border-radius: 3px;
    }
    .ruler {
      height: 16px;
      border: 0;
      background: none;
    }
    .tick {
      position: absolute;
      font-size: 11px;
      color: var(--soft);
      border-left: 1px solid var(--rule);
      padding-left: 2px;
    }
    .block {
      position: absolute;
      top: 0;
      height: 24px;
      min-width: 24px;
      padding: 0 4px;
      border: 1px solid var(--ink);
      border-left-width: 3px;
      border-radius: 3px;
      background: var(--paper);
      color: var(--ink);
      font: 11.5px var(--mono);
      text-align: left;
      white-space: nowrap;
      cursor: grab;
    }
    .block.wanted {
      background: var(--indigo-wash);
      border-color: var(--indigo);
    }
    .block.picked {
      outline: 2px solid var(--indigo);
    }
    .cursor {
      position: absolute;
      top: 0;
      bottom: 0;
      border-left: 1.5px solid var(--ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HappeningTimes {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly selection = inject(Selection);

  protected readonly duration = computed(() => this.view.scene()?.duration ?? 1);
  protected readonly ruler = computed(() => rulerMarks(this.duration()));
  /** Dragged blocks begin at tenths of a step of the ruler. */
  private readonly snap = computed(() => rulerStep(this.duration()) / 10);
  protected readonly cursor = computed(() => {
    const t = this.view.time();
    return t === undefined ? undefined : (100 * t) / this.duration();
  });
  protected readonly rows = computed(() => {
    const all = [...(this.view.scene()?.happenings ?? [])].sort((a, b) => a.start - b.start);
    return all.map((happening) => {
      const { start, end } = happeningSpan(happening);
      const lasts = Math.min(end, this.duration()) - start;
      return {
        happening,
        left: Math.min(100, (100 * start) / this.duration()),
        width: (100 * Math.max(0, lasts)) / this.duration(),
        starts: formatQuantity(start, 's'),
        says: `${happening.name}, ${happening.intent}, from ${start} s for ${formatQuantity(end - start, 's')}`,
      };
    });
  });

  protected dropped(happening: Happening, { source }: CdkDragEnd): void {
    const track = source.element.nativeElement.parentElement?.getBoundingClientRect();
    const moved = source.getFreeDragPosition().x;
    source.reset();
    if (track && track.width > 0)
      this.begin(happening, happening.start + (moved / track.width) * this.duration());
  }

  protected nudge(happening: Happening, event: KeyboardEvent): void {
    const way = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    if (way === 0) return;
    event.preventDefault();
    event.stopPropagation();
    this.begin(happening, happening.start + way * this.snap() * (event.shiftKey ? 10 : 1));
  }

  /** Begins it at a whole snap, within the scene. */
  private begin(happening: Happening, at: number): void {
    const scene = this.view.scene();
    if (!scene) return;
    const snapped = Math.round(at / this.snap()) * this.snap();
    const start = Number(Math.min(scene.duration, Math.max(0, snapped)).toPrecision(8));
    if (start !== happening.start)
      this.session.edit({
        type: 'put-happening',
        scene: scene.id,
        happening: { ...happening, start },
      });
  }
}
