import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { kindOf, numbersOf, type Param } from '@yurei/core/catalog';
import {
  freshId,
  sceneStarts,
  type Happening,
  type Machine,
  type Part,
  type Scene,
} from '@yurei/core/design';
import { writeRehearsalCsv, writeVcd } from '@yurei/core/exchange';
import { formatQuantity } from '@yurei/core/quantity';
import {
  ambientParams,
  contributes,
  usualAim,
  worldParams,
  profiles,
  searchHappenings,
  type HappeningKind,
  usualPath,
} from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { Chart } from '../common/chart';
import { download } from '../common/download';
import type { Inks } from '../common/inks';
import { FindDialog, type Find } from '../common/find-dialog';
import { ChoiceField, type Choice } from '../common/choice-field';
import { ParamField } from '../common/param-field';
import { TextField } from '../common/text-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { tellTrouble, wentWrong } from '@yurei/core/rehearsal';
import { Picture } from '../picture/picture';
import { Player } from '../data/player';
import { EventList } from './event-list';
import { HappeningTimes } from './happening-times';
import { NightsDialog } from './nights/nights-dialog';
import { Plan } from './plan';
import { PlanFields } from './plan-fields';
import { ScoreCard } from './score-card';
import { VerdictChain } from './verdict-chain';
import { WhyCard } from './why-card';
import { timelineConfig } from './timeline';

const sceneParams: readonly Param[] = [
  { id: 'duration', label: 'Lasts', unit: 's', default: 30, min: 0.1, max: 1e5 },
  {
    id: 'seed',
    label: 'Seed of the noise',
    unit: '',
    default: 1,
    min: 0,
    max: 2147483647,
    whole: true,
  },
];

const starts: readonly Choice[] = [
  { value: 'settled', label: 'on for long' },
  { value: 'power-on', label: 'comes on now' },
];

/** Surroundings that are shown whatever the design feels. */
const always: ReadonlySet<string> = new Set([
  'daylight',
  'sky',
  'hour',
  'day',
  'latitude',
  'clouds',
  'passing',
  'temperature',
  'swing',
  'lamp',
  'ripple',
]);

/** The Rehearse step: a scene played against the circuit, with a verdict on everything in it. */
@Component({
  selector: 'yu-rehearse',
  imports: [
    Button,
    Chart,
    ChoiceField,
    EventList,
    FindDialog,
    HappeningTimes,
    NightsDialog,
    ParamField,
    Picture,
    Plan,
    PlanFields,
    ScoreCard,
    TextField,
    ValueField,
    VerdictChain,
    WhyCard,
  ],
  templateUrl: './rehearse.html',
  styleUrls: ['../common/step.css', './rehearse.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RehearseStep {
  protected readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  protected readonly player = inject(Player);
  protected readonly selection = inject(Selection);
  protected readonly sceneParams = sceneParams;
  protected readonly starts = starts;
  /** The ground on which everything stands and happens: never smaller than what is on it. */
  protected readonly planParams = computed((): (Param & { id: 'width' | 'depth' })[] => {
    const { parts = [], scenes = [] } = this.session.design() ?? {};
    const points = [
      ...parts.flatMap((p) => p.place ?? []),
      ...scenes.flatMap((s) => s.happenings.flatMap((h) => h.path ?? [])),
    ];
    const common = { unit: 'm', default: 10, max: 1e4 } as const;
    return [
      {
        ...common,
        id: 'width',
        label: 'Plan, west to east',
        min: Math.max(0.5, ...points.map((p) => p.x)),
      },
      {
        ...common,
        id: 'depth',
        label: 'Plan, south to north',
        min: Math.max(0.5, ...points.map((p) => p.y)),
      },
    ];
  });
  /** Gives what was rehearsed as a file. */
  protected export(kind: 'csv' | 'vcd'): void {
    const [design, rehearsal] = [this.session.design(), this.view.rehearsal()];
    if (!design || !rehearsal) return;
    const name = `${design.title.replace(/[^\w-]+/g, '-')}-${rehearsal.scene}.${kind}`;
    if (kind === 'csv') download(name, writeRehearsalCsv(rehearsal), 'text/csv');
    else download(name, writeVcd(design, rehearsal), 'text/plain');
  }

  protected readonly profiles = profiles;
  protected readonly shows = ['circuit', 'plan', 'times', 'events', 'score'] as const;
  protected readonly shown = signal<(typeof this.shows)[number]>('circuit');
  /** Of what it was asked why: a happening, or a moment at which something fired without any. */
  protected readonly asked = signal<string | number | undefined>(undefined);
  protected readonly adding = signal(false);
  protected readonly nightsOpen = signal(false);
  /** What some sensor of this design can feel comes first, with who feels it. */
  protected readonly search = (text: string): Find[] => {
    const parts = this.session.design()?.parts ?? [];
    return searchHappenings(text)
      .map((kind) => ({ kind, sensors: parts.filter((p) => canSense(p, kind)).map((p) => p.id) }))
      .sort((a, b) => Number(b.sensors.length > 0) - Number(a.sensors.length > 0))
      .map(({ kind, sensors }) => ({
        label: kind.label,
        hint: sensors.length > 0 ? `felt by ${sensors.join(', ')}` : '',
        summary: kind.summary,
        run: () => this.add(kind),
      }));
  };

  /** Weather and light, and what the parts of this design feel besides. */
  protected readonly surroundings = computed(() => {
    const [scene, design] = [this.view.scene(), this.session.design()];
    if (!scene || !design) return [];
    const matter = new Set<string>([
      ...design.parts.flatMap((p) => kindOf(p).senses?.quantities ?? []),
      ...worldParams(design, scene),
    ]);
    const values = numbersOf(ambientParams, scene.ambient);
    return ambientParams
      .filter((p) => always.has(p.id) || matter.has(p.id) || p.id in scene.ambient)
      .map((param) => ({ param, value: values[param.id] }));
  });

  protected readonly rows = computed(() =>
    (this.view.scene()?.happenings ?? []).map((happening) => {
      const verdict = this.view.rehearsal()?.verdicts.find((v) => v.happening === happening.id);
      const bad = wentWrong(verdict?.outcome);
      const delay =
        verdict?.delay === undefined ? '' : ` after ${formatQuantity(verdict.delay, 's')}`;
      return {
        happening,
        verdict,
        bad,
        outcome: verdict ? `${verdict.outcome}${delay}` : 'not rehearsed',
      };
    }),
  );

  /** What went wrong electrically. */
  protected readonly troubles = computed(() => {
    const [design, rehearsal] = [this.session.design(), this.view.rehearsal()];
    if (!design || !rehearsal) return [];
    return rehearsal.troubles.map((trouble) => ({
      ...trouble,
      text: tellTrouble(design, trouble),
    }));
  });

  /** The circuit at a moment, with a part of it picked. */
  protected goTo(t: number, part: string): void {
    this.view.moveTo(t);
    this.selection.pick('part', part);
  }

  /** How the circuit was taken. */
  protected readonly taken = computed(() => {
    const [rehearsal, halted] = [this.view.rehearsal(), this.view.halted()];
    if (this.view.rehearsing())
      return this.view.following() ? 'Following the circuit in time; until then as before…' : '';
    if (!rehearsal) return '';
    if (rehearsal.circuit === 'in time') return 'The circuit was followed in time.';
    const settled =
      this.view.scene()?.starts === 'power-on'
        ? 'The circuit is taken as settled, as if power had come on long ago'
        : 'The circuit is taken as settled at each moment';
    if (halted)
      return `${settled}: in time it was followed until ${formatQuantity(halted.t, 's')} only, as ${halted.because}. What takes time in it is not in these verdicts.`;
    return this.view.following() ? `${settled}; following it in time…` : `${settled}.`;
  });

  protected readonly timeline = computed(() => {
    const [rehearsal, scene] = [this.view.rehearsal(), this.view.played()];
    const channels = this.session.design()?.channels ?? [];
    return rehearsal && scene
      ? (inks: Inks) => timelineConfig(rehearsal, scene, channels, inks)
      : undefined;
  });

  protected sceneValue(scene: Scene, param: string): number {
    return param === 'seed' ? scene.seed : scene.duration;
  }

  protected setScene(scene: Scene, param: string, value: number): void {
    this.session.edit({ type: 'put-scene', scene: { ...scene, [param]: value } });
  }

  protected setStart(scene: Scene, value: string): void {
    const { starts: _, ...settled } = scene;
    const starts = sceneStarts.find((s) => s === value && s !== 'settled');
    this.session.edit({ type: 'put-scene', scene: starts ? { ...settled, starts } : settled });
  }

  protected modeChoices(machine: Machine): Choice[] {
    return machine.modes.map(({ id, name }) => ({ value: id, label: name }));
  }

  protected setMode(scene: Scene, machine: string, mode: string): void {
    const modes = { ...scene.modes, [machine]: mode };
    this.session.edit({ type: 'put-scene', scene: { ...scene, modes } });
  }

  protected setAmbient(scene: Scene, param: string, value: number): void {
    const ambient = { ...scene.ambient, [param]: value };
    this.session.edit({ type: 'put-scene', scene: { ...scene, ambient } });
  }

  protected setPlan(side: 'width' | 'depth', value: number): void {
    const plan = this.session.design()?.plan;
    if (plan) this.session.edit({ type: 'set-plan', plan: { ...plan, [side]: value } });
  }

  /** Surroundings of a kind of place and time, in place of those the scene has. */
  protected takeProfile(scene: Scene, event: Event): void {
    const select = event.target as HTMLSelectElement;
    const profile = profiles.find((p) => p.id === select.value);
    select.value = '';
    if (profile)
      this.session.edit({ type: 'put-scene', scene: { ...scene, ambient: profile.ambient } });
  }

  protected choose(event: Event): void {
    this.player.rest();
    this.view.chooseScene((event.target as HTMLSelectElement).value);
  }

  protected addScene(): void {
    const scenes = this.session.design()?.scenes ?? [];
    const id = freshId(
      'scene',
      scenes.map((s) => s.id),
    );
    const scene: Scene = {
      id,
      name: `Scene ${scenes.length + 1}`,
      seed: 1,
      duration: 30,
      ambient: { daylight: 2 },
      happenings: [],
    };
    this.session.edit({ type: 'put-scene', scene });
    this.view.chooseScene(id);
  }

  /** A new happening begins a third into the scene, in front of the sensors. */
  protected add(kind: HappeningKind): void {
    const [design, scene] = [this.session.design(), this.view.scene()];
    if (!design || !scene) return;
    const [path, target] = [usualPath(design, kind), usualAim(design, kind)];
    const id = freshId(
      'h',
      scene.happenings.map((h) => h.id),
    );
    const happening: Happening = {
      id,
      kind: kind.kind,
      name: kind.label,
      intent: 'nuisance',
      start: Math.round(scene.duration / 3),
      params: {},
      ...(target ? { target } : {}),
      ...(path ? { path } : {}),
    };
    if (this.session.edit({ type: 'put-happening', scene: scene.id, happening })) {
      this.selection.pick('happening', id);
    }
  }
}

/** Whether a part has a sense for what a kind of happening gives. */
const canSense = (part: Part, kind: HappeningKind): boolean =>
  (kindOf(part).senses?.quantities ?? []).some((quantity) => contributes(kind, quantity));
