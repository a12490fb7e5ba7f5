import { computed, inject, Injectable, signal } from '@angular/core';
import { kindOf } from '@yurei/core/catalog';
import { EditError, terminalRef } from '@yurei/core/design';
import { joinEdit, whyNotJoin } from '@yurei/core/wiring';
import { DesignSession } from '../data/design-session';

const nothing: ReadonlyMap<string, string> = new Map();

/** A wire in the making: the terminal it starts at, and which ends are impossible. */
@Injectable()
export class Connecting {
  private readonly session = inject(DesignSession);
  /** Terminal the wire starts at; empty when none is being made. */
  readonly from = signal('');
  /** Why the last try was refused. */
  readonly refusal = signal('');

  /** By terminal: why the wire cannot end there. Empty while no wire is being made. */
  readonly refusals = computed((): ReadonlyMap<string, string> => {
    const from = this.from();
    const design = this.session.design();
    if (!from || !design) return nothing;
    const ends = design.parts.flatMap((p) =>
      kindOf(p).terminals.map((t) => terminalRef(p.id, t.id)),
    );
    return new Map(
      ends.flatMap((end) => {
        const reason = end === from ? '' : whyNotJoin(design, from, end);
        return reason ? [[end, reason] as const] : [];
      }),
    );
  });

  /** First touch starts a wire, the second ends it; touching the start again gives up. */
  touch(ref: string): void {
    this.refusal.set('');
    const from = this.from();
    if (!from) {
      this.from.set(ref);
      return;
    }
    this.from.set('');
    if (from !== ref) this.join(from, ref);
  }

  cancel(): void {
    this.from.set('');
    this.refusal.set('');
  }

  /** Joins two terminals by a wire; false with a `refusal` when that is impossible. */
  join(from: string, to: string): boolean {
    const design = this.session.design();
    if (!design) return false;
    this.refusal.set('');
    try {
      return this.session.edit(joinEdit(design, from, to));
    } catch (error) {
      if (!(error instanceof EditError)) throw error;
      this.refusal.set(error.message);
      return false;
    }
  }
}
