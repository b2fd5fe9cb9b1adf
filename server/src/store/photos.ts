import type { Db } from './open.js';

/** Kinds of pictures that are kept. */
export type PhotoType = 'image/jpeg' | 'image/png' | 'image/webp';

export interface Photo {
  readonly id: string;
  readonly batchId: string;
  readonly type: PhotoType;
  readonly bytes: Buffer;
}

interface Row {
  readonly id: string;
  readonly batch_id: string;
  readonly type: PhotoType;
  readonly bytes: Buffer;
}

export interface PhotoStore {
  /** Keeps a picture; one that is there already stays as it is. True where it is new. */
  readonly keep: (photo: Photo) => boolean;
  readonly get: (id: string) => Photo | null;
  /** What pictures there are, without their bytes. */
  readonly all: () => readonly Omit<Photo, 'bytes'>[];
}

export function photoStore(db: Db): PhotoStore {
  const insert = db.prepare<[string, string, string, Buffer]>(
    'INSERT INTO photo (id, batch_id, type, bytes) VALUES (?, ?, ?, ?) ON CONFLICT (id) DO NOTHING',
  );
  const get = db.prepare<[string], Row>('SELECT * FROM photo WHERE id = ?');
  const all = db.prepare<[], Omit<Row, 'bytes'>>('SELECT id, batch_id, type FROM photo ORDER BY id');
  return {
    all: () => all.all().map(({ id, batch_id: batchId, type }) => ({ id, batchId, type })),
    keep: ({ id, batchId, type, bytes }) => insert.run(id, batchId, type, bytes).changes > 0,
    get: (id) => {
      const row = get.get(id);
      return row ? { id: row.id, batchId: row.batch_id, type: row.type, bytes: row.bytes } : null;
    },
  };
}
