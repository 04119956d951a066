import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { notFound, ProblemError } from '../problem';
import type { Store } from '../store/models/index';
import { needRoom } from '../store/room';
import { keepPhoto, LARGEST_PHOTO, pictureType, readPhoto } from '../store/photos';

const limit = bodyLimit({
  maxSize: LARGEST_PHOTO,
  onError: () => {
    throw new ProblemError(
      413,
      'too-large',
      `Nothing was stored: a picture has ${LARGEST_PHOTO / 1e6} MB at most. The app shrinks it before it is sent.`,
    );
  },
});

export const photoRoutes = (store: Store, dataFolder?: string) =>
  new Hono()
    .put('/:hash', limit, async (c) => {
      const bytes = new Uint8Array(await c.req.arrayBuffer());
      if (pictureType(bytes) === undefined)
        throw new ProblemError(
          415,
          'not-a-picture',
          'Nothing was stored: this is no JPEG, PNG or WebP picture.',
        );
      await needRoom(dataFolder, bytes.byteLength);
      if (!(await keepPhoto(store, c.req.param('hash'), bytes)))
        throw new ProblemError(
          422,
          'wrong-hash',
          'Nothing was stored: the picture was damaged on the way. Send it again.',
        );
      return c.body(null, 204);
    })
    .get('/:hash', async (c) => {
      const bytes = await readPhoto(store, c.req.param('hash'));
      if (!bytes) throw notFound('such picture');
      c.header('content-type', pictureType(bytes) ?? 'application/octet-stream');
      // Named by its content, it can never change.
      c.header('cache-control', 'private, max-age=31536000, immutable');
      return c.body(new Uint8Array(bytes));
    });
