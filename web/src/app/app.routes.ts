import type { Routes } from '@angular/router';

/** The places, one lazy part each. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  {
    path: 'today',
    title: 'page.shell.places.today',
    loadComponent: () => import('./places/today/today').then((m) => m.Today),
  },
  {
    path: 'plan',
    title: 'page.shell.places.plan',
    loadComponent: () => import('./places/plan/plan').then((m) => m.PlanPlace),
  },
  {
    path: 'methods',
    title: 'page.shell.places.methods',
    loadComponent: () => import('./places/methods/finder').then((m) => m.Finder),
  },
  {
    path: 'methods/:methodId',
    title: 'page.shell.places.methods',
    loadComponent: () => import('./places/methods/methods').then((m) => m.Methods),
  },
  {
    path: 'methods/:methodId/stages',
    title: 'page.shell.places.methods',
    loadComponent: () => import('./places/methods/stage-builder').then((m) => m.StageBuilder),
  },
  {
    path: 'cultures',
    title: 'page.shell.places.cultures',
    loadComponent: () => import('./places/cultures/cultures').then((m) => m.CulturesPlace),
  },
  {
    path: 'cultures/:id',
    title: 'page.shell.places.cultures',
    loadComponent: () => import('./places/cultures/cultures').then((m) => m.CulturesPlace),
  },
  {
    path: 'larder',
    title: 'page.shell.places.larder',
    loadComponent: () => import('./places/larder/larder').then((m) => m.LarderPlace),
  },
  {
    path: 'larder/:id',
    title: 'page.shell.places.larder',
    loadComponent: () => import('./places/larder/larder').then((m) => m.LarderPlace),
  },
  {
    path: 'ledger',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/ledger').then((m) => m.LedgerPlace),
  },
  {
    path: 'ledger/trace',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/trace-view').then((m) => m.TraceView),
  },
  {
    path: 'ledger/trace/:id',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/trace-view').then((m) => m.TraceView),
  },
  {
    path: 'ledger/deliveries',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/deliveries/deliveries').then((m) => m.Deliveries),
  },
  {
    path: 'ledger/labels/:id',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/labels/labels').then((m) => m.Labels),
  },
  {
    path: 'ledger/learned',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/learned').then((m) => m.LearnedPage),
  },
  {
    path: 'ledger/compare',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/compare/compare').then((m) => m.CompareMakes),
  },
  {
    path: 'ledger/archive',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/archive').then((m) => m.ArchiveView),
  },
  {
    path: 'ledger/trends',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/trends/trends').then((m) => m.TrendsView),
  },
  {
    path: 'ledger/trends/:methodId',
    title: 'page.shell.places.ledger',
    loadComponent: () => import('./places/ledger/trends/trends').then((m) => m.TrendsView),
  },
  {
    path: 'who-may',
    title: 'page.whoMay.title',
    loadComponent: () => import('./places/who-may/who-may').then((m) => m.WhoMay),
  },
  {
    path: 'instruments',
    title: 'page.instruments.title',
    loadComponent: () => import('./places/instruments/instruments').then((m) => m.InstrumentsPlace),
  },
  {
    path: 'alerts',
    title: 'page.alerts.title',
    loadComponent: () => import('./places/alerts/alerts').then((m) => m.AlertsPlace),
  },
  {
    path: 'make',
    title: 'page.shell.places.make',
    loadComponent: () => import('./places/make/make').then((m) => m.Make),
  },
  {
    path: 'make/:batchId',
    title: 'page.shell.places.make',
    loadComponent: () => import('./places/make/make').then((m) => m.Make),
  },
  { path: '**', redirectTo: 'today' },
];
