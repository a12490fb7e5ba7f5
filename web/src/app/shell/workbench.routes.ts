import type { Routes } from '@angular/router';
import { Comparing } from '../bench/comparing';
import { ComparingInWorkers } from '../bench/comparing-in-workers';
import { TrialsInWorkers } from '../bench/trials-in-workers';
import { TrialsRunner } from '../bench/trials-runner';
import { Workbench } from './workbench';

/** The work on one design: its steps, and what the shelf need not load, as it brings the catalogue along. */
export const workbenchRoutes: Routes = [
  {
    path: '',
    component: Workbench,
    providers: [
      { provide: TrialsRunner, useClass: TrialsInWorkers },
      { provide: Comparing, useClass: ComparingInWorkers },
    ],
    children: [
      { path: 'plan', loadComponent: () => import('../plan/plan').then((m) => m.PlanStep) },
      { path: 'wire', loadComponent: () => import('../wire/wire').then((m) => m.WireStep) },
      { path: 'set', loadComponent: () => import('../set/set').then((m) => m.SetStep) },
      { path: 'act', loadComponent: () => import('../act/act').then((m) => m.ActStep) },
      {
        path: 'rehearse',
        loadComponent: () => import('../rehearse/rehearse').then((m) => m.RehearseStep),
      },
      { path: '', pathMatch: 'full', redirectTo: 'wire' },
      { path: '**', redirectTo: 'wire' },
    ],
  },
];
