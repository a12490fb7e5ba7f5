import { computed, inject, Injectable, signal } from '@angular/core';
import { kindOf, sayReading } from '@yurei/core/catalog';
import { sayVolts } from '@yurei/core/circuit';
import { deriveNets, netIndex, splitRef, type Channel, type Design } from '@yurei/core/design';
import type { Rehearsal, Trace } from '@yurei/core/rehearsal';
import { BenchView } from './bench-view';
import { DesignSession } from './design-session';

/** One pinned quantity with its present value and its course through the rehearsal. */
export interface Probe {
  key: string;
  name: string;
  value: string;
  trace: Trace | undefined;
  /** Drawn in the colour of firing. */
  fires: boolean;
}

/**
 * The probes of the strip at the bottom: every channel, everything that acts, and whatever nets the
 * maker has pinned.
 */
@Injectable()
export class Probes {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  /** Terminals of pinned nets. */
  private readonly pinned = signal<readonly string[]>([]);

  readonly all = computed((): Probe[] => {
    const design = this.session.design();
    if (!design) return [];
    return [...this.channels(design), ...this.actors(design), ...this.nets(design)];
  });

  /** Pins the net at a terminal, or takes the pin out. */
  toggle(terminal: string): void {
    const design = this.session.design();
    if (!design) return;
    const netOf = netIndex(deriveNets(design));
    const same = this.pinned().find((p) => netOf(p) === netOf(terminal));
    this.pinned.update((list) => (same ? list.filter((p) => p !== same) : [...list, terminal]));
  }

  private channels(design: Design): Probe[] {
    const counts = this.view.snapshot()?.counts ?? {};
    return design.channels.map((channel) => ({
      key: `channel:${channel.id}`,
      name: `${splitRef(channel.pin).terminal} · ${channel.name}`,
      value: said(design, channel, counts[channel.id]),
      trace: this.view.rehearsal()?.readings[channel.id],
      fires: false,
    }));
  }

  private actors(design: Design): Probe[] {
    const snapshot = this.view.snapshot();
    const rehearsal = this.view.rehearsal();
    return design.parts.flatMap((part): Probe[] => {
      const { acts, relays } = kindOf(part);
      if (!acts) return [];
      const solved = snapshot?.solution.parts[part.id];
      const each = Object.entries(relays && solved ? relays(solved) : {});
      // Of a board with one relay its own row says the same.
      if (each.length > 1)
        return each.map(([name, pulled]) => ({
          key: `part:${part.id} ${name}`,
          name: `${part.name} · ${name}`,
          value: pulled ? acts.word : `not ${acts.word}`,
          trace: rehearsal?.relays[`${part.id} ${name}`],
          fires: true,
        }));
      const active = snapshot?.acting[part.id]?.active ?? false;
      const value = active ? acts.word : `not ${acts.word}`;
      const trace = actingTrace(rehearsal, part.id);
      return [{ key: `part:${part.id}`, name: part.name, value, trace, fires: true }];
    });
  }

  private nets(design: Design): Probe[] {
    const netOf = netIndex(deriveNets(design));
    return this.pinned().map((terminal): Probe => {
      const id = netOf(terminal);
      const net = this.view.snapshot()?.solution.nets.find((n) => n.id === id);
      const value = sayVolts(net);
      const trace = this.view.rehearsal()?.nets[id];
      return { key: `net:${id}`, name: net?.name ?? terminal, value, trace, fires: false };
    });
  }
}

const said = (design: Design, { pin }: Channel, counts: number | undefined): string =>
  counts === undefined ? 'no reading' : sayReading(design, pin, counts);

function actingTrace(rehearsal: Rehearsal | undefined, part: string): Trace | undefined {
  if (!rehearsal) return undefined;
  const changes = rehearsal.acting.filter((a) => a.part === part);
  return {
    times: [0, ...changes.map((c) => c.t)],
    values: [0, ...changes.map((c) => (c.active ? 1 : 0))],
  };
}
