/** What stands in an archive's README: enough to read it with nothing but a text editor. */
export const README = `# An Oat Crock archive

Everything one dairy has written down, in open forms. Nothing of Oat Crock is needed to read it: unpack it with whatever unpacks ZIP.

- manifest.json: what this is, its form, when and in which time zone it was written, and how many lines each table has.
- records/*.jsonl: the tables, as JSON Lines: UTF-8, one JSON value a line, a line feed after each.
  - log: every line of every make's log, in the order in which they came. \`batchId\` names the make, \`atMs\` is when it happened,
    \`source\` is "hand" or an instrument's id, \`body\` says what happened. Lines are never changed: a line of type "correction"
    names the one it \`replaces\`, with what is right instead, or with null where it is taken back.
  - lots, gear, methods, orders, planned-makes, supplies: records that are changed, each with its version; \`goneMs\` is when it was taken away.
  - instruments, room (what loggers read of the room), photos, settings.
- csv/*.csv: makes, movements and readings once more, as tables for a spreadsheet (RFC 4180, UTF-8, moments as ISO 8601 in UTC).
- photos/: the pictures, by the id that a line of the log names.
- paper/*.pdf: where they were asked for, the record of each make and a label of what came of it, by its lot, as they print.
- schemas/*.schema.json: a JSON Schema of one line of each table.
- checksums.json: SHA-256 of each file above but the papers. It is the last file before them: where it is missing, the archive was cut off.

Moments are milliseconds since 1970-01-01T00:00:00Z. Masses are grams, temperatures degrees Celsius, times minutes unless a name
says otherwise. Ids are ULIDs: they sort in the order in which they were made.
`;
