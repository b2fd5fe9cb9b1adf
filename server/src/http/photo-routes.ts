import { check, InputRefused, photoIdSchema } from '@oat-crock/contract';
import { raw, Router } from 'express';
import type { Kitchen } from '../kitchen.js';
import type { PhotoType } from '../store/photos.js';
import { notFound } from './errors.js';
import { say } from '@oat-crock/core';

/** The largest picture that is kept; the page sends far smaller ones. */
const LARGEST = '2mb';

/** Pictures of makes, kept with them. */
export function photoRoutes({ entries, photos }: Kitchen): Router {
  const router = Router();
  const body = raw({ type: ['image/*', 'application/octet-stream'], limit: LARGEST });

  router.put('/batches/:id/photos/:photo', body, (request, response) => {
    const { id: batchId, photo } = request.params as { id: string; photo: string };
    const { id } = check(photoIdSchema, { id: photo });
    if (!entries.has(batchId)) throw notFound(say('server.http.photoRoutes.batchId'));
    const bytes = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
    const type = typeOf(bytes);
    if (!type) {
      throw new InputRefused([
        {
          field: '(the whole)',
          message: say('server.http.photoRoutes.noPictureCanKept'),
          remedy: say('server.http.photoRoutes.sendJpegPngWebp'),
        },
      ]);
    }
    const fresh = photos.keep({ id, batchId, type, bytes });
    response.status(fresh ? 201 : 200).json({ id, type, size: bytes.length });
  });

  router.get('/photos/:id', (request, response) => {
    const photo = photos.get(request.params.id);
    if (!photo) throw notFound(say('server.http.photoRoutes.pictureId'));
    response.set('cache-control', 'private, max-age=31536000, immutable').type(photo.type).send(photo.bytes);
  });

  return router;
}

/** What a picture is, by how its bytes begin, whatever it was called; null for what is none. */
function typeOf(bytes: Buffer): PhotoType | null {
  if (bytes.subarray(0, 3).toString('hex') === 'ffd8ff') return 'image/jpeg';
  if (bytes.subarray(0, 8).toString('hex') === '89504e470d0a1a0a') return 'image/png';
  const isWebp = bytes.subarray(0, 4).toString() === 'RIFF' && bytes.subarray(8, 12).toString() === 'WEBP';
  return isWebp ? 'image/webp' : null;
}
