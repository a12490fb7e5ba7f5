import type { Routes } from '@angular/router';
import { NightsInWorkers } from '../bench/nights-in-workers';
import { NightsRunner } from '../bench/nights-runner';
import { Workbench } from './workbench';

/** The work on one design: its steps, and what the shelf need not load, as it brings the catalogue along. */
export const workbenchRoutes: Routes = [
  {
    path: '',
    component: Workbench,
    providers: [{ provide: NightsRunner, useClass: NightsInWorkers }],
    children: [
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
