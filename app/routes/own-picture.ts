import { svgMarkup } from '../../core/drawing/svg';
import { outlineNodes, pictureNodes } from '../../core/drawing/picture-nodes';
import type { Faces } from '../../core/text/faces';
import type { DrawnPicture } from '../../core/pictures/picture';
import type { PictureFileName } from '../../server/stores/pictures';
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

/** Of a picture without its background a code of its recipe follows. */
const ENDINGS =
  /^([0-9a-f]{32}(?:-[0-9a-f]{16})?)(\.json|\.svg|-lines\.svg|\.jpg|\.png|-lines\.png|-screen\.jpg|-screen\.png)$/;

/** A small drawing of it, in its colours or in outlines. */
function smallSvg(drawn: DrawnPicture, outlines: boolean, faces: Faces): string {
  const { width, height } = drawn;
  const nodes = outlines ? outlineNodes(drawn, Math.max(width, height) / TILE) : pictureNodes(drawn);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${svgMarkup(nodes, faces)}</svg>`;
}
/** About so wide is it shown in lists, in points. */
const TILE = 60;

const FILES: Record<string, PictureFileName> = { lines: 'lines', screen: 'screen' };

/**
 * The files of a picture uploaded by somebody at the same school: HASH.json (how it is drawn), HASH.svg and HASH-lines.svg (small),
 * HASH.jpg or HASH.png, the same with -screen where that is smaller, and HASH-lines.png.
 */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const { schoolId } = await requirePerson(request, context);
  const { db, shelf } = context.services;
  const [, hash, ending] = ENDINGS.exec(params.file) ?? [];
  if (!hash) throw missing();
  const id = `own/${hash}`;
  if (ending.endsWith('.json') || ending.endsWith('.svg')) {
    const drawn = await drawnPicture(db, schoolId, id);
    if (!drawn) throw missing();
    if (ending === '.json') return answer(JSON.stringify(drawn), 'application/json', LASTING);
    return answer(smallSvg(drawn, ending === '-lines.svg', shelf.resources.faces), 'image/svg+xml', LASTING);
  }
  const [, kind = ''] = /^-(\w+)\./.exec(ending) ?? [];
  const file = await pictureFile(db, schoolId, id, FILES[kind] ?? 'image');
  if (!file) throw missing();
  return answer(file.bytes as BodyInit, file.type, LASTING);
}
