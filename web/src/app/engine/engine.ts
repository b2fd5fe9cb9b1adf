import { Injectable } from '@angular/core';
import type { Settings } from '@oat-crock/contract/wire';
import type { Batch, Choices, Followed, MakeSheet } from '@oat-crock/core';
import { wrap, type Remote } from 'comlink';
import type { Effort, EngineApi } from './engine-api';

/**
 * The engine in its workers: one follows live makes, one answers the make sheet, so that a touch on the sheet never
 * waits behind a forecast.
 */
@Injectable({ providedIn: 'root' })
export class Engine {
  private readonly following = startWorker();
  private sheets: Remote<EngineApi> | null = null;

  follow(batch: Batch, nowMs: number, effort: Effort, settings: Settings): Promise<Followed> {
    return this.following.follow(batch, nowMs, effort, settings);
  }

  sheet(methodId: string, choices: Choices, startMs: number, settings: Settings): Promise<MakeSheet> {
    this.sheets ??= startWorker();
    return this.sheets.sheet(methodId, choices, startMs, settings);
  }
}

function startWorker(): Remote<EngineApi> {
  return wrap<EngineApi>(new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' }));
}
