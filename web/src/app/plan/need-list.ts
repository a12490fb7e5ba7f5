import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { catalog, type Param } from '@yurei/core/catalog';
import { freshId, type Need } from '@yurei/core/design';
import {
  contributes,
  findHappeningKind,
  happeningParams,
  searchHappenings,
  type HappeningKind,
} from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { FindDialog, type Find } from '../common/find-dialog';
import { Fold } from '../common/fold';
import { InlineName } from '../common/inline-name';
import { ParamField } from '../common/param-field';
import { ValueField } from '../common/value-field';
import { DesignSession } from '../data/design-session';

const far: Param = {
  ...{ id: 'far', label: 'Sensor away, 0: as usual', unit: 'm' },
  ...{ default: 0, min: 0, max: 1e4 },
};
const within: Param = {
  ...{ id: 'within', label: 'Within, 0: no limit', unit: 's' },
  ...{ default: 0, min: 0, max: 1e7 },
};

/** Whether any sensor could feel it. */
const canBeFelt = (kind: HappeningKind): boolean =>
  catalog.some(({ senses }) => senses?.quantities.some((q) => contributes(kind, q)));

/** What must be noticed, or what must not set it off: each as it comes, in the maker's words. */
@Component({
  selector: 'yu-need-list',
  imports: [Button, FindDialog, Fold, InlineName, ParamField, ValueField],
  templateUrl: './need-list.html',
  styleUrl: './need-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NeedList {
  readonly intent = input.required<Need['intent']>();
  private readonly session = inject(DesignSession);
  protected readonly far = far;
  protected readonly within = within;
  protected readonly adding = signal(false);

  protected readonly heading = computed(() =>
    this.intent() === 'wanted' ? 'must be noticed' : 'must not set it off',
  );
  protected readonly add = computed(() =>
    this.intent() === 'wanted' ? 'Must be noticed…' : 'Must not set it off…',
  );
  protected readonly rows = computed(() =>
    (this.session.design()?.brief.needs ?? []).flatMap((need) => {
      const kind = findHappeningKind(need.kind);
      return kind && need.intent === this.intent()
        ? [{ need, kind, values: happeningParams(need), placed: kind.where !== 'everywhere' }]
        : [];
    }),
  );

  protected readonly search = (text: string): Find[] =>
    searchHappenings(text)
      .filter(canBeFelt)
      .sort((a, b) => this.unlikely(a) - this.unlikely(b))
      .map((kind) => ({
        label: kind.label,
        hint: kind.usually === 'nuisance' ? 'mostly a nuisance' : '',
        summary: kind.summary,
        run: () => this.begin(kind),
      }));

  private unlikely({ usually }: HappeningKind): number {
    return Number((usually ?? 'wanted') !== this.intent());
  }

  private begin({ kind, label }: HappeningKind): void {
    const ids = (this.session.design()?.brief.needs ?? []).map((n) => n.id);
    this.put({
      ...{ id: freshId('n', ids), intent: this.intent(), kind, name: label, params: {} },
    });
  }

  protected put(need: Need): void {
    this.session.edit({ type: 'put-need', need });
  }

  /** 0 is as usual, or no limit. */
  protected setOptional(need: Need, field: 'far' | 'within', value: number): void {
    const { [field]: _before, ...others } = need;
    this.put(value > 0 ? { ...others, [field]: value } : others);
  }

  protected setParam(need: Need, param: string, value: number): void {
    this.put({ ...need, params: { ...need.params, [param]: value } });
  }

  protected remove(id: string): void {
    this.session.edit({ type: 'remove-need', id });
  }
}
