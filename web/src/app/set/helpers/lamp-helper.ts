import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import type { Channel } from '@yurei/core/design';
import { Button } from 'primeng/button';
import { Message } from 'primeng/message';
import { Slider } from 'primeng/slider';
import { FormsModule } from '@angular/forms';
import { BenchBoard } from '../../data/bench-board';
import { DesignSession } from '../../data/design-session';
import { JudgeView } from '../../data/judge-view';

/** The old way, step by step, with the board's live reading as the lamp. */
@Component({
  selector: 'yu-lamp-helper',
  imports: [Button, FormsModule, Message, Slider],
  template: `
    <p>
      <span class="lamp" [class.lit]="lit()" aria-hidden="true"></span>
      <b role="status">{{
        lit() === undefined ? 'No board connected' : lit() ? 'The lamp is lit' : 'The lamp is dark'
      }}</b>
      <span class="value"> {{ reading() ?? '–' }} counts now</span>
    </p>
    <div class="turn">
      Trimmer
      <p-slider
        ariaLabel="Trimmer"
        [max]="full()"
        [ngModel]="turned()"
        (ngModelChange)="turned.set($event)"
      />
      <span class="value">{{ turned() }}</span>
    </div>
    <ol>
      <li>
        Set up what must just be noticed: the farthest, the weakest. Turn until the lamp just
        lights.
        <p-button
          label="Note it"
          size="small"
          variant="outlined"
          (onClick)="lights.set(turned())"
        />
        @if (lights() !== undefined) {
          <span class="value"> lights at {{ lights() }}</span>
        }
      </li>
      <li>
        Set up the worst that must not fire. Turn back until the lamp just goes out.
        <p-button
          label="Note it"
          size="small"
          variant="outlined"
          (onClick)="goesOut.set(turned())"
        />
        @if (goesOut() !== undefined) {
          <span class="value"> goes out at {{ goesOut() }}</span>
        }
      </li>
      <li>
        Set halfway between the two.
        @if (halfway(); as halfway) {
          <p-button [label]="'Threshold → ' + halfway" size="small" (onClick)="use(halfway)" />
        }
        @if (crossed()) {
          <p-message severity="error" size="small" variant="simple">
            It goes out before it lights: the two cannot be told apart by one line. Change the
            circuit, or look at the chart.
          </p-message>
        }
      </li>
    </ol>
    <p class="soft">
      One try at each end tells nothing of the noise: a lamp that flickers is at it. Captured sets
      say how sure the line is.
    </p>
  `,
  styleUrl: './helper.css',
  styles: `
    .lamp {
      display: inline-block;
      width: 16px;
      height: 16px;
      border-radius: 50%;
      border: 2px solid var(--rule);
      vertical-align: -3px;
      margin-right: 8px;
    }
    .lamp.lit {
      background: var(--lantern);
      border-color: var(--lantern);
      box-shadow: 0 0 12px var(--lantern);
    }
    .turn {
      display: flex;
      align-items: center;
      gap: 10px;
    }
    .turn input {
      flex: 1;
      accent-color: var(--indigo);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LampHelper {
  readonly channel = input.required<Channel>();
  private readonly board = inject(BenchBoard);
  private readonly session = inject(DesignSession);
  protected readonly full = inject(JudgeView).full;
  protected readonly turned = linkedSignal(() => this.channel().threshold);
  protected readonly lights = signal<number | undefined>(undefined);
  protected readonly goesOut = signal<number | undefined>(undefined);

  protected readonly reading = computed(() => {
    this.board.beat();
    return this.board.connected() ? this.board.seriesOf(this.channel())?.last : undefined;
  });
  protected readonly lit = computed(() => {
    const reading = this.reading();
    if (reading === undefined) return undefined;
    return this.channel().trips === 'below' ? reading < this.turned() : reading > this.turned();
  });
  /** On the wanted side of the quiet end there is no room. */
  protected readonly crossed = computed(() => {
    const [lights, out] = [this.lights(), this.goesOut()];
    if (lights === undefined || out === undefined) return false;
    return this.channel().trips === 'below' ? lights >= out : lights <= out;
  });
  protected readonly halfway = computed(() => {
    const [lights, out] = [this.lights(), this.goesOut()];
    return lights === undefined || out === undefined || this.crossed()
      ? undefined
      : Math.round((lights + out) / 2);
  });

  protected use(threshold: number): void {
    this.session.edit({ type: 'put-channel', channel: { ...this.channel(), threshold } });
  }
}
