import { Injectable } from '@angular/core';
import { BaseRouteReuseStrategy, type ActivatedRouteSnapshot } from '@angular/router';

/** Of a route whose place is about somebody: for another docket or wearer it is made anew. */
export const ANEW = { anew: true } as const;

/**
 * A place that is about somebody begins empty for somebody else: what was typed, chosen, linked or signed for one wearer
 * and not kept yet would else stand there for the next.
 */
@Injectable()
export class AnewForEach extends BaseRouteReuseStrategy {
  override shouldReuseRoute(future: ActivatedRouteSnapshot, current: ActivatedRouteSnapshot): boolean {
    if (!super.shouldReuseRoute(future, current)) return false;
    if (future.data['anew'] !== ANEW.anew) return true;
    return Object.entries(future.params).every(([name, value]) => current.params[name] === value);
  }
}
