type Right<T> = (value: unknown) => value is T;

/** What the browser kept under a key, record by record, those that are right; null where there is none or it cannot be read. */
export function keptHere<T>(key: string, isRight: Right<T>): Record<string, T> | null {
  try {
    return keptIn(localStorage.getItem(key), isRight);
  } catch {
    return null;
  }
}

/** Records as they are kept, those that are right; null where there are none or they cannot be read. */
export function keptIn<T>(text: string | null, isRight: Right<T>): Record<string, T> | null {
  try {
    const kept: unknown = JSON.parse(text ?? 'null');
    if (typeof kept !== 'object' || kept === null) return null;
    return Object.fromEntries(Object.entries(kept).filter((pair): pair is [string, T] => isRight(pair[1])));
  } catch {
    return null;
  }
}

/** Keeps records in the browser, and says whether it could. One that keeps nothing still lets them be written and sent. */
export function keepHere(key: string, records: Readonly<Record<string, unknown>>): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(records));
    return true;
  } catch {
    // Full, or forbidden: what is on the page stays on the page.
    return false;
  }
}

/** For what is only remembered to have been. */
export const isTrue = (value: unknown): value is true => value === true;
