import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  FAMILY_PATHS,
  type Family,
  type FieldProblem,
  type Kept,
  type Problem,
  type Settings,
  type VersionedSettings,
} from '@oat-crock/contract/api';
import { firstValueFrom, map, type Observable } from 'rxjs';
import { say } from '@oat-crock/core';
import { householdRecord, type RecordFamily, type RecordItem } from './record-writing';

const API = '/api/v1';
/** Answers of HTTP after which the same request may succeed later: 429, and 500 and above. */
const TOO_MANY = 429;
const SERVER_FAILS = 500;

/** What became of an edit; _unreachable_ may succeed later as it is. */
export type Saved =
  | { readonly kind: 'saved'; readonly kept: Kept<RecordItem> }
  | { readonly kind: 'refused'; readonly errors: readonly FieldProblem[] }
  | { readonly kind: 'unreachable'; readonly errors: readonly FieldProblem[] }
  | { readonly kind: 'conflicted'; readonly theirs: Kept<RecordItem> };

const NOT_TAKEN: readonly FieldProblem[] = [
  {
    field: '',
    message: say('page.state.recordsClient.serverDidNotTake'),
    remedy: say('page.state.recordsClient.whatYouWroteKept'),
  },
];
const AWAY: readonly FieldProblem[] = [
  {
    field: '',
    message: say('page.state.recordsClient.serverCannotReached'),
    remedy: say('page.state.recordsClient.whatYouWroteKept2'),
  },
];

/** Records on the server. */
@Injectable({ providedIn: 'root' })
export class RecordsClient {
  private readonly http = inject(HttpClient);

  /** Writes a record over a version; 0 where it is new. */
  save(family: RecordFamily, item: RecordItem, overVersion: number): Promise<Saved> {
    if (family === 'settings') return this.saveSettings(item as Partial<RecordItem> & Settings, overVersion);
    const headers = overVersion === 0 ? { 'if-none-match': '*' } : ifMatch(overVersion);
    return outcome(this.http.put<Kept<RecordItem>>(pathOf(family, item.id), item, { headers }), asIs);
  }

  remove(family: RecordFamily, id: string, overVersion: number): Promise<Saved> {
    if (family === 'settings') throw new RangeError('A household cannot be taken away.');
    return outcome(this.http.delete<Kept<RecordItem>>(pathOf(family, id), { headers: ifMatch(overVersion) }), asIs);
  }

  /** The household is the one record of its kind: it has no id on the server, and its settings are answered bare. */
  private saveSettings(household: Settings & { id?: string }, overVersion: number): Promise<Saved> {
    const settings = Object.fromEntries(Object.entries(household).filter(([key]) => key !== 'id'));
    const written = this.http
      .put<Settings>(`${API}/${HOUSEHOLD_PATH}`, settings, { headers: ifMatch(overVersion) })
      .pipe(map((saved) => householdRecord({ version: overVersion + 1, settings: saved })));
    return outcome(written, (current) => householdRecord(current as VersionedSettings));
  }
}

const HOUSEHOLD_PATH = 'settings';
const pathOf = (family: Family, id: string) => `${API}/${FAMILY_PATHS[family]}/${id}`;
const ifMatch = (version: number) => ({ 'if-match': `"${version}"` });
const asIs = (current: unknown) => current as Kept<RecordItem>;

/** @param asKept how what stands on the server comes with a conflict */
async function outcome(
  answer: Observable<Kept<RecordItem>>,
  asKept: (current: unknown) => Kept<RecordItem>,
): Promise<Saved> {
  try {
    return { kind: 'saved', kept: await firstValueFrom(answer) };
  } catch (error) {
    const problem = error instanceof HttpErrorResponse ? (error.error as Problem | null) : null;
    const status = error instanceof HttpErrorResponse ? error.status : 0;
    if (status === 412 && problem?.current) return { kind: 'conflicted', theirs: asKept(problem.current) };
    const later = status === 0 || status === TOO_MANY || status >= SERVER_FAILS;
    const errors = problem?.errors?.length ? problem.errors : later ? AWAY : NOT_TAKEN;
    return { kind: later ? 'unreachable' : 'refused', errors };
  }
}
