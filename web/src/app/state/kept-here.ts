/** What the browser kept under a key, record by record, those that are right; null where there is none or it cannot be read. */
export function keptHere<T>(key: string, isRight: (value: unknown) => value is T): Record<string, T> | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    if (typeof kept !== 'object' || kept === null) return null;
    return Object.fromEntries(Object.entries(kept).filter((pair): pair is [string, T] => isRight(pair[1])));
  } catch {
    return null;
  }
}

/** Keeps records in the browser. One that keeps nothing still lets them be written and sent. */
export function keepHere(key: string, records: Readonly<Record<string, unknown>>): void {
  try {
    localStorage.setItem(key, JSON.stringify(records));
  } catch {
    // Full, or forbidden: what is on the page stays on the page.
  }
}

/** For what is only remembered to have been. */
export const isTrue = (value: unknown): value is true => value === true;
