import type { Routes } from '@angular/router';

/** The shelf, the work on a design, and the parts; each is loaded when it is first opened. */
export const routes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Yurei',
    loadComponent: () => import('./shelf/shelf').then((m) => m.Shelf),
  },
  {
    path: 'design/:id',
    loadChildren: () => import('./shell/workbench.routes').then((m) => m.workbenchRoutes),
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
