import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './app/app.config';
import { App } from './app/app';
import { useKeptManner } from './app/settings/number-manner';

useKeptManner();
bootstrapApplication(App, appConfig).catch((error: unknown) => {
  document.body.textContent = `Yurei could not start: ${String(error)}`;
});
