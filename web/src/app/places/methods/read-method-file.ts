import { type Text, methodFaults, type Method } from '@oat-crock/core';
import { textOf, tell } from '../../shared/ui/said';

/** A method out of a file, or what is wrong with the file, each in a sentence. */
export type ReadMethod =
  { readonly ok: true; readonly method: Method } | { readonly ok: false; readonly errors: readonly string[] };

const MOST_SAID = 4;

/** Reads an open method file, by its published schema and by a trial on the engine. */
export async function readMethodFile(text: string): Promise<ReadMethod> {
  const { check, InputRefused, methodFileSchema } = await import('@oat-crock/contract');
  try {
    const { method } = check(methodFileSchema, JSON.parse(text) as unknown);
    const faults = methodFaults(method);
    if (faults.length === 0) return { ok: true, method };
    return refused(faults);
  } catch (error) {
    if (error instanceof SyntaxError)
      return { ok: false, errors: [tell('page.methods.readMethodFile.notMethodFileNot')] };
    if (error instanceof InputRefused) return refused(error.errors);
    throw error;
  }
}

function refused(faults: readonly { field: string; message: Text; remedy: Text }[]): ReadMethod {
  const said = faults.slice(0, MOST_SAID).map((f) => `${f.field}: ${textOf(f.message)} ${textOf(f.remedy)}`);
  const more =
    faults.length > MOST_SAID
      ? [tell('page.methods.readMethodFile.andMore', { count: faults.length - MOST_SAID })]
      : [];
  return { ok: false, errors: [...said, ...more] };
}
