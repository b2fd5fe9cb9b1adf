import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { catchError, concatMap, EMPTY, type Observable, Subject } from 'rxjs';

/** The first page has so long for itself, ms; then one place after the other is fetched. */
const FIRST_PAGE_MS = 4000;

/** Fetches every place once the first page stands, one after the other: none is missing when the server is away later. */
@Injectable({ providedIn: 'root' })
export class PlacesWhenIdle implements PreloadingStrategy {
  private readonly wanted = new Subject<() => Observable<unknown>>();
  private readonly isBegun = new Promise((begun) => setTimeout(begun, FIRST_PAGE_MS));

  constructor() {
    // A place that could not be fetched now is fetched when somebody goes there.
    const fetched = (load: () => Observable<unknown>) => load().pipe(catchError(() => EMPTY));
    this.wanted.pipe(concatMap(fetched)).subscribe();
  }

  preload(_route: Route, load: () => Observable<unknown>): Observable<unknown> {
    void this.isBegun.then(() => this.wanted.next(load));
    return EMPTY;
  }
}
