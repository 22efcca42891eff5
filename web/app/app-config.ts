import { provideHttpClient, withFetch } from '@angular/common/http';
import { isDevMode, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, RouteReuseStrategy, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { provideNzI18n } from 'ng-zorro-antd/i18n';
import { AnewForEach } from './anew';
import { LIBRARY_WORDS } from './library-words';
import { ROUTES } from './routes';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch()),
    provideRouter(ROUTES, withComponentInputBinding()),
    { provide: RouteReuseStrategy, useClass: AnewForEach },
    provideNzI18n(LIBRARY_WORDS),
    // Once the first page is at rest: it is no part of it.
    provideServiceWorker('ngsw-worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: 'registerWhenStable:30000',
    }),
  ],
};
