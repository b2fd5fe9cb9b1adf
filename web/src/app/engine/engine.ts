import { Injectable } from '@angular/core';
import type { House } from '@oat-crock/calendar';
import type { Settings } from '@oat-crock/contract/api';
import type {
  Batch,
  ExplainedCause,
  FaultId,
  Followed,
  Found,
  Goal,
  MakeSheet,
  Method,
  Scaled,
  Wanted,
} from '@oat-crock/core';
import { wrap, type Remote } from 'comlink';
import type { Effort, EngineApi, MakeAsked } from './engine-api';

/**
 * The engine in its workers: one follows live makes, one answers the make sheet, so that a touch on the sheet never
 * waits behind a forecast.
 */
@Injectable({ providedIn: 'root' })
export class Engine {
  private readonly following = startWorker();
  private sheets: Remote<EngineApi> | null = null;

  follow(batch: Batch, nowMs: number, effort: Effort, house: House): Promise<Followed> {
    return this.following.follow(batch, nowMs, effort, house);
  }

  explain(batch: Batch, fault: FaultId, nowMs: number, house: House): Promise<readonly ExplainedCause[]> {
    return this.deciding().explain(batch, fault, nowMs, house);
  }

  sheet(asked: MakeAsked): Promise<MakeSheet> {
    return this.deciding().sheet(asked);
  }

  scale(asked: MakeAsked, goal: Goal): Promise<Scaled> {
    return this.deciding().scale(asked, goal);
  }

  find(methods: readonly Method[], wanted: Wanted, settings: Settings): Promise<readonly Found[]> {
    return this.deciding().find(methods, wanted, settings);
  }

  private deciding(): Remote<EngineApi> {
    this.sheets ??= startWorker();
    return this.sheets;
  }
}

function startWorker(): Remote<EngineApi> {
  return wrap<EngineApi>(new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' }));
}
