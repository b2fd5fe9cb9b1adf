import Papa from 'papaparse';

/** The cells of a table in a file, whatever parts them: comma, semicolon or tab. */
export function cellsOf(bytes: ArrayBuffer): readonly (readonly string[])[] {
  return Papa.parse<string[]>(textIn(bytes), { skipEmptyLines: 'greedy' }).data;
}

/** Text as loggers write it: UTF-8, UTF-16 where it says so, else the old one byte a letter. */
function textIn(bytes: ArrayBuffer): string {
  const [first, second] = new Uint8Array(bytes);
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
