import type { Routes } from '@angular/router';

/** The places, one lazy part each. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  { path: 'today', title: 'Today, Oat Crock', loadComponent: () => import('./today/today').then((m) => m.Today) },
  { path: 'plan', title: 'Plan, Oat Crock', loadComponent: () => import('./plan/plan').then((m) => m.PlanPlace) },
  {
    path: 'methods',
    title: 'Methods, Oat Crock',
    loadComponent: () => import('./methods/finder').then((m) => m.Finder),
  },
  {
    path: 'methods/:methodId',
    title: 'Methods, Oat Crock',
    loadComponent: () => import('./methods/methods').then((m) => m.Methods),
  },
  {
    path: 'methods/:methodId/stages',
    title: 'Methods, Oat Crock',
    loadComponent: () => import('./methods/stage-builder').then((m) => m.StageBuilder),
  },
  {
    path: 'cultures',
    title: 'Cultures, Oat Crock',
    loadComponent: () => import('./cultures/cultures').then((m) => m.CulturesPlace),
  },
  {
    path: 'cultures/:id',
    title: 'Cultures, Oat Crock',
    loadComponent: () => import('./cultures/cultures').then((m) => m.CulturesPlace),
  },
  {
    path: 'larder',
    title: 'Larder, Oat Crock',
    loadComponent: () => import('./larder/larder').then((m) => m.LarderPlace),
  },
  {
    path: 'larder/:id',
    title: 'Larder, Oat Crock',
    loadComponent: () => import('./larder/larder').then((m) => m.LarderPlace),
  },
  { path: 'make', title: 'Make, Oat Crock', loadComponent: () => import('./make/make').then((m) => m.Make) },
  { path: 'make/:batchId', title: 'Make, Oat Crock', loadComponent: () => import('./make/make').then((m) => m.Make) },
  { path: '**', redirectTo: 'today' },
];
