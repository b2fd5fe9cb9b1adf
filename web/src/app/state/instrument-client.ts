import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Instrument, InstrumentMade, InstrumentReading, LoggerTaken } from '@oat-crock/contract/api';
import type { InstrumentCheck, SimulatedKind } from '@oat-crock/core';
import { firstValueFrom as once } from 'rxjs';

const API = '/api/v1/instruments';

/** Instruments of one's own, on the server; how they are is told to every page as it changes. */
@Injectable({ providedIn: 'root' })
export class InstrumentClient {
  private readonly http = inject(HttpClient);

  add(name: string, kind: SimulatedKind): Promise<InstrumentMade> {
    return once(this.http.post<InstrumentMade>(API, { name, kind }));
  }

  change(id: string, change: Pick<Instrument, 'name' | 'isPaused'>): Promise<Instrument> {
    return once(this.http.put<Instrument>(`${API}/${id}`, change));
  }

  place(id: string, batchId: string | null): Promise<Instrument> {
    return once(this.http.put<Instrument>(`${API}/${id}/placement`, { batchId }));
  }

  renewToken(id: string): Promise<InstrumentMade> {
    return once(this.http.post<InstrumentMade>(`${API}/${id}/token`, null));
  }

  remove(id: string): Promise<unknown> {
    return once(this.http.delete(`${API}/${id}`));
  }

  /** Readings out of a logger's file, as many as are sent at once. */
  log(id: string, batchId: string | null, readings: readonly InstrumentReading[]): Promise<LoggerTaken> {
    return once(this.http.post<LoggerTaken>(`${API}/${id}/log`, { batchId, readings }));
  }

  check(id: string, checked: InstrumentCheck): Promise<Instrument> {
    return once(this.http.post<Instrument>(`${API}/${id}/checks`, { checked }));
  }

  forgetCheck(id: string): Promise<Instrument> {
    return once(this.http.delete<Instrument>(`${API}/${id}/checks`));
  }
}
