import { getTestBed } from '@angular/core/testing';
import { BrowserTestingModule, platformBrowserTesting } from '@angular/platform-browser/testing';
import { provideZonelessChangeDetection, NgModule } from '@angular/core';

/** Specs run without zones, as the application does. */
@NgModule({ providers: [provideZonelessChangeDetection()] })
class Zoneless {}

getTestBed().initTestEnvironment([BrowserTestingModule, Zoneless], platformBrowserTesting(), {
  errorOnUnknownElements: true,
  errorOnUnknownProperties: true,
});
