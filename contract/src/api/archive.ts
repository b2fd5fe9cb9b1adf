/** What reading an archive in comes to, table by table. */
export interface ArchiveReport {
  readonly form: number;
  /** When it was written, by the clock of the kitchen that wrote it, ms. */
  readonly writtenMs: number;
  readonly tables: readonly {
    readonly table: string;
    /** Lines that are not here yet, those that are here as they are, and those of which another stands here. */
    readonly new: number;
    readonly known: number;
    readonly other: number;
  }[];
}
