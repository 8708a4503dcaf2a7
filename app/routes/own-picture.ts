import { pictureOf } from '../../server/stores/pictures';
import { missing, requirePerson } from '../who.server';
import type { Route } from './+types/own-picture';

/**
 * The files of a picture that somebody of the same school brought along: HASH.json (what it is drawn with), HASH.svg (small),
 * HASH.jpg or HASH.png, and HASH-lines.png.
 */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const [, hash, ending] = /^([0-9a-f]{32})(\.json|\.svg|\.jpg|\.png|-lines\.png)$/.exec(params.file) ?? [];
  const picture = hash && (await pictureOf(context.services.db, person.schoolId, `own/${hash}`));
  if (!picture) throw missing();
  const { drawn, type, image, lines } = picture;
  // What a name stands for never changes, but who may see it can.
  const answer = (body: BodyInit, type: string, cache = 'private, max-age=86400') =>
    new Response(body, {
      headers: {
        'Content-Type': type,
        'Cache-Control': cache,
        'Content-Security-Policy': "default-src 'none'; img-src data:",
      },
    });
  if (ending === '.json') return answer(JSON.stringify(drawn), 'application/json', 'private, no-cache');
  if (ending === '-lines.png') return answer(lines as BodyInit, 'image/png');
  if (ending !== '.svg') return answer(image as BodyInit, type);
  const { width, height, raster } = drawn;
  return answer(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><image href="${raster!.whole.small}" width="${width}" height="${height}"/></svg>`,
    'image/svg+xml',
  );
}
