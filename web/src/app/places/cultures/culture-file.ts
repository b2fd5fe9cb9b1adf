import type { CultureLot } from '@oat-crock/core';
import { tell } from '../../shared/ui/said';
import { problemWords } from '../../shared/ui/words';

/** Cultures out of a file, or what is wrong with it in a sentence. */
export type ReadCultures =
  { readonly ok: true; readonly cultures: readonly CultureLot[] } | { readonly ok: false; readonly wrong: string };

/** Reads an open file of cultures by its published schema. */
export async function readCulturesFile(text: string): Promise<ReadCultures> {
  const { check, culturesFileSchema, InputRefused } = await import('@oat-crock/contract');
  try {
    return { ok: true, cultures: check(culturesFileSchema, JSON.parse(text) as unknown).cultures };
  } catch (error) {
    if (error instanceof SyntaxError) return { ok: false, wrong: tell('page.cultures.cultureFile.noFileCulturesNot') };
    if (!(error instanceof InputRefused)) throw error;
    const [first] = error.errors;
    return { ok: false, wrong: `${first!.field}: ${problemWords(first!)}` };
  }
}
