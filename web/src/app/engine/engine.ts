import { inject, Injectable } from '@angular/core';
import type { House } from '@oat-crock/calendar';
import type { Settings } from '@oat-crock/contract/api';
import type {
  Batch,
  Comparison,
  ExplainedCause,
  FaultId,
  Followed,
  Found,
  Goal,
  MakeSheet,
  Method,
  Quieter,
  Scaled,
  TrendMake,
  Trends,
  Wanted,
} from '@oat-crock/core';
import type { Effort, EngineApi, MakeAsked } from './engine-api';
import { Workers, type Started } from './workers';

/**
 * The engine in its workers: one follows live makes, one answers the make sheet, so that a touch on the sheet never
 * waits behind a forecast.
 */
@Injectable({ providedIn: 'root' })
export class Engine {
  private readonly workers = inject(Workers);
  private readonly following = this.start();
  private sheets: Started<EngineApi> | null = null;

  follow(batch: Batch, nowMs: number, effort: Effort, house: House): Promise<Followed> {
    return this.following.ask((api) => api.follow(batch, nowMs, effort, house));
  }

  explain(batch: Batch, fault: FaultId, nowMs: number, house: House): Promise<readonly ExplainedCause[]> {
    return this.deciding().ask((api) => api.explain(batch, fault, nowMs, house));
  }

  sheet(asked: MakeAsked): Promise<MakeSheet> {
    return this.deciding().ask((api) => api.sheet(asked));
  }

  scale(asked: MakeAsked, goal: Goal): Promise<Scaled> {
    return this.deciding().ask<Scaled>((api) => api.scale(asked, goal));
  }

  quieter(asked: MakeAsked): Promise<Quieter> {
    return this.deciding().ask((api) => api.quieter(asked));
  }

  compare(makes: Parameters<EngineApi['compare']>[0], nowMs: number): Promise<Comparison> {
    return this.deciding().ask((api) => api.compare(makes, nowMs));
  }

  trends(makes: readonly TrendMake[]): Promise<Trends> {
    return this.deciding().ask((api) => api.trends(makes));
  }

  find(methods: readonly Method[], wanted: Wanted, settings: Settings): Promise<readonly Found[]> {
    return this.deciding().ask((api) => api.find(methods, wanted, settings));
  }

  private deciding(): Started<EngineApi> {
    this.sheets ??= this.start();
    return this.sheets;
  }

  private start(): Started<EngineApi> {
    return this.workers.start(() => new Worker(new URL('./engine.worker', import.meta.url), { type: 'module' }));
  }
}
