import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { kindOf } from '@yurei/core/catalog';
import { type Channel, type Design, type Part, withoutAttachments } from '@yurei/core/design';
import { decimals, formatNominal, type Unit } from '@yurei/core/quantity';
import {
  byAngle,
  byDistance,
  byReflectance,
  perceivedBy,
  roomIf,
  tryable,
  type Variant,
  type WouldRead,
} from '@yurei/core/rehearsal';
import { findHappeningKind } from '@yurei/core/scene';
import { wiringOf } from '@yurei/core/wiring';
import { Message } from 'primeng/message';
import { TableModule } from 'primeng/table';
import { BenchService } from '../../bench/bench';
import { byRow } from '../../common/by-row';
import { ChoiceField, type Choice } from '../../common/choice-field';
import { Press } from '../../common/press';
import { answerTo } from '../../data/answer';
import { BenchView } from '../../data/bench-view';
import { DesignSession } from '../../data/design-session';
import { JudgeView } from '../../data/judge-view';
import { Capturing } from '../capturing';
import { ReadingChart, type Course } from './reading-chart';

interface Adjustment {
  key: string;
  part: Part;
  param: string;
  label: string;
  unit: Unit;
  values: number[];
  value: number;
}

/** What is asked of the core: how a channel would read with other values of a part, or with another scene. */
interface Question {
  design: Design;
  scene: string | undefined;
  channel: string;
  adjustment: Adjustment | undefined;
  variants: Variant[];
}

const headings: Readonly<Record<string, string>> = {
  angle: 'off straight ahead',
  distance: 'distance',
  surface: 'share thrown back',
};
const units: Readonly<Record<string, Unit>> = { angle: '°', distance: 'm' };

/** A value that is rounded counts as the present one within this share. */
const near = 0.06;

/** Another load, a shroud, another gain, another distance or angle: what the circuit says it would read. */
@Component({
  selector: 'yu-what-if-helper',
  imports: [ChoiceField, Message, Press, ReadingChart, TableModule],
  template: `
    <yu-choice-field
      class="wide"
      label="Change"
      [choices]="choices()"
      [value]="chosen()"
      (changed)="picked.set($event)"
    />
    @if (asking()) {
      <p class="soft" role="status">Asking the circuit…</p>
    } @else if (rows().length > 0) {
      <yu-reading-chart
        [courses]="courses()"
        [across]="heading()"
        [unit]="unit()"
        [scale]="chosen() === 'angle' || chosen() === 'surface' ? 'linear' : 'log'"
        [full]="judging.full()"
        [line]="channel().baseline ? undefined : channel().threshold"
      />
      <p-table [value]="rows()" [rowTrackBy]="byRow" size="small">
        <ng-template #header>
          <tr>
            <th scope="col">{{ heading() }}</th>
            <th scope="col">at rest</th>
            @for (name of names(); track name) {
              <th scope="col">{{ name }}</th>
            }
            <th scope="col">room</th>
            <th scope="col"><span class="hidden-label">Do</span></th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr [class.here]="row.here" [class.best]="row.best && !row.here">
            <td>{{ row.label }}</td>
            @for (cell of row.cells; track $index) {
              <td>{{ cell }}</td>
            }
            <td>{{ row.room }}</td>
            <td>
              @if (adjustment() && !row.here) {
                <button
                  yuPress="bare"
                  [attr.aria-label]="'Take ' + row.label"
                  (click)="take(row.value)"
                >
                  Take
                </button>
              }
            </td>
          </tr>
        </ng-template>
      </p-table>
      <p class="soft">
        {{ words() }} Counts by the circuit alone, without noise, the farthest from rest of five
        moments: check by a new capture.
      </p>
    } @else if (trouble()) {
      <p-message severity="error" size="small" variant="simple">{{ trouble() }}</p-message>
    } @else {
      <p class="soft">
        Nothing to ask: a scene with something happening is needed. Add one in Rehearse.
      </p>
    }
  `,
  styleUrl: './helper.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhatIfHelper {
  readonly channel = input.required<Channel>();
  protected readonly byRow = byRow;
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  private readonly capturing = inject(Capturing);
  protected readonly judging = inject(JudgeView);
  protected readonly picked = signal('');

  /** What can be turned near the channel: what is wired to its pin, and its sensor. */
  private readonly adjustments = computed((): Adjustment[] => {
    const [design, sensor] = [this.session.design(), this.capturing.sensor()];
    if (!design) return [];
    const near = wiringOf(design)
      .ends(this.channel().pin)
      .map((e) => e.part)
      .filter((p) => kindOf(p).stage === 'conditions' || kindOf(p).stage === 'feels');
    const parts = [
      ...new Map([...near, ...(sensor ? [sensor] : [])].map((p) => [p.id, p])).values(),
    ];
    const loads = [...parts].sort(
      (a, b) => Number(kindOf(a).stage === 'feels') - Number(kindOf(b).stage === 'feels'),
    );
    return loads.flatMap((part) =>
      tryable(part).map((t) => ({
        key: `${part.id}.${t.id}`,
        part,
        param: t.id,
        label: `${t.label} of ${part.name} (${part.id})`,
        unit: kindOf(part).params.find((p) => p.id === t.id)?.unit ?? '',
        values: t.values,
        value: t.value,
      })),
    );
  });
  /** A happening with one place, which can be put elsewhere. */
  private readonly movable = computed(() =>
    this.capturing.sensor()?.place
      ? this.capturing
          .happenings()
          .find((h) => findHappeningKind(h.kind)?.where === 'point' && h.intent === 'wanted')
      : undefined,
  );

  /** A happening of something that reflects. */
  private readonly surfaced = computed(() =>
    this.capturing
      .happenings()
      .find((h) => findHappeningKind(h.kind)?.params.some((p) => p.id === 'reflectance')),
  );

  protected readonly choices = computed((): Choice[] => [
    ...this.adjustments().map((k) => ({ value: k.key, label: k.label })),
    ...(this.movable()
      ? [
          { value: 'distance', label: `Distance of “${this.movable()?.name}”` },
          { value: 'angle', label: `Angle of “${this.movable()?.name}”, 1 m away` },
        ]
      : []),
    ...(this.surfaced()
      ? [{ value: 'surface', label: `Surface of “${this.surfaced()?.name}”` }]
      : []),
  ]);
  protected readonly chosen = computed(() => this.picked() || (this.choices()[0]?.value ?? ''));
  protected readonly adjustment = computed(() =>
    this.adjustments().find((k) => k.key === this.chosen()),
  );
  protected readonly heading = computed(() =>
    this.adjustment()
      ? this.adjustment()?.param === 'ohms'
        ? 'resistance'
        : (this.adjustment()?.param ?? '')
      : (headings[this.chosen()] ?? ''),
  );
  protected readonly unit = computed(
    (): Unit => this.adjustment()?.unit ?? units[this.chosen()] ?? '',
  );

  private readonly asked = computed(() => {
    const [design, key, adjustment] = [this.session.design(), this.chosen(), this.adjustment()];
    const variants = adjustment ? [] : this.variants(key);
    const [scene, channel] = [this.view.scene()?.id, this.channel().id];
    return design && { design, scene, channel, key, adjustment, variants };
  });
  private readonly answering = answerTo(this.asked, async (asked) => ({
    key: asked.key,
    would: await this.would(asked),
  }));
  /** What would be read; nothing where that could not be worked out. */
  private readonly answer = computed((): { key: string; would: readonly WouldRead[] } => {
    const { found, trouble } = this.answering();
    return found && !trouble ? found : { key: '', would: [] };
  });
  protected readonly asking = computed(() => this.answering().looking);
  protected readonly trouble = computed(() => this.answering().trouble);

  private async would(asked: Question): Promise<WouldRead[]> {
    const { scene, channel, adjustment, variants } = asked;
    const design = withoutAttachments(asked.design);
    if (adjustment) {
      const { part, param, values } = adjustment;
      return this.bench.patient.whatIf(design, scene, channel, { part: part.id, param, values });
    }
    return variants.length > 0
      ? this.bench.patient.ifInstead(design, scene, channel, variants)
      : [];
  }

  /** A happening in other places, or with other surfaces. */
  private variants(key: string): Variant[] {
    const [bare, moved, place] = [this.surfaced(), this.movable(), this.capturing.sensor()?.place];
    if (key === 'surface') return bare ? byReflectance(bare) : [];
    if (!moved || !place) return [];
    return key === 'angle' ? byAngle(moved, place) : byDistance(moved, place);
  }

  protected readonly names = computed(() =>
    (this.answer().would[0]?.during ?? []).map((d) => d.name),
  );

  protected readonly rows = computed(() => {
    const { would } = this.answer();
    const adjustment = this.adjustment();
    const here = adjustment
      ? would.filter((w) => Math.abs(w.value / adjustment.value - 1) < near)
      : would;
    const stimulus = perceivedBy(here);
    const rooms = would.map((w) => roomIf(w, this.channel(), stimulus));
    const best = rooms.reduce<number>(
      (at, room, i) => ((room ?? -Infinity) > (rooms[at] ?? -Infinity) ? i : at),
      0,
    );
    return would.map((w, i) => ({
      value: w.value,
      label: formatNominal(w.value, this.unit()),
      cells: [tell(w.rest), ...w.during.map((d) => tell(d.counts))],
      room: rooms[i] === undefined ? '–' : tell(rooms[i]),
      best: adjustment !== undefined && i === best && rooms[i] !== undefined,
      here: adjustment !== undefined && Math.abs(w.value / adjustment.value - 1) < near,
    }));
  });

  /** What the circuit says, and what was measured at such a distance or angle. */
  protected readonly courses = computed((): Course[] => {
    const { would, key } = this.answer();
    const inks = { wanted: 'lantern', nuisance: 'amber' } as const;
    const rest = would.flatMap(({ value, rest: y }) => (y === undefined ? [] : [{ x: value, y }]));
    const happenings = (would[0]?.during ?? []).map(({ happening, name, intent }): Course => ({
      name,
      ink: inks[intent],
      points: would.flatMap(({ value, during }) => {
        const found = during.find((d) => d.happening === happening);
        return found ? [{ x: value, y: found.counts }] : [];
      }),
    }));
    return [{ name: 'at rest', ink: 'moss', points: rest }, ...happenings, ...this.measured(key)];
  });

  private measured(key: string): Course[] {
    if (key !== 'distance' && key !== 'angle') return [];
    const means = new Map(this.judging.current()?.sets.map((s) => [s.id, s.mean]));
    const points = this.judging.sets().flatMap(({ id, intent, conditions }) => {
      const [x, y] = [conditions[key], means.get(id)];
      return intent === 'wanted' && x !== undefined && x > 0 && y !== undefined ? [{ x, y }] : [];
    });
    return points.length > 0 ? [{ name: 'measured', ink: 'indigo', points, dots: true }] : [];
  }

  protected readonly words = computed(() => {
    const adjustment = this.adjustment();
    if (!adjustment) return 'Room: from the reading to the line, below 0 not noticed.';
    const shroud =
      adjustment.param === 'halfAngle'
        ? ' A tube of length L over an opening of diameter d narrows the half-angle to about atan(d/2L): 5 mm and 14 mm make 10°.'
        : '';
    return `Room: from the farthest of rest and what must not fire to the nearest of what is wanted and felt here.${shroud}`;
  });

  protected take(value: number): void {
    const adjustment = this.adjustment();
    if (adjustment)
      this.session.edit({
        type: 'set-param',
        id: adjustment.part.id,
        param: adjustment.param,
        value,
      });
  }
}

const tell = (counts: number | undefined): string =>
  counts === undefined ? '–' : decimals(counts, 0);
