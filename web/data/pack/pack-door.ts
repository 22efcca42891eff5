import { inject, Injectable, Injector } from '@angular/core';
import type { PackService } from './pack-service';

/** The way to what this device took along: it is loaded once somebody has signed in, and not with the first page. */
@Injectable({ providedIn: 'root' })
export class PackDoor {
  private readonly injector = inject(Injector);
  private opening: Promise<PackService> | null = null;

  /** Resolves once it is known what is here, and what is here answers while the server is away. */
  open(): Promise<PackService> {
    this.opening ??= import('./pack-service').then(async (loaded) => {
      const service = this.injector.get(loaded.PackService);
      await service.known;
      return service;
    });
    return this.opening;
  }
}
