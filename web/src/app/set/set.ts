import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
} from '@angular/core';
import { channelReader, readable, terminalOf } from '@yurei/core/catalog';
import { applyEdit, freshId, splitRef, type Channel, type Edit } from '@yurei/core/design';
import { levelsOf } from '@yurei/core/logic';
import { formatQuantity } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { groupsOf, roomBetween } from './groups';
import { ThresholdChart } from './threshold-chart';

/** The Set step: where a reading counts as yes, seen against what the rehearsal read. */
@Component({
  selector: 'yu-set',
  imports: [Button, ThresholdChart],
  templateUrl: './set.html',
  styleUrls: ['../common/step.css', './set.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetStep {
  protected readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  private readonly selection = inject(Selection);
  private readonly chosen = signal('');

  protected readonly channels = computed(() => this.session.design()?.channels ?? []);
  protected readonly channel = computed(
    (): Channel | undefined =>
      this.channels().find((c) => c.id === this.chosen()) ?? this.channels()[0],
  );
  private readonly reader = computed(() => {
    const [design, channel] = [this.session.design(), this.channel()];
    return design && channel && channelReader(design, channel.pin);
  });
  protected readonly full = computed(() => this.reader()?.full ?? 1023);
  protected readonly groups = computed(() => {
    const [rehearsal, scene, channel] = [this.view.rehearsal(), this.view.scene(), this.channel()];
    return rehearsal && scene && channel ? groupsOf(rehearsal, scene, channel.id) : [];
  });
  protected readonly room = computed(() =>
    roomBetween(this.groups(), this.channel()?.trips ?? 'above'),
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
    const channel = this.channel();
    if (!channel) return [];
    const noise = this.reader()?.noise ?? 0;
    const [{ clear }] = levelsOf(channel, undefined);
    const volts = (counts: number): string =>
      this.oneCount() === undefined
        ? ''
        : ` = ${formatQuantity(counts * (this.oneCount() ?? 0), 'V')}`;
    const widths = noise > 0 ? ` = ${(channel.hysteresis / noise).toFixed(0)} × noise` : '';
    const room = this.room();
    const gap = (counts: number): string =>
      `${Math.abs(counts - channel.threshold)} counts${volts(Math.abs(counts - channel.threshold))}`;
    return [
      { label: 'Trips', value: `${channel.trips} ${channel.threshold}${volts(channel.threshold)}` },
      {
        label: 'Clears',
        value: `${channel.trips === 'above' ? 'below' : 'above'} ${clear}${volts(clear)}`,
      },
      {
        label: 'Gap between on and off',
        value: `${channel.hysteresis} counts${volts(channel.hysteresis)}${widths}`,
      },
      {
        label: 'Must agree',
        value: `${channel.hits} in a row = ${formatQuantity(channel.hits * channel.every, 's')}`,
      },
      ...(room
        ? [
            { label: 'Room on the quiet side', value: gap(room.quiet) },
            { label: 'Room on the wanted side', value: gap(room.wanted) },
          ]
        : []),
    ];
  });

  constructor() {
    effect(() => {
      const id = this.channel()?.id;
      if (id) this.selection.pick('channel', id);
      else this.selection.clear();
    });
  }

  protected choose(id: string): void {
    this.chosen.set(id);
  }

  protected toMiddle(): void {
    const [channel, room] = [this.channel(), this.room()];
    if (channel && room)
      this.session.edit({ type: 'put-channel', channel: { ...channel, threshold: room.middle } });
  }

  /** Pins and readouts that could be read and have no channel yet. */
  protected readonly freePins = computed(() => {
    const design = this.session.design();
    if (!design) return [];
    const used = new Set([...design.channels, ...design.outputs].map((c) => c.pin));
    return readable(design).filter((pin) => !used.has(pin));
  });

  protected addChannel(pin: string): void {
    const id = freshId(
      'ch',
      this.channels().map((c) => c.id),
    );
    const [design, terminal] = [this.session.design(), splitRef(pin).terminal];
    const modes = design && terminalOf(design, pin)?.modes;
    // A readout is no pin: nothing is to be set up for it.
    const mode = modes && (modes.includes('analogue') ? 'analogue' : 'input');
    const setUp: Edit[] = mode ? [{ type: 'set-pin', pin, mode }] : [];
    const ready = design && setUp.reduce(applyEdit, design);
    const middle = Math.round(((ready && channelReader(ready, pin)?.full) ?? 1023) / 2);
    const channel: Channel = {
      id,
      name: terminal,
      pin,
      trips: 'above',
      threshold: middle,
      hysteresis: Math.round(middle / 10),
      every: 0.01,
      hits: 3,
      misses: 3,
    };
    this.session.edit({
      type: 'batch',
      label: `add channel ${id}`,
      edits: [...setUp, { type: 'put-channel', channel }],
    });
    this.chosen.set(id);
  }
}
