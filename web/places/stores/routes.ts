import type { Routes } from '@angular/router';
import { Stores } from './stores';

/** The desks of the stores, within their place. */
export const ROUTES: Routes = [
  {
    path: '',
    component: Stores,
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'shelves' },
      { path: 'shelves', loadComponent: () => import('./shelves/shelves').then(({ Shelves }) => Shelves) },
      {
        path: 'reserved',
        loadComponent: () => import('./reserved/reserved-desk').then(({ ReservedDesk }) => ReservedDesk),
      },
      { path: 'hire', loadComponent: () => import('./hire/hire-desk').then(({ HireDesk }) => HireDesk) },
      {
        path: 'orders',
        loadComponent: () => import('./orders/order-desk').then(({ OrderDesk }) => OrderDesk),
      },
      {
        path: 'counting',
        loadComponent: () => import('./counting/count-desk').then(({ CountDesk }) => CountDesk),
      },
      {
        path: 'keeping',
        loadComponent: () => import('./keeping/keeping-desk').then(({ KeepingDesk }) => KeepingDesk),
      },
    ],
  },
];
