import type { Routes } from '@angular/router';

/** The shelf, and one lazy route for each step of the work on a design. */
export const routes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Yurei',
    loadComponent: () => import('./shelf/shelf').then((m) => m.Shelf),
  },
  {
    path: 'design/:id',
    loadComponent: () => import('./shell/workbench').then((m) => m.Workbench),
    children: [
      { path: 'wire', loadComponent: () => import('./wire/wire').then((m) => m.WireStep) },
      { path: 'set', loadComponent: () => import('./set/set').then((m) => m.SetStep) },
      { path: 'act', loadComponent: () => import('./act/act').then((m) => m.ActStep) },
      {
        path: 'rehearse',
        loadComponent: () => import('./rehearse/rehearse').then((m) => m.RehearseStep),
      },
      { path: '', pathMatch: 'full', redirectTo: 'wire' },
      { path: '**', redirectTo: 'wire' },
    ],
  },
  {
    path: 'parts',
    title: 'Parts · Yurei',
    loadComponent: () => import('./parts/parts').then((m) => m.Parts),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'phototransistor' },
      { path: ':kind', loadComponent: () => import('./parts/part-page').then((m) => m.PartPage) },
    ],
  },
  { path: '**', redirectTo: '' },
];
