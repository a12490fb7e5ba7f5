import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Machine } from '@yurei/core/design';
import { Message } from 'primeng/message';
import { Elk } from '../common/elk';
import { answerInTurn } from '../data/answer';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { layOutChart } from './chart-layout';

/** A chart is shrunk to this share of its size at most: its smallest letters, of 11.5 px, are then 11 px high. */
const legible = 11 / 11.5;

/** The modes of a chart and the ways between them, laid out by the program; the present mode is marked. */
@Component({
  selector: 'yu-mode-chart',
  imports: [Message],
  template: `
    @if (layouts().trouble; as trouble) {
      <p-message severity="error" size="small" variant="simple"
        >The chart could not be laid out: {{ trouble }}</p-message
      >
    }
    @if (layout(); as layout) {
      <svg
        [attr.viewBox]="'0 0 ' + layout.width + ' ' + layout.height"
        [style.max-width.px]="layout.width"
        [style.min-width.px]="legible * layout.width"
        [attr.aria-label]="'Modes of ' + machine().name"
        role="group"
      >
        <defs>
          <marker
            id="tip"
            viewBox="0 0 8 8"
            refX="7"
            refY="4"
            markerWidth="7"
            markerHeight="7"
            orient="auto"
          >
            <path d="M0 0.5L8 4L0 7.5z" />
          </marker>
        </defs>
        @for (arrow of layout.arrows; track $index) {
          <g
            class="arrow"
            [class.picked]="arrow.index === picked()"
            (click)="transition.emit(arrow.index)"
          >
            <path class="grip" [attr.d]="arrow.path" />
            <path class="line" [attr.d]="arrow.path" marker-end="url(#tip)" />
            @for (text of arrow.label; track $index; let i = $index) {
              <text [attr.x]="arrow.x" [attr.y]="arrow.y + 15 * i">{{ text }}</text>
            }
          </g>
        }
        @for (box of layout.boxes; track box.id) {
          @if (box.any) {
            <text class="any" [attr.x]="box.x + box.width / 2" [attr.y]="box.y + 14">any mode</text>
          } @else {
            <g
              class="mode"
              tabindex="0"
              role="button"
              [class.now]="box.id === now()"
              [attr.aria-label]="
                box.name +
                (box.id === machine().start ? ', begins here' : '') +
                (box.id === now() ? ', now' : '')
              "
              [attr.transform]="'translate(' + box.x + ' ' + box.y + ')'"
              (click)="mode.emit(box.id)"
              (keydown.enter)="mode.emit(box.id)"
            >
              <rect [attr.width]="box.width" [attr.height]="box.height" rx="5" />
              @if (box.id === machine().start) {
                <circle class="start" cx="11" cy="16" r="3.5" />
              }
              <text class="name" [attr.x]="box.id === machine().start ? 20 : 10" y="20">
                {{ box.name }}
              </text>
              @if (box.id === now()) {
                <text class="here" [attr.x]="box.width - 8" y="20">now</text>
              }
              @for (text of box.does; track $index; let i = $index) {
                <text class="does" x="10" [attr.y]="35 + 15 * i">{{ text }}</text>
              }
            </g>
          }
        }
      </svg>
    }
  `,
  styleUrl: './mode-chart.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ModeChart {
  readonly machine = input.required<Machine>();
  /** Place of the transition that is being changed. */
  readonly picked = input<number>();
  readonly mode = output<string>();
  readonly transition = output<number>();

  private readonly elk = inject(Elk);
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly legible = legible;
  protected readonly layouts = answerInTurn(
    () => {
      const [design, machine] = [this.session.design(), this.machine()];
      return design && { design, machine };
    },
    ({ design, machine }) => layOutChart(design, machine, (root) => this.elk.layOut(root)),
  );
  protected readonly layout = computed(() => this.layouts().found);

  /** The mode at the time cursor. */
  protected readonly now = computed(() => this.view.snapshot()?.decided.modes[this.machine().id]);
}
