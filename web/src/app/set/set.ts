import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
} from '@angular/core';
import { channelReader, readable } from '@yurei/core/catalog';
import type { Channel } from '@yurei/core/design';
import { bestLevels } from '@yurei/core/judge';
import { levelsAtRest, levelsOf } from '@yurei/core/logic';
import { readingGroups, roomBetween, wentWrong } from '@yurei/core/rehearsal';
import { decimals } from '@yurei/core/quantity';
import { newChannel } from '@yurei/core/wiring';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Message } from 'primeng/message';
import { Tab, TabList, TabPanel, TabPanels, Tabs } from 'primeng/tabs';
import { HelpHint } from '../common/help-hint';
import { Hint } from '../common/hint';
import { Press } from '../common/press';
import { BenchView } from '../data/bench-view';
import { BenchBoard } from '../data/bench-board';
import { DesignSession } from '../data/design-session';
import { JudgeView } from '../data/judge-view';
import { Selection } from '../data/selection';
import { BoardState } from '../data/board-state';
import { BringDialog } from './bring-dialog';
import { CaptureBar } from './capture-bar';
import { Capturing } from './capturing';
import { columnsOf, type Column } from './columns';
import { countedIn, errorRows, moreProof, roomRows, settingRows } from './decisions';
import { ErrorCurve } from './error-curve';
import { LiveStrip } from './live-strip';
import { Margins } from './margins';
import { SetItCards } from './set-it-cards';
import { labelShare, ThresholdChart } from './threshold-chart';

type Lower = 'live' | 'bench' | 'all';

/** The Set step: where a reading counts as yes, by what was measured, or until then by what was rehearsed. */
@Component({
  selector: 'yu-set',
  imports: [
    BoardState,
    BringDialog,
    Button,
    CaptureBar,
    ErrorCurve,
    HelpHint,
    Hint,
    InputText,
    LiveStrip,
    Margins,
    Message,
    Press,
    SetItCards,
    Tab,
    TabList,
    TabPanel,
    TabPanels,
    Tabs,
    ThresholdChart,
  ],
  providers: [Capturing],
  templateUrl: './set.html',
  styleUrls: ['../common/step.css', './set.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetStep {
  protected readonly decimals = decimals;
  protected readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  protected readonly wentWrong = wentWrong;
  protected readonly judging = inject(JudgeView);
  private readonly selection = inject(Selection);
  private readonly board = inject(BenchBoard);
  protected readonly labelShare = labelShare;
  protected readonly bringing = signal(false);
  protected readonly roc = signal(false);
  /** With a board come its readings. */
  protected readonly lower = linkedSignal((): Lower => (this.board.connected() ? 'live' : 'bench'));
  protected readonly lowers: readonly { id: Lower; label: string }[] = [
    { id: 'bench', label: 'set it on the bench' },
    { id: 'live', label: 'live' },
    { id: 'all', label: 'all channels' },
  ];
  /** Shows what was rehearsed even though there are measured sets. */
  protected readonly rehearsed = signal(false);

  protected readonly channels = computed(() => this.session.design()?.channels ?? []);
  protected readonly channel = this.judging.channel;
  private readonly reader = computed(() => {
    const [design, channel] = [this.session.design(), this.channel()];
    return design && channel && channelReader(design, channel.pin);
  });
  protected readonly full = this.judging.full;
  protected readonly judgement = this.judging.current;
  protected readonly measured = computed(() => this.judging.sets().length > 0 && !this.rehearsed());

  protected readonly groups = computed(() => {
    const [rehearsal, scene, channel] = [this.view.rehearsal(), this.view.scene(), this.channel()];
    return rehearsal && scene && channel ? readingGroups(rehearsal, scene, channel.id) : [];
  });
  protected readonly columns = computed((): Column[] =>
    this.measured() ? columnsOf(this.judging.sets()) : this.groups(),
  );
  /** Where the baseline stands: in the quiet sets, or at rest. */
  protected readonly from = computed(() => {
    const channel = this.channel();
    if (!channel?.baseline) return undefined;
    if (channel.baseline.kind === 'fixed') return channel.baseline.counts;
    const measured = this.measured() ? this.judgement()?.from : undefined;
    return measured ?? this.view.snapshot()?.counts[channel.id];
  });
  /** Whether what is read names something: then nothing lies between two readings. */
  protected readonly names = computed(() => {
    const reader = this.reader();
    return reader?.by === 'readout' && reader.names;
  });
  protected readonly room = computed(() =>
    this.channel()?.baseline || this.names()
      ? undefined
      : roomBetween(this.groups(), this.channel()?.trips ?? 'above'),
  );
  protected readonly oneCount = computed(() => {
    const reader = this.reader();
    const solved = reader && this.view.snapshot()?.solution.parts[reader.part];
    return reader?.by === 'converter' && solved
      ? reader.reference(solved) / reader.full
      : undefined;
  });

  /** The rows of "how it would decide". */
  protected readonly decisions = computed(() => {
    const [channel, judgement] = [this.channel(), this.judgement()];
    if (!channel) return [];
    const counted = countedIn(this.oneCount());
    const rest = this.view.snapshot()?.counts[channel.id] ?? 0;
    const from = this.from();
    const levels = from === undefined ? levelsAtRest(channel, rest) : levelsOf(channel, from);
    const noise = (this.measured() && judgement?.noise?.sd) || (this.reader()?.noise ?? 0);
    const setting = settingRows(channel, levels, counted, noise);
    if (this.measured() && judgement)
      return [...errorRows(judgement), ...setting.filter((row) => row.label.startsWith('Gap'))];
    const room = this.room();
    return [...setting, ...(room ? roomRows(channel, room, counted) : [])];
  });

  protected readonly proof = computed(() => {
    const judgement = this.judgement();
    return judgement && moreProof(judgement);
  });

  protected readonly best = computed(() => {
    const [judgement, channel] = [this.judgement(), this.channel()];
    const levels = judgement && channel && bestLevels(judgement, channel);
    return levels && { ...levels, stands: levels.threshold === channel.threshold };
  });

  constructor() {
    effect(() => {
      const id = this.channel()?.id;
      if (id) this.selection.pick('channel', id);
      else this.selection.clear();
    });
  }

  protected showBelow(value: string | number | undefined): void {
    const chosen = this.lowers.find(({ id }) => id === value);
    if (chosen) this.lower.set(chosen.id);
  }

  protected choose(id: string): void {
    this.judging.chosen.set(id);
    this.selection.pick('channel', id);
  }

  protected pickSet(id: string | undefined): void {
    if (id) this.selection.pick('readings', id);
  }

  protected isPicked(id: string | undefined): boolean {
    return id !== undefined && this.selection.is('readings', id);
  }

  protected tell(column: Column): string {
    const digits = column.sd < 1 ? 1 : 0;
    return column.sd > 0
      ? `${decimals(column.mean, digits)} ± ${decimals(column.sd, digits)}`
      : `${Math.round(column.mean)}`;
  }

  protected toMiddle(): void {
    const room = this.room();
    if (room) this.put({ threshold: room.middle });
  }

  protected toBest(): void {
    const best = this.best();
    if (best) this.put({ threshold: best.threshold, hysteresis: best.hysteresis });
  }

  protected setMissCost(event: Event): void {
    const field = event.target as HTMLInputElement;
    const cost = Number(field.value.replace(',', '.'));
    if (cost > 0 && cost <= 1e6) this.put({ missCost: cost });
    field.value = String(this.channel()?.missCost ?? 1);
  }

  private put(change: Partial<Channel>): void {
    const channel = this.channel();
    if (channel) this.session.edit({ type: 'put-channel', channel: { ...channel, ...change } });
  }

  /** Pins and readouts that could be read and have no channel yet. */
  protected readonly freePins = computed(() => {
    const design = this.session.design();
    if (!design) return [];
    const used = new Set([...design.channels, ...design.outputs].map((c) => c.pin));
    return readable(design).filter((pin) => !used.has(pin));
  });

  protected addChannel(pin: string): void {
    const design = this.session.design();
    if (!design) return;
    const { channel, edits } = newChannel(design, pin);
    this.session.edit({ type: 'batch', label: `add channel ${channel.id}`, edits });
    this.choose(channel.id);
  }
}
