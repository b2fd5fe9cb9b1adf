import {
  HttpClient,
  HttpErrorResponse,
  HttpEventType,
  HttpHeaders,
  HttpParams,
  HttpRequest,
  type HttpResponse,
} from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type {
  ArchiveReport,
  BackupRun,
  ClockReading,
  Instrument,
  MakesAsked,
  MakesFound,
  MethodFigures,
  Problem,
  Safekeeping,
  Scorecard,
  ServerEvent,
  Settings,
  Snapshot,
  StoredEntry,
  Traces,
  VersionedSettings,
} from '@oat-crock/contract/api';
import type { Entry, InstrumentFault, MakeLine, RoomReading } from '@oat-crock/core';
import { firstValueFrom, lastValueFrom, Observable, tap } from 'rxjs';
import { deviceNowMs } from '../engine/device';
import type { WaitingPhoto } from './waiting';

const API = '/api/v1';
/** What is refused to be told is asked for again after so long, ms. */
const LISTEN_AGAIN_MS = 5000;

/** What became of entries that were sent. */
export type Sent =
  | { readonly kind: 'stored'; readonly entries: readonly StoredEntry[] }
  | { readonly kind: 'refused'; readonly problem: Problem }
  /** It could not be written just now; in the server's own words where it had any. */
  | { readonly kind: 'unreachable'; readonly why?: string };

/** Why something was not taken: it was refused for what it says, or could not be written just now. */
function notSent(error: unknown): Exclude<Sent, { kind: 'stored' }> {
  if (!(error instanceof HttpErrorResponse)) return { kind: 'unreachable' };
  const problem = error.error as Problem | null;
  if ([400, 403, 409, 413, 422].includes(error.status) && problem) return { kind: 'refused', problem: told(problem) };
  return { kind: 'unreachable', ...(problem?.detail && { why: problem.detail }) };
}

/** A refusal that names no field is one of the whole. */
function told(problem: Problem): Problem {
  if (problem.errors.length > 0) return problem;
  return { ...problem, errors: [{ field: '', message: `${problem.title}.`, remedy: problem.detail }] };
}

/** What became of settings that were sent: they are the server's now, or somebody else's are. */
export interface SettingsSaved {
  readonly kind: 'saved' | 'conflicted';
  readonly household: VersionedSettings;
}

/** The server's public interface, as the page uses it. */
@Injectable({ providedIn: 'root' })
export class ApiClient {
  private readonly http = inject(HttpClient);

  /** All there is to begin with; of the log, what comes after a place in its order. */
  snapshot(after: number): Promise<Snapshot> {
    return firstValueFrom(this.http.get<Snapshot>(`${API}/snapshot${after > 0 ? `?after=${after}` : ''}`));
  }

  async send(entries: readonly Entry[]): Promise<Sent> {
    const body = {
      entries: entries.map(({ id, batchId, atMs, source, body, by }) => ({ id, batchId, atMs, source, body, by })),
    };
    try {
      const answer = await firstValueFrom(this.http.post<{ entries: StoredEntry[] }>(`${API}/entries`, body));
      return { kind: 'stored', entries: answer.entries };
    } catch (error) {
      return notSent(error);
    }
  }

  /** The kitchen's clock, and how far this device's is ahead of the server's by the middle of the round trip, ms. */
  async compareClock(): Promise<{ readonly clock: ClockReading; readonly aheadMs: number }> {
    const sentMs = deviceNowMs();
    const clock = await firstValueFrom(this.http.get<ClockReading>(`${API}/clock`));
    return { clock, aheadMs: (sentMs + deviceNowMs()) / 2 - clock.realMs };
  }

  setRate(rate: number): Promise<ClockReading> {
    return firstValueFrom(this.http.put<ClockReading>(`${API}/clock`, { rate }));
  }

  place(id: string, batchId: string | null): Promise<Instrument> {
    return firstValueFrom(this.http.put<Instrument>(`${API}/instruments/${id}/placement`, { batchId }));
  }

  giveFault(id: string, fault: InstrumentFault | null): Promise<Instrument> {
    return firstValueFrom(this.http.put<Instrument>(`${API}/instruments/${id}/fault`, { fault }));
  }

  calibrate(id: string): Promise<Instrument> {
    return firstValueFrom(this.http.post<Instrument>(`${API}/instruments/${id}/calibration`, {}));
  }

  /** A batch's whole log, with one reading in a minute of each instrument. */
  async batch(batchId: string): Promise<readonly StoredEntry[]> {
    const found = await firstValueFrom(
      this.http.get<{ entries: StoredEntry[] }>(`${API}/batches/${batchId}?readings=minute`),
    );
    return found.entries;
  }

  /** Makes as lines of the ledger, a part of those that are asked for. */
  makes({ states, ...asked }: MakesAsked): Promise<MakesFound> {
    const given = Object.entries(asked).filter(([, value]) => value !== null && value !== '');
    const params = new HttpParams({ fromObject: { ...Object.fromEntries(given), states: states.join(',') } });
    return firstValueFrom(this.http.get<MakesFound>(`${API}/makes`, { params }));
  }

  /** What the makes of a method came to over time; of that with most makes where none is named. */
  figures(methodId: string): Promise<MethodFigures> {
    const params = methodId ? { methodId } : {};
    return firstValueFrom(this.http.get<MethodFigures>(`${API}/figures`, { params }));
  }

  /** The whole dairy as one archive. */
  archive(): Promise<Blob> {
    return firstValueFrom(this.http.get(`${API}/archive`, { responseType: 'blob' }));
  }

  /** How the data are kept safe. */
  backups(): Promise<Safekeeping> {
    return firstValueFrom(this.http.get<Safekeeping>(`${API}/backups`));
  }

  /** Has a backup made now. */
  backUp(): Promise<BackupRun> {
    return firstValueFrom(this.http.post<BackupRun>(`${API}/backups`, {}));
  }

  /** Sends an archive, to be read in or only tried; says how much of it has been sent, 0 to 1. */
  async sendArchive(file: File, dry: boolean, sent: (share: number) => void): Promise<ArchiveReport> {
    const request = new HttpRequest('POST', `${API}/archive?dry=${dry}`, file, {
      headers: new HttpHeaders({ 'content-type': 'application/zip' }),
      reportProgress: true,
    });
    const events = this.http.request<ArchiveReport>(request).pipe(
      tap((event) => {
        if (event.type === HttpEventType.UploadProgress) sent(event.loaded / (event.total ?? file.size));
      }),
    );
    const last = await lastValueFrom(events);
    return (last as HttpResponse<ArchiveReport>).body!;
  }

  /** How often the forecasts held. */
  scorecard(): Promise<Scorecard> {
    return firstValueFrom(this.http.get<Scorecard>(`${API}/scorecard`));
  }

  /** The makes that what was learned of an owner is from, the newest first. */
  lessonMakes(of: string): Promise<readonly MakeLine[]> {
    return firstValueFrom(this.http.get<readonly MakeLine[]>(`${API}/lessons/${encodeURIComponent(of)}`));
  }

  /** The makes that something is connected with, each with its log by hand. */
  traces(id: string): Promise<Traces> {
    return firstValueFrom(this.http.get<Traces>(`${API}/traces/${encodeURIComponent(id)}`));
  }

  /** What was read of the room from one moment to another. */
  async room(fromMs: number, untilMs: number): Promise<readonly RoomReading[]> {
    const found = await firstValueFrom(
      this.http.get<{ readings: RoomReading[] }>(`${API}/room?fromMs=${fromMs}&untilMs=${untilMs}`),
    );
    return found.readings;
  }

  /** Sends a picture of a batch. */
  async sendPhoto({ batchId, photoId, picture }: WaitingPhoto): Promise<Sent> {
    try {
      await firstValueFrom(this.http.put(`${API}/batches/${batchId}/photos/${photoId}`, picture));
      return { kind: 'stored', entries: [] };
    } catch (error) {
      return notSent(error);
    }
  }

  /** Writes the settings over a version; where another stands there, gives that. */
  async saveSettings(settings: Settings, overVersion: number): Promise<SettingsSaved> {
    try {
      const saved = await firstValueFrom(
        this.http.put<Settings>(`${API}/settings`, settings, { headers: { 'if-match': `"${overVersion}"` } }),
      );
      return { kind: 'saved', household: { version: overVersion + 1, settings: saved } };
    } catch (error) {
      const problem =
        error instanceof HttpErrorResponse && error.status === 412 ? (error.error as Problem | null) : null;
      if (problem?.current) return { kind: 'conflicted', household: problem.current as VersionedSettings };
      throw error;
    }
  }

  /** What the server tells as it happens; "open" and "lost" as the line comes and goes. */
  events(): Observable<ServerEvent | 'open' | 'lost'> {
    return new Observable((told) => {
      let source: EventSource;
      let again: ReturnType<typeof setTimeout> | undefined;
      const listen = () => {
        // A service worker would keep the line to itself.
        source = new EventSource(`${API}/events?ngsw-bypass`);
        source.onopen = () => told.next('open');
        source.onerror = () => {
          told.next('lost');
          // A browser tries again by itself where nobody answered, and never where it was refused.
          if (source.readyState === EventSource.CLOSED) again = setTimeout(listen, LISTEN_AGAIN_MS);
        };
        source.onmessage = (message: MessageEvent<string>) => told.next(JSON.parse(message.data) as ServerEvent);
      };
      listen();
      return () => {
        clearTimeout(again);
        source.close();
      };
    });
  }
}
