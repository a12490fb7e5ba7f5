import type { Routes } from '@angular/router';
import { Comparing } from '../bench/comparing';
import { ComparingInWorkers } from '../bench/comparing-in-workers';
import { TrialsInWorkers } from '../bench/trials-in-workers';
import { TrialsRunner } from '../bench/trials-runner';
import { Proving } from '../code/proving';
import { ProvingInWorker } from '../code/proving-in-worker';
import { Workbench } from './workbench';

/** The work on one design: its steps, and what the shelf need not load, as it brings the catalogue along. */
export const workbenchRoutes: Routes = [
  {
    path: '',
    component: Workbench,
    providers: [
      { provide: TrialsRunner, useClass: TrialsInWorkers },
      { provide: Comparing, useClass: ComparingInWorkers },
      { provide: Proving, useClass: ProvingInWorker },
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
      { path: 'code', loadComponent: () => import('../code/code').then((m) => m.CodeStep) },
      { path: 'log', loadComponent: () => import('../log/log').then((m) => m.LogStep) },
      { path: '', pathMatch: 'full', redirectTo: 'wire' },
      { path: '**', redirectTo: 'wire' },
    ],
  },
];
