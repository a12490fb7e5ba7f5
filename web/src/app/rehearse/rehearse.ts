import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { kindOf } from '@yurei/core/catalog';
import { freshId, type Part } from '@yurei/core/design';
import { fileStem, writeRehearsalCsv, writeVcd } from '@yurei/core/exchange';
import {
  contributes,
  draftHappening,
  searchHappenings,
  type HappeningKind,
} from '@yurei/core/scene';
import type { MenuItem } from 'primeng/api';
import { Button } from 'primeng/button';
import { Menu } from 'primeng/menu';
import { SelectButton } from 'primeng/selectbutton';
import { download } from '../common/download';
import { FindDialog, type Find } from '../common/find-dialog';
import { Fold } from '../common/fold';
import { Hint } from '../common/hint';
import { InlineChoice } from '../common/inline-choice';
import { Press } from '../common/press';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Panes, type RehearseView } from '../data/panes';
import { Player } from '../data/player';
import { Selection } from '../data/selection';
import { Picture } from '../picture/picture';
import { EventList } from './event-list';
import { NightsDialog } from './nights/nights-dialog';
import { SitePlan } from '../site/site-plan';
import { SiteFields } from '../site/site-fields';
import { SceneFields } from './scene-fields';
import { SceneDialog } from './scene-dialog';
import { ScoreCard } from './score-card';
import { TimeAxis } from './time-axis';
import { VerdictList } from './verdict-list';

/** The Rehearse step: a scene played against the circuit, with a verdict on everything in it. */
@Component({
  selector: 'yu-rehearse',
  imports: [
    Button,
    EventList,
    FindDialog,
    Fold,
    FormsModule,
    Hint,
    InlineChoice,
    Menu,
    NightsDialog,
    Picture,
    SitePlan,
    SiteFields,
    Press,
    SceneDialog,
    SceneFields,
    ScoreCard,
    SelectButton,
    TimeAxis,
    VerdictList,
  ],
  templateUrl: './rehearse.html',
  styleUrls: ['../common/step.css', './rehearse.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RehearseStep {
  protected readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  protected readonly player = inject(Player);
  private readonly selection = inject(Selection);
  protected readonly shows: { id: RehearseView; label: string }[] = [
    { id: 'time', label: 'Time' },
    { id: 'circuit', label: 'Circuit' },
    { id: 'plan', label: 'Plan' },
    { id: 'events', label: 'Events' },
    { id: 'score', label: 'Score' },
    { id: 'scene', label: 'Scene' },
  ];
  protected readonly shown = inject(Panes).rehearsal;
  protected readonly formats: MenuItem[] = [
    { label: 'Every reading as CSV', command: () => this.export('csv') },
    { label: 'Readings, volts and outputs as VCD', command: () => this.export('vcd') },
  ];
  protected readonly adding = signal(false);
  protected readonly nightsOpen = signal(false);
  protected readonly sceneOpen = signal(false);
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

  constructor() {
    const panes = inject(Panes);
    // The strip would draw the same lines once more.
    effect(() => panes.spare.set(this.shown() === 'time'));
    inject(DestroyRef).onDestroy(() => panes.spare.set(false));
  }

  /** Gives what was rehearsed as a file. */
  protected export(kind: 'csv' | 'vcd'): void {
    const [design, rehearsal] = [this.session.design(), this.view.rehearsal()];
    if (!design || !rehearsal) return;
    const name = `${fileStem(design.title)}-${rehearsal.scene}.${kind}`;
    if (kind === 'csv') download(name, writeRehearsalCsv(rehearsal), 'text/csv');
    else download(name, writeVcd(design, rehearsal), 'text/plain');
  }

  protected readonly scenes = computed(() =>
    (this.session.design()?.scenes ?? []).map(({ id, name }) => ({ value: id, label: name })),
  );

  protected choose(id: string): void {
    this.player.rest();
    this.view.chooseScene(id);
  }

  /** A new happening begins a third into the scene, in front of the sensors. */
  protected add(kind: HappeningKind): void {
    const [design, scene] = [this.session.design(), this.view.scene()];
    if (!design || !scene) return;
    const id = freshId(
      'h',
      scene.happenings.map((h) => h.id),
    );
    const happening = draftHappening(design, kind, {
      id,
      intent: 'nuisance',
      start: Math.round(scene.duration / 3),
    });
    if (this.session.edit({ type: 'put-happening', scene: scene.id, happening })) {
      this.selection.pick('happening', id);
    }
  }
}

/** Whether a part has a sense for what a kind of happening gives. */
const canSense = (part: Part, kind: HappeningKind): boolean =>
  (kindOf(part).senses?.quantities ?? []).some((quantity) => contributes(kind, quantity));
