import 'reflect-metadata';
import { getTestBed } from '@angular/core/testing';
import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

// Angular is kept from file to file: its tests begin anew all the same
getTestBed().resetTestEnvironment();
setupZonelessTestEnv();
beforeEach(() => void getTestBed().resetTestingModule());
afterEach(() => void getTestBed().resetTestingModule());

// jsdom asks no media queries: nothing matches, and nothing changes
Object.defineProperty(globalThis, 'matchMedia', {
  writable: true,
  value: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
});
Element.prototype.scrollIntoView ??= () => undefined;
