import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  FAMILY_PATHS,
  type Family,
  type FieldProblem,
  type Kept,
  type KeptItem,
  type Problem,
} from '@oat-crock/contract/api';
import { firstValueFrom, type Observable } from 'rxjs';
import { say } from '@oat-crock/core';

const API = '/api/v1';
/** Answers of HTTP after which the same request may succeed later: 429, and 500 and above. */
const TOO_MANY = 429;
const SERVER_FAILS = 500;

/** What became of an edit; _unreachable_ may succeed later as it is. */
export type Saved =
  | { readonly kind: 'saved'; readonly kept: Kept<KeptItem> }
  | { readonly kind: 'refused'; readonly errors: readonly FieldProblem[] }
  | { readonly kind: 'unreachable'; readonly errors: readonly FieldProblem[] }
  | { readonly kind: 'conflicted'; readonly theirs: Kept<KeptItem> };

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

/** Lots and gear on the server. */
@Injectable({ providedIn: 'root' })
export class RecordsClient {
  private readonly http = inject(HttpClient);

  /** Writes a record over a version; 0 where it is new. */
  save(family: Family, item: KeptItem, overVersion: number): Promise<Saved> {
    const headers = overVersion === 0 ? { 'if-none-match': '*' } : { 'if-match': `"${overVersion}"` };
    return outcome(this.http.put<Kept<KeptItem>>(`${API}/${FAMILY_PATHS[family]}/${item.id}`, item, { headers }));
  }

  remove(family: Family, id: string, overVersion: number): Promise<Saved> {
    const headers = { 'if-match': `"${overVersion}"` };
    return outcome(this.http.delete<Kept<KeptItem>>(`${API}/${FAMILY_PATHS[family]}/${id}`, { headers }));
  }
}

async function outcome(answer: Observable<Kept<KeptItem>>): Promise<Saved> {
  try {
    return { kind: 'saved', kept: await firstValueFrom(answer) };
  } catch (error) {
    const problem = error instanceof HttpErrorResponse ? (error.error as Problem | null) : null;
    const status = error instanceof HttpErrorResponse ? error.status : 0;
    if (status === 412 && problem?.current) return { kind: 'conflicted', theirs: problem.current as Kept<KeptItem> };
    const later = status === 0 || status === TOO_MANY || status >= SERVER_FAILS;
    const errors = problem?.errors?.length ? problem.errors : later ? AWAY : NOT_TAKEN;
    return { kind: later ? 'unreachable' : 'refused', errors };
  }
}
