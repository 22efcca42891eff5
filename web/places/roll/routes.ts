import type { Routes } from '@angular/router';
import { ANEW } from '../../app/anew';

/** Roll: its musters, the day of one, the page for a wall, and the exceptions of all. */
export const ROUTES: Routes = [
  {
    path: '',
    loadComponent: () => import('./list/muster-list').then(({ MusterList }) => MusterList),
  },
  {
    path: 'groups/:groupId/sizes',
    data: ANEW,
    loadComponent: () => import('./sizes/group-sizes-page').then(({ GroupSizesPage }) => GroupSizesPage),
  },
  {
    path: 'exceptions',
    title: 'Exceptions · Neat Measure',
    loadComponent: () => import('./exceptions/exception-list').then(({ ExceptionList }) => ExceptionList),
  },
  {
    path: ':musterId',
    data: ANEW,
    loadComponent: () => import('./day/muster-day').then(({ MusterDay }) => MusterDay),
  },
  {
    path: ':musterId/before',
    data: ANEW,
    loadComponent: () => import('./before/before-day').then(({ BeforeDay }) => BeforeDay),
  },
  {
    path: ':musterId/sizes',
    data: ANEW,
    loadComponent: () => import('./sizes/sizes-page').then(({ SizesPage }) => SizesPage),
  },
  {
    path: ':musterId/board',
    title: 'Board · Neat Measure',
    data: ANEW,
    loadComponent: () => import('./board/muster-board').then(({ MusterBoard }) => MusterBoard),
  },
];
