import { drawnPicture, pictureFile } from '../../server/stores/pictures';
import { missing, requirePerson } from '../who.server';
import type { Route } from './+types/own-picture';

/** Never stored, since computers are shared. */
const LASTING = 'private, no-store';

const answer = (body: BodyInit, type: string, cache: string) =>
  new Response(body, {
    headers: {
      'Content-Type': type,
      'Cache-Control': cache,
      'Content-Security-Policy': "default-src 'none'; img-src data:",
    },
  });

/**
 * The files of a picture uploaded by somebody at the same school: HASH.json (how it is drawn), HASH.svg (small), HASH.jpg or
 * HASH.png, and HASH-lines.png.
 */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const { schoolId } = await requirePerson(request, context);
  const { db } = context.services;
  const [, hash, ending] = /^([0-9a-f]{32})(\.json|\.svg|\.jpg|\.png|-lines\.png)$/.exec(params.file) ?? [];
  if (!hash) throw missing();
  const id = `own/${hash}`;
  if (ending === '.json' || ending === '.svg') {
    const drawn = await drawnPicture(db, schoolId, id);
    if (!drawn) throw missing();
    if (ending === '.json') return answer(JSON.stringify(drawn), 'application/json', LASTING);
    const { width, height, raster } = drawn;
    return answer(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><image href="${raster!.whole.small}" width="${width}" height="${height}"/></svg>`,
      'image/svg+xml',
      LASTING,
    );
  }
  const file = await pictureFile(db, schoolId, id, ending === '-lines.png' ? 'lines' : 'image');
  if (!file) throw missing();
  return answer(file.bytes as BodyInit, file.type, LASTING);
}
