import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import type { Design } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { repeatedChannels } from '@yurei/core/wiring';
import type { Shown } from '@yurei/core/picture';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { Hint } from '../common/hint';
import { Press } from '../common/press';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Connecting } from '../picture/connecting';
import { Picture } from '../picture/picture';
import { HelpHint } from '../common/help-hint';
import { isTyping } from '../common/is-typing';
import { BlockDialog } from './block-dialog';
import { BlockTray } from './block-tray';
import { EmptyBench } from './empty-bench';
import { PartTray } from './part-tray';
import { PinPlan } from './pin-plan';
import { TakeAway } from './take-away';
import { WireTable } from './wire-table';
import { SayLine } from './say-line';

/** How long after an edit channels wired alike are looked for, ms. */
const countAfter = 250;

const foldableIn = (design: Design): number =>
  repeatedChannels(design).reduce((sum, r) => sum + r.others.flat().length, 0);

/** The Wire step: the circuit as the program draws it, to add to, connect and change. */
@Component({
  selector: 'yu-wire',
  imports: [
    BlockDialog,
    BlockTray,
    Button,
    EmptyBench,
    FormsModule,
    HelpHint,
    Hint,
    PartTray,
    Picture,
    PinPlan,
    Press,
    SayLine,
    SelectButton,
    TakeAway,
    WireTable,
  ],
  templateUrl: './wire.html',
  styleUrl: '../common/step.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class WireStep {
  protected readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  private readonly connecting = inject(Connecting);
  private readonly picture = viewChild(Picture);
  private readonly line = viewChild(SayLine);
  protected readonly trayOpen = signal(false);
  protected readonly blocksOpen = signal(false);
  protected readonly pinsOpen = signal(false);
  protected readonly shows: (Shown | 'table')[] = ['volts', 'amps', 'table'];
  protected readonly show = signal<Shown | 'table'>('volts');
  /** The drawing as it stands. */
  protected readonly drawn = (): SVGSVGElement | undefined => this.picture()?.drawing();
  protected readonly alike = signal(false);
  /** How many cards would go if channels wired alike were drawn once. */
  protected readonly foldable = signal(0);
  protected readonly refusal = computed(() => this.connecting.refusal() || this.session.refusal());
  protected readonly saying = computed(() => {
    const from = this.connecting.from();
    if (from) return `From ${from}: pick the other end. Esc gives up.`;
    const t = this.view.time();
    const scene = this.view.scene()?.name;
    if (t !== undefined) return `t = ${formatQuantity(t, 's', 4)} of scene “${scene}”`;
    return '';
  });

  constructor() {
    effect((onCleanup) => {
      const design = this.session.design();
      // It takes a moment and nothing waits for it.
      const later = setTimeout(
        () => this.foldable.set(design ? foldableIn(design) : 0),
        countAfter,
      );
      onCleanup(() => clearTimeout(later));
    });
  }

  protected zoom(direction: 1 | -1): void {
    this.picture()?.zoomBy(direction);
  }

  protected fit(): void {
    this.picture()?.fit();
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return;
    const actions: Record<string, () => void> = {
      '+': () => this.zoom(1),
      '=': () => this.zoom(1),
      '-': () => this.zoom(-1),
      '0': () => this.fit(),
      a: () => this.trayOpen.set(true),
      s: () => this.blocksOpen.set(true),
      w: () => this.line()?.focus(),
    };
    const action = actions[event.key];
    const dialog = this.trayOpen() || this.blocksOpen() || this.pinsOpen();
    if (!action || dialog) return;
    event.preventDefault();
    action();
  }
}
