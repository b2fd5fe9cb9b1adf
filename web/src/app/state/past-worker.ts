import type { HttpInterceptorFn } from '@angular/common/http';

/**
 * What is written goes to the server itself, past the service worker: that would answer 504 where nobody answers, and tell
 * nothing of how much of a large file has been sent. What is read may go through it.
 */
export const writesPastWorker: HttpInterceptorFn = (request, next) =>
  next(request.method === 'GET' ? request : request.clone({ setHeaders: { 'ngsw-bypass': 'true' } }));
