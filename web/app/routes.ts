import { inject } from '@angular/core';
import { Router, type CanActivateFn, type Routes } from '@angular/router';
import { catchError, from, map } from 'rxjs';
import { Vault } from '../data/sealed/vault';
import { SessionService } from '../data/session-service';
import { ANEW } from './anew';

/**
 * Lets only a signed-in fitter in; everybody else signs in first and then lands where they wanted. Whoever
 * owes the house something goes there first. While the server does not answer, whoever has signed in here before may do so by
 * what this device knows of them; where nobody has, that is said.
 */
const signedIn: CanActivateFn = (_route, { url }) => {
  const router = inject(Router);
  const vault = inject(Vault);
  const before = (place: string) => router.createUrlTree([place], { queryParams: { to: url } });
  return inject(SessionService)
    .known()
    .pipe(
      map((fitter) => {
        if (fitter === null) return before('/sign-in');
        return fitter.owes.length === 0 || url.startsWith('/house/you') || router.parseUrl('/house/you');
      }),
      catchError(() =>
        from(vault.knowsSomebody().catch(() => false)).pipe(
          map((known) => before(known ? '/sign-in' : '/away')),
        ),
      ),
    );
};

/** The six places; everything else opens within them. */
export const ROUTES: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'bench' },
  {
    path: 'sign-in',
    title: 'Sign in · Neat Measure',
    loadComponent: () => import('../places/sign-in/sign-in').then(({ SignIn }) => SignIn),
  },
  {
    path: 'away',
    title: 'Not found · Neat Measure',
    loadComponent: () => import('../places/away/away').then(({ Away }) => Away),
  },
  {
    path: 'self',
    title: 'Your measurements · Neat Measure',
    loadComponent: () => import('../places/self/self-code').then(({ SelfCode }) => SelfCode),
  },
  {
    path: 'self/:token',
    title: 'Your measurements · Neat Measure',
    loadComponent: () => import('../places/self/self-sheet').then(({ SelfSheet }) => SelfSheet),
  },
  {
    path: '',
    canActivate: [signedIn],
    children: [
      {
        path: 'bench',
        title: 'Bench · Neat Measure',
        loadComponent: () =>
          import('../places/bench/opening/docket-desk').then(({ DocketDesk }) => DocketDesk),
      },
      {
        path: 'bench/tape',
        title: 'Practice tape · Neat Measure',
        loadComponent: () =>
          import('../places/bench/tape-simulator/tape-simulator').then(({ TapeSimulator }) => TapeSimulator),
      },
      {
        path: 'bench/protocols',
        title: 'Protocols · Neat Measure',
        loadComponent: () =>
          import('../places/bench/protocols/protocol-desk').then(({ ProtocolDesk }) => ProtocolDesk),
      },
      {
        // Where they were before: bookmarks lead on.
        path: 'bench/exceptions',
        redirectTo: 'roll/exceptions',
      },
      {
        path: 'bench/:docketId',
        title: 'Bench · Neat Measure',
        data: ANEW,
        loadComponent: () => import('../places/bench/bench').then(({ Bench }) => Bench),
      },
      {
        path: 'roll',
        title: 'Roll · Neat Measure',
        loadChildren: () => import('../places/roll/routes').then(({ ROUTES: roll }) => roll),
      },
      {
        path: 'charts',
        title: 'Charts · Neat Measure',
        canDeactivate: [(charts: { mayLeave(): boolean }) => charts.mayLeave()],
        loadComponent: () => import('../places/charts/charts').then(({ Charts }) => Charts),
      },
      {
        path: 'charts/kits',
        title: 'Kits · Neat Measure',
        loadComponent: () => import('../places/charts/kits/kit-desk').then(({ KitDesk }) => KitDesk),
      },
      {
        path: 'charts/coverage',
        title: 'Coverage · Neat Measure',
        loadComponent: () =>
          import('../places/charts/coverage/coverage-desk').then(({ CoverageDesk }) => CoverageDesk),
      },
      {
        path: 'stores',
        title: 'Stores · Neat Measure',
        loadChildren: () => import('../places/stores/routes').then(({ ROUTES: stores }) => stores),
      },
      {
        path: 'log',
        title: 'Log · Neat Measure',
        loadComponent: () => import('../places/log/log').then(({ Log }) => Log),
      },
      {
        path: 'log/house',
        title: 'Audit log · Neat Measure',
        loadComponent: () => import('../places/log/house-log').then(({ HouseLog }) => HouseLog),
      },
      {
        path: 'log/person/:wearerId',
        title: 'Record · Neat Measure',
        data: ANEW,
        loadComponent: () =>
          import('../places/log/record/person-record').then(({ PersonRecord }) => PersonRecord),
      },
      {
        path: 'log/:docketId',
        title: 'Log · Neat Measure',
        loadComponent: () => import('../places/log/log').then(({ Log }) => Log),
      },
      {
        path: 'house',
        title: 'House · Neat Measure',
        loadComponent: () => import('../places/house/house').then(({ House }) => House),
        children: [
          { path: '', pathMatch: 'full', redirectTo: 'you' },
          { path: 'you', loadComponent: () => import('../places/house/you').then(({ You }) => You) },
          {
            path: 'people',
            loadComponent: () => import('../places/house/people').then(({ People }) => People),
          },
          {
            path: 'sizing',
            loadComponent: () => import('../places/house/sizing').then(({ SizingDesk }) => SizingDesk),
          },
          {
            path: 'settings',
            loadComponent: () => import('../places/house/settings').then(({ SettingsDesk }) => SettingsDesk),
          },
          { path: 'late', loadComponent: () => import('../places/house/late').then(({ Late }) => Late) },
          {
            path: 'devices',
            loadComponent: () => import('../places/house/devices').then(({ Devices }) => Devices),
          },
          { path: 'tapes', loadComponent: () => import('../places/house/tapes').then(({ Tapes }) => Tapes) },
        ],
      },
    ],
  },
  { path: '**', redirectTo: 'bench' },
];
