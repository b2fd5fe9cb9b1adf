import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';
import { speak, spokenHere } from './app/shared/ui/language';

speak(spokenHere())
  .then(() => bootstrapApplication(App, appConfig))
  .catch((error: unknown) => console.error(error));
