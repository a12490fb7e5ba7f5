import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import { provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { askingAgain, signingIn } from './data/sign-in';
import { BenchService } from './bench/bench';
import { BenchInWorkers } from './bench/bench-in-workers';
import { LogReading } from './set/log-reading';
import { LogReadingInWorker } from './set/log-reading-in-worker';
import { Answering, AnsweringInWorker } from './shelf/answer-unopened';
import { yureiPreset } from './theme/preset';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding()),
    provideHttpClient(withFetch(), withInterceptors([signingIn, askingAgain])),
    { provide: BenchService, useClass: BenchInWorkers },
    { provide: LogReading, useClass: LogReadingInWorker },
    { provide: Answering, useClass: AnsweringInWorker },
    providePrimeNG({
      theme: { preset: yureiPreset, options: { darkModeSelector: '[data-theme="night"]' } },
    }),
  ],
};
