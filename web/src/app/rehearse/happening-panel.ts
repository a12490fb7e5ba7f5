import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { kindOf, numbersOf, type Param } from '@yurei/core/catalog';
import { freshId, type Edit, type Happening, type Sign } from '@yurei/core/design';
import { seededRandom, usualSigns } from '@yurei/core/rehearsal';
import {
  aimsOf,
  findHappeningKind,
  happeningParams,
  happeningSpan,
  type Aim,
} from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { ChoiceField, type Choice } from '../common/choice-field';
import { TextField } from '../common/text-field';
import { defined } from '../common/defined';
import { OptionalField } from '../common/optional-field';
import { ParamField } from '../common/param-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Site } from '../site/site';

const height: Param = {
  ...{ id: 'z', label: 'Height over the ground', unit: 'm', default: 1, min: 0, max: 1000 },
};

type Axis = Param & { id: 'x' | 'y' };

const intents: readonly Choice[] = [
  { value: 'wanted', label: 'wanted' },
  { value: 'nuisance', label: 'a nuisance' },
];

/** The offered choice that a sign is. */
function choiceOf(sign: Sign): string {
  if (sign.by === 'part') return `part ${sign.part}`;
  if (sign.by === 'counter') return `counter ${sign.counter} ${Math.sign(sign.step)}`;
  return sign.by === 'mode' ? `mode ${sign.machine} ${sign.mode}` : `notice ${sign.notice}`;
}

/** The sign of an offered choice; undefined for none. */
function signOf(choice: string): Sign | undefined {
  const [by = '', id = '', which = ''] = choice.split(' ');
  const signs: Readonly<Partial<Record<string, Sign>>> = {
    part: { by: 'part', part: id },
    counter: { by: 'counter', counter: id, step: Number(which) },
    mode: { by: 'mode', machine: id, mode: which },
    notice: { by: 'notice', notice: id },
  };
  return signs[by];
}

/** One happening: whether it is wanted, when, how, and along which way. */
@Component({
  selector: 'yu-happening-panel',
  imports: [Button, ChoiceField, OptionalField, ParamField, TextField, ValueField],
  template: `
    @if (happening(); as happening) {
      <h2>{{ happening.name }}</h2>
      <p class="soft kind">{{ kind()?.summary }}</p>
      <div class="fields">
        <yu-text-field
          label="Name"
          [value]="happening.name"
          [required]="true"
          (changed)="put({ name: $event })"
        />
        <yu-choice-field
          label="It is"
          [choices]="intents"
          [value]="happening.intent"
          (changed)="put({ intent: $event === 'wanted' ? 'wanted' : 'nuisance' })"
        />
        @if (needs().length > 0) {
          <yu-choice-field
            label="Of the brief"
            [wide]="true"
            [choices]="needs()"
            [value]="happening.need ?? ''"
            (changed)="setNeed($event)"
          />
        }
        @for (choice of signs(); track $index; let i = $index) {
          <yu-choice-field
            [label]="i > 0 ? 'or' : happening.intent === 'wanted' ? 'Noticed by' : 'Must not bring'"
            [wide]="true"
            [choices]="i > 0 ? furtherSigns() : signChoices()"
            [value]="choice"
            (changed)="setSign(i, $event)"
          />
        }
        @if (happening.intent === 'wanted') {
          <yu-value-field
            [param]="within"
            [value]="happening.within ?? 0"
            (changed)="setWithin($event)"
          />
        }
        <yu-value-field
          [param]="start()"
          [value]="happening.start"
          (changed)="put({ start: $event })"
        />
        @if (aims().length > 0) {
          <yu-choice-field
            [label]="aimLabel()"
            [wide]="true"
            [choices]="aims()"
            [value]="aim()"
            (changed)="setAim($event)"
          />
        }
        @for (param of aimedParams(); track param.id) {
          <yu-param-field
            [param]="param"
            [value]="params()[param.id] ?? param.default"
            (changed)="setParam(param.id, $event)"
          />
        }
        @for (point of happening.path ?? []; track i; let i = $index) {
          @for (axis of axes(); track axis.id) {
            <yu-value-field
              [param]="pointParam(axis, i)"
              [value]="point[axis.id]"
              (changed)="setPoint(i, axis.id, $event)"
            />
          }
        }
        @if (kind()?.where === 'point') {
          <yu-optional-field
            [param]="height"
            [value]="happening.z"
            untold="as high as sensors"
            (changed)="put({ z: $event })"
          />
        }
      </div>
      @if (kind()?.where === 'path') {
        <div class="ways">
          <p-button
            label="Add point to the way"
            icon="pi pi-plus"
            size="small"
            severity="secondary"
            variant="text"
            (onClick)="addPoint()"
          />
          @if ((happening.path ?? []).length > 2) {
            <p-button
              label="Take its last point away"
              size="small"
              severity="secondary"
              variant="text"
              (onClick)="dropPoint()"
            />
          }
        </div>
      }
      @for (caution of kind()?.cautions ?? []; track caution) {
        <p class="caution">
          <i class="pi pi-exclamation-triangle" aria-hidden="true"></i> {{ caution }}
        </p>
      }
      <p-button
        class="more"
        label="Again, at four times by chance"
        icon="pi pi-clone"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="repeat()"
      />
      <p-button
        label="Remove happening"
        icon="pi pi-trash"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="remove()"
      />
    }
  `,
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HappeningPanel {
  private readonly site = inject(Site);
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly selection = inject(Selection);
  protected readonly intents = intents;
  protected readonly within: Param = {
    id: 'within',
    label: 'Within, 0: no limit',
    unit: 's',
    default: 0,
    min: 0,
    max: 1e7,
  };
  protected readonly happening = computed(() =>
    this.view.scene()?.happenings.find((h) => h.id === this.id()),
  );
  protected readonly kind = computed(() => findHappeningKind(this.happening()?.kind ?? ''));
  protected readonly params = computed(() => {
    const happening = this.happening();
    return happening ? happeningParams(happening) : {};
  });
  /** What it can be aimed at, and what it is. */
  private readonly all = computed((): Aim[] => {
    const [design, kind] = [this.session.design(), this.kind()];
    return design && kind ? aimsOf(design, kind) : [];
  });
  protected readonly aims = computed((): Choice[] => {
    const all = this.all().map(({ label }, i) => ({ value: String(i), label }));
    return all.length > 0 && this.aim() === '' ? [{ value: '', label: 'choose' }, ...all] : all;
  });
  protected readonly aim = computed((): string => {
    const target = JSON.stringify(this.happening()?.target);
    const place = this.all().findIndex((a) => JSON.stringify(a.target) === target);
    return place < 0 ? '' : String(place);
  });
  protected readonly aimLabel = computed(
    () =>
      ({ value: 'Which value', part: 'Which part', wire: 'Which wire' })[
        this.kind()?.aims ?? 'part'
      ],
  );
  /** What the value it is aimed at can be, in place of any number. */
  protected readonly aimedParams = computed((): readonly Param[] => {
    const { target } = this.happening() ?? {};
    const params = this.kind()?.params ?? [];
    const part = this.session.design()?.parts.find((p) => p.id === target?.part);
    const aimed = part && kindOf(part).params.find((p) => p.id === target?.param);
    if (!aimed) return params;
    return params.map((param) =>
      param.id === 'to' ? { ...aimed, id: 'to', label: param.label } : param,
    );
  });
  /** Where a point can be: on the plan. */
  protected readonly axes = computed((): Axis[] => [
    { ...this.site.right(), id: 'x', label: this.site.sides().right },
    { ...this.site.up(), id: 'y', label: this.site.sides().up },
  ]);
  protected readonly height = height;
  protected readonly start = computed((): Param => {
    const max = this.view.scene()?.duration ?? 0;
    return { id: 'start', label: 'Starts at', unit: 's', default: 0, min: 0, max };
  });

  /** What it can be noticed by: what is usual in the design, a part, a count, a mode, a notice. */
  protected readonly signChoices = computed((): Choice[] => {
    const design = this.session.design();
    if (!design) return [];
    return [
      { value: '', label: `the usual: ${this.usual()}` },
      ...design.parts
        .filter((p) => kindOf(p).acts)
        .map((p) => ({ value: `part ${p.id}`, label: `${p.name} acting` })),
      ...design.counters.flatMap((c) => [
        { value: `counter ${c.id} 1`, label: `${c.name} counting up` },
        { value: `counter ${c.id} -1`, label: `${c.name} counting down` },
      ]),
      ...design.machines.flatMap((m) =>
        m.modes.map((mode) => ({
          value: `mode ${m.id} ${mode.id}`,
          label: `${m.name}: ${mode.name}`,
        })),
      ),
      ...design.notices.map((n) => ({ value: `notice ${n.id}`, label: `${n.name} sent` })),
    ];
  });
  protected readonly furtherSigns = computed((): Choice[] => [
    { value: '', label: 'nothing else' },
    ...this.signChoices().slice(1),
  ]);
  /** Its signs, and room for one more. */
  protected readonly signs = computed(() => [...(this.happening()?.signs ?? []).map(choiceOf), '']);

  /** What of the brief it can try: what is to be dealt with as this is. */
  protected readonly needs = computed((): Choice[] => {
    const { intent } = this.happening() ?? {};
    const needs = this.session.design()?.brief.needs.filter((n) => n.intent === intent) ?? [];
    const choices = needs.map(({ id, name }) => ({ value: id, label: name }));
    return choices.length > 0 ? [{ value: '', label: 'tries nothing of it' }, ...choices] : [];
  });

  protected setNeed(need: string): void {
    const { need: _before, ...happening } = this.happening() ?? {};
    this.replace({ ...happening, ...(need === '' ? {} : { need }) } as Happening);
  }

  /** Names of what tells by default that something was noticed. */
  private usual(): string {
    const design = this.session.design();
    const signs = design ? usualSigns(design) : [];
    const names = signs.map((sign) =>
      sign.by === 'part' ? design?.parts.find((p) => p.id === sign.part)?.name : 'any notice',
    );
    return [...new Set(names)].join(', ') || 'nothing here tells';
  }

  protected setSign(place: number, choice: string): void {
    const { signs: before = [], ...happening } = this.happening() ?? {};
    const sign = signOf(choice);
    const signs = [...before.slice(0, place), ...(sign ? [sign] : []), ...before.slice(place + 1)];
    this.replace({ ...happening, ...(signs.length > 0 ? { signs } : {}) } as Happening);
  }

  /** 0 is no limit. */
  protected setWithin(within: number): void {
    const { within: _before, ...happening } = this.happening() ?? {};
    this.replace({ ...happening, ...(within > 0 ? { within } : {}) } as Happening);
  }

  /** The same four times more, spread over the scene by its seed. */
  protected repeat(): void {
    const [happening, scene] = [this.happening(), this.view.scene()];
    if (!happening || !scene) return;
    const random = seededRandom(scene.seed + scene.happenings.length);
    const { start, end } = happeningSpan(happening);
    const room = Math.max(0, scene.duration - (end - start));
    const ids = scene.happenings.map((h) => h.id);
    const edits = Array.from({ length: 4 }, (): Edit => {
      const id = freshId('h', ids);
      ids.push(id);
      const at = Math.round(random.uniform() * room * 100) / 100;
      return { type: 'put-happening', scene: scene.id, happening: { ...happening, id, start: at } };
    });
    this.session.edit({ type: 'batch', label: `repeat ${happening.name}`, edits });
  }

  private replace(happening: Happening): void {
    const scene = this.view.scene();
    if (scene) this.session.edit({ type: 'put-happening', scene: scene.id, happening });
  }

  protected put(change: Partial<Happening>): void {
    const [happening, scene] = [this.happening(), this.view.scene()];
    if (!happening || !scene) return;
    this.session.edit({
      type: 'put-happening',
      scene: scene.id,
      happening: defined({ ...happening, ...change }),
    });
  }

  /** A value that it was to be set to means nothing for another one: that begins where it stands. */
  protected setAim(place: string): void {
    const { target } = this.all()[Number(place)] ?? {};
    const part = this.session.design()?.parts.find((p) => p.id === target?.part);
    if (!target) return;
    const to =
      target.param === undefined
        ? undefined
        : part && numbersOf(kindOf(part).params, part.params)[target.param];
    const params = { ...this.happening()?.params, ...(to === undefined ? {} : { to }) };
    this.put({ target, params });
  }

  protected setParam(param: string, value: number): void {
    this.put({ params: { ...this.happening()?.params, [param]: value } });
  }

  protected pointParam(axis: Axis, index: number): Param {
    const path = this.happening()?.path ?? [];
    const name =
      path.length === 1
        ? 'At'
        : index === 0
          ? 'From'
          : index === path.length - 1
            ? 'To'
            : `Point ${index + 1}`;
    return { ...axis, label: `${name}, ${axis.label}` };
  }

  protected setPoint(index: number, axis: 'x' | 'y', value: number): void {
    const path = this.happening()?.path ?? [];
    this.put({ path: path.map((p, i) => (i === index ? { ...p, [axis]: value } : p)) });
  }

  /** The way goes on from its last point as far again as its last stretch, as far as the plan reaches. */
  protected addPoint(): void {
    const path = this.happening()?.path ?? [];
    const plan = this.session.design()?.plan;
    const [before, last] = path.slice(-2);
    if (!before || !last || !plan) return;
    const on = (from: number, to: number, edge: number): number =>
      Math.min(edge, Math.max(0, 2 * to - from));
    const next = { x: on(before.x, last.x, plan.width), y: on(before.y, last.y, plan.depth) };
    this.put({ path: [...path, next] });
  }

  protected dropPoint(): void {
    this.put({ path: this.happening()?.path?.slice(0, -1) });
  }

  protected remove(): void {
    const scene = this.view.scene();
    if (scene) this.session.edit({ type: 'remove-happening', scene: scene.id, id: this.id() });
    this.selection.clear();
  }
}
