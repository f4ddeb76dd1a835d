import 'reflect-metadata';
import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/shell/app';
import { appConfig } from './app/app.config';
import { installTrustedTypes } from './trusted-types';

installTrustedTypes();
bootstrapApplication(App, appConfig).catch((error: unknown) => console.error(error));
