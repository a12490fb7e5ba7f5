import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { findKind, surroundings, valuesOf, type Param } from '@yurei/core/catalog';
import { formatNominal, formatQuantity } from '@yurei/core/quantity';
import { TableModule } from 'primeng/table';
import { Fold } from '../common/fold';
import { Hint } from '../common/hint';
import { PartCurve } from '../picture/part-curve';

/** Everything that is known of one kind of part, with its curve. */
@Component({
  selector: 'yu-part-page',
  imports: [Fold, Hint, PartCurve, RouterLink, TableModule],
  templateUrl: './part-page.html',
  styleUrl: './part-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartPage {
  /** From the address. */
  readonly kind = input.required<string>();

  protected readonly found = computed(() => findKind(this.kind()));
  protected readonly params = computed(() =>
    (this.found()?.params ?? []).map((p) => ({
      label: p.label,
      usual: show(p, p.default),
      range: p.choices ? p.choices.join(', ') : `${show(p, p.min)} … ${show(p, p.max)}`,
      spread: p.tolerance ? `±${Number((100 * p.tolerance).toFixed(1))} %` : '',
    })),
  );
  protected readonly senses = computed(() =>
    (this.found()?.senses?.quantities ?? []).map((q) => surroundings[q].label.toLowerCase()),
  );
  private readonly defaults = computed(() => valuesOf(this.found()?.params ?? [], {}));
  protected readonly ratings = computed(() => {
    const ratings = this.found()?.ratings ?? [];
    // A controller has one for each pin: the first of each kind of limit speaks for all.
    const seen = new Set<string>();
    return ratings.flatMap(({ label, unit, limit }) => {
      const about = label.replace(/ at (?:(COM|R)\d+|P[A-D]?\d+|[AD]\d+)/, (_, name?: string) =>
        name ? ` at each ${name}` : ' at a pin',
      );
      if (seen.has(about)) return [];
      seen.add(about);
      return [{ label: about, limit: formatQuantity(limit(this.defaults()), unit) }];
    });
  });
  protected readonly phases = computed(() =>
    (this.found()?.phases ?? []).map((p) => ({
      label: p.label,
      amps: formatQuantity(p.amps(this.defaults()), 'A'),
    })),
  );
  protected readonly inside = computed(() => {
    const inside = this.found()?.inside;
    if (!inside) return undefined;
    const params = this.defaults();
    return {
      parts: inside.parts(params).map((p) => ({
        ...p,
        headline: p.kind.headline(valuesOf(p.kind.params, p.params)),
      })),
      wires: inside.wires(params).map(([a, b]) => `${a} – ${b}`),
    };
  });
}

const show = (param: Param, value: number): string =>
  param.choices?.[value] ?? formatNominal(value, param.unit);
