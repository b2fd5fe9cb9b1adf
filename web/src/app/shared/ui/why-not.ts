import { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@oat-crock/contract/api';
import { tell } from './said';

/** Why something was not done, in the server's own words where it had any. */
export function whyNot(error: unknown): string {
  const problem = error instanceof HttpErrorResponse ? (error.error as Problem | null) : null;
  const [first] = problem?.errors ?? [];
  if (first) return `${first.message} ${first.remedy}`;
  return problem?.title ? `${problem.title}. ${problem.detail}` : tell('page.enter.noAnswer');
}
