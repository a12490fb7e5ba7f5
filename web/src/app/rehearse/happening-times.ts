import { CdkDrag, type CdkDragEnd } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Happening } from '@yurei/core/design';
import { happeningSpan } from '@yurei/core/scene';
import { formatNominal, formatQuantity } from '@yurei/core/quantity';
import { wentWrong } from '@yurei/core/rehearsal';
import { Hint } from '../common/hint';
import { Press } from '../common/press';
import { timeStep } from '../common/ruler';
import type { Window } from '../common/trace-path';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

/** When everything in a scene happens and what came of it: blocks on a time line, dragged or moved by the arrow keys. */
@Component({
  selector: 'yu-happening-times',
  imports: [CdkDrag, Hint, Press],
  template: `
    <div class="rows">
      <h3 class="heading">what happens</h3>
      @for (row of rows(); track row.happening.id) {
        <span class="name" [yuHint]="row.happening.name">{{ row.happening.name }}</span>
        <div class="track">
          <button
            yuPress="drawn"
            class="block value"
            cdkDrag
            cdkDragLockAxis="x"
            [cdkDragBoundary]="'yu-happening-times .rows'"
            [class.wanted]="row.happening.intent === 'wanted'"
            [class.picked]="selection.is('happening', row.happening.id)"
            [style.left.%]="row.left"
            [style.width.%]="row.width"
            [attr.aria-label]="row.says"
            [yuHint]="row.says"
            (click)="selection.pick('happening', row.happening.id)"
            (keydown)="nudge(row.happening, $event)"
            (cdkDragEnded)="dropped(row.happening, $event)"
          >
            {{ row.width > 2 * row.starts.length + 2 ? row.starts : '' }}
          </button>
          @if (row.outcome) {
            <span
              class="outcome"
              [class.bad]="row.bad"
              [style.left]="row.late ? 'auto' : row.left + row.width + '%'"
              [style.right]="row.late ? 100 - row.left + '%' : 'auto'"
              >{{ row.outcome }}</span
            >
          }
        </div>
      } @empty {
        <p class="soft">Nothing happens yet. Add what must be noticed, and what must not fire.</p>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
      font-size: var(--type-small);
    }
    .rows {
      display: grid;
      grid-template-columns: var(--label) minmax(0, 1fr);
      gap: 2px 0;
      align-items: center;
      overflow: hidden;
    }
    .heading {
      grid-column: 1 / -1;
      padding-top: 7px;
      margin: 0;
      font-size: var(--type-small);
    }
    .name {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .track {
      position: relative;
      height: 26px;
      background: linear-gradient(var(--rule), var(--rule)) center / 100% 1px no-repeat;
    }
    .outcome {
      position: absolute;
      top: 4px;
      padding: 0 6px;
      background: var(--paper);
      color: var(--moss-ink);
      font-weight: 700;
      white-space: nowrap;
      pointer-events: none;
    }
    .outcome.bad {
      color: var(--lantern-ink);
    }
    .block {
      position: absolute;
      top: 1px;
      height: 24px;
      min-width: 12px;
      --colour: var(--ink);
      --fill: var(--paper);
      --edge: 1px solid var(--colour);
      box-shadow: inset 2px 0 var(--colour);
      cursor: grab;
    }
    .block.wanted {
      --colour: var(--indigo);
      --fill: var(--indigo-wash);
    }
    .block.picked {
      outline: 2px solid var(--indigo);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HappeningTimes {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly selection = inject(Selection);

  /** The stretch of time that is shown. */
  readonly window = input.required<Window>();
  private readonly span = computed(() => this.window().to - this.window().from);
  /** Dragged blocks begin at tenths of a step of the ruler. */
  private readonly snap = computed(() => timeStep(this.span()) / 10);
  protected readonly rows = computed(() => {
    const all = [...(this.view.scene()?.happenings ?? [])].sort((a, b) => a.start - b.start);
    const verdicts = this.view.rehearsal()?.verdicts ?? [];
    return all.map((happening) => {
      const { start, end } = happeningSpan(happening);
      const outcome = verdicts.find((v) => v.happening === happening.id)?.outcome;
      const along = (t: number): number => Math.min(100, Math.max(0, this.at(t)));
      const [left, right] = [along(start), along(end)];
      return {
        happening,
        left,
        width: right - left,
        // What came of it stands after its block, or before it at the end of the axis.
        late: right > 80,
        outcome: outcome ?? '',
        bad: wentWrong(outcome),
        starts: formatNominal(start, 's'),
        says: `${happening.name}, ${happening.intent}, from ${formatNominal(start, 's')} for ${formatQuantity(end - start, 's')}: drag it, or move it by the arrow keys`,
      };
    });
  });

  /** Where a time stands on the axis, per cent. */
  private at(t: number): number {
    return (100 * (t - this.window().from)) / this.span();
  }

  protected dropped(happening: Happening, { source }: CdkDragEnd): void {
    const track = source.element.nativeElement.parentElement?.getBoundingClientRect();
    const moved = source.getFreeDragPosition().x;
    source.reset();
    if (track && track.width > 0)
      this.begin(happening, happening.start + (moved / track.width) * this.span());
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
