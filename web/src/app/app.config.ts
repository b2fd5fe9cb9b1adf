import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import { isDevMode, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, TitleStrategy, withComponentInputBinding, withPreloading } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { draftEffects } from './state/draft.effects';
import { followEffects } from './state/follow.effects';
import { accessEffects } from './state/access.effects';
import { accessFeature } from './state/access.feature';
import { backupsFeature } from './state/backups.feature';
import { apiEffects } from './state/api.effects';
import { clockFeature } from './state/clock.feature';
import { draftFeature } from './state/draft.feature';
import { followFeature } from './state/follow.feature';
import { householdEffects } from './state/household.effects';

import { instrumentsFeature } from './state/instruments.feature';
import { recordsEffects } from './state/records.effects';
import { recordsFeature } from './state/records.feature';
import { lastSeenEffects } from './state/last-seen.effects';
import { learnedFeature } from './state/learned.feature';
import { logFeature } from './state/log.feature';
import { oddFeature } from './state/odd.feature';
import { pageFeature } from './state/page.feature';
import { planEffects } from './state/plan.effects';
import { planFeature } from './state/plan.feature';
import { roomFeature } from './state/room.feature';
import { sendingEffects } from './state/sending.effects';
import { unreachedFeature } from './state/unreached.feature';
import { PlacesWhenIdle } from './places-when-idle';
import { writesPastWorker } from './state/past-worker';
import { PageTitle } from './shared/ui/page-title';
import { StonewarePreset } from './theme/preset';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding(), withPreloading(PlacesWhenIdle)),
    { provide: TitleStrategy, useClass: PageTitle },
    provideHttpClient(withFetch(), withInterceptors([writesPastWorker])),
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode(), registrationStrategy: 'registerWhenStable:15000' }),
    provideStore({
      [logFeature.name]: logFeature.reducer,
      [clockFeature.name]: clockFeature.reducer,
      [instrumentsFeature.name]: instrumentsFeature.reducer,
      [followFeature.name]: followFeature.reducer,
      [draftFeature.name]: draftFeature.reducer,
      [recordsFeature.name]: recordsFeature.reducer,
      [roomFeature.name]: roomFeature.reducer,
      [planFeature.name]: planFeature.reducer,
      [learnedFeature.name]: learnedFeature.reducer,
      [backupsFeature.name]: backupsFeature.reducer,
      [accessFeature.name]: accessFeature.reducer,
      [oddFeature.name]: oddFeature.reducer,
      [unreachedFeature.name]: unreachedFeature.reducer,
      [pageFeature.name]: pageFeature.reducer,
    }),
    provideEffects(
      apiEffects,
      sendingEffects,
      lastSeenEffects,
      accessEffects,
      householdEffects,
      followEffects,
      draftEffects,
      recordsEffects,
      planEffects,
    ),
    providePrimeNG({
      theme: {
        preset: StonewarePreset,
        options: {
          darkModeSelector: '[data-light="dawn"]',
          cssLayer: { name: 'primeng', order: 'reset, primeng, page' },
        },
      },
      ripple: false,
    }),
  ],
};
