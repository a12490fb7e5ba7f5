import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { planProblems } from '@yurei/core/scene';
import { Message } from 'primeng/message';
import { SelectButton } from 'primeng/selectbutton';
import { HelpHint } from '../common/help-hint';
import { GroundFields } from './ground-fields';
import { RoomFields } from './room-fields';
import { Site } from './site';
import { SpotFields } from './spot-fields';
import { TreeFields } from './tree-fields';
import { TroubleFields } from './trouble-fields';
import { WallFields } from './wall-fields';
import { WayInFields } from './way-in-fields';

/** Everything that is drawn of the place, kind by kind, in words and numbers. */
@Component({
  selector: 'yu-site-fields',
  imports: [
    FormsModule,
    GroundFields,
    HelpHint,
    Message,
    RoomFields,
    SelectButton,
    SpotFields,
    TreeFields,
    TroubleFields,
    WallFields,
    WayInFields,
  ],
  template: `
    @for (problem of problems(); track $index) {
      <p-message severity="error" size="small"
        >{{ problem.name }}: {{ problem.reason }}. {{ problem.cure }}</p-message
      >
    }
    <p-selectbutton
      aria-label="What of the place"
      size="small"
      optionLabel="label"
      optionValue="id"
      [options]="kinds"
      [allowEmpty]="false"
      [ngModel]="shown()"
      (ngModelChange)="shown.set($event)"
    />
    <yu-help on="site" />
    @switch (shown()) {
      @case ('ground') {
        <yu-ground-fields />
      }
      @case ('room') {
        <yu-room-fields />
      }
      @case ('wall') {
        <yu-wall-fields />
      }
      @case ('tree') {
        <yu-tree-fields />
      }
      @case ('trouble') {
        <yu-trouble-fields />
      }
      @case ('way in') {
        <yu-way-in-fields />
      }
      @case ('spot') {
        <yu-spot-fields />
      }
    }
  `,
  styles: `
    p-selectbutton {
      --p-togglebutton-content-sm-padding: 3px 6px;
      display: flex;
      flex-wrap: wrap;
      margin: 0 6px 6px 0;
      white-space: nowrap;
    }
    p-message {
      display: block;
      margin-bottom: 6px;
    }
    @media print {
      p-selectbutton {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SiteFields {
  /** What is shown before anything is picked. */
  readonly first = input('ground');
  protected readonly site = inject(Site);
  /** What is picked on the plan is shown among its like. */
  protected readonly shown = linkedSignal<string, string>({
    source: this.site.picked,
    computation: (picked, before) => picked.split(' ')[0] || (before?.value ?? this.first()),
  });
  protected readonly kinds = [
    { id: 'ground', label: 'Ground' },
    { id: 'room', label: 'Rooms' },
    { id: 'wall', label: 'Walls' },
    { id: 'tree', label: 'Trees' },
    { id: 'way in', label: 'Ways in' },
    { id: 'trouble', label: 'Trouble' },
    { id: 'spot', label: 'Spots' },
  ];
  protected readonly problems = computed(() => {
    const plan = this.site.plan();
    return plan ? planProblems(plan) : [];
  });
}
