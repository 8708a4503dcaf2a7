import { z } from 'zod';
import type { ExportJob } from '../../workers/export';
import { isOwn } from '../../core/drawing/picture';
import { answered, givenOut } from '../../core/handout/copy';
import { fileName } from '../../core/sheet/name';
import { needsOf } from '../../core/text/needs';
import { pictureFiles } from '../../server/stores/pictures';
import { sheetOf } from '../../server/stores/sheets';
import { whole } from '../damaged.server';
import { missing, refuse, refusedWork, requireRole } from '../who.server';
import type { Route } from './+types/sheet-export';

const Query = z.object({
  as: z.enum(['pdf', 'png']),
  /** key: with the answers; students: as it is handed out. */
  side: z.enum(['key', 'students']).default('students'),
  page: z.coerce.number().int().min(0).max(199).default(0),
});

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, exporter } = context.services;
  const query = Query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!query.success) throw refuse(400, 'Choose PDF or PNG in the workbench.');
  const found = await sheetOf(db, person.id, params.sheetId);
  if (!found) throw missing();
  const document = await whole(db, found.documentId);
  const { as, side, page } = query.data;
  const sheet = side === 'key' ? answered(document.sheet) : givenOut(document.sheet);
  const own = await pictureFiles(db, needsOf(sheet).pictures.filter(isOwn));
  const job: ExportJob =
    as === 'pdf'
      ? { kind: 'pdf', title: sheet.title, sheets: [sheet], own }
      : { kind: 'png', sheet, page, dpi: 150, own };
  const bytes = await exporter.run(job, request.signal).catch((error: unknown) => {
    throw refusedWork(error);
  });
  const name = `${fileName(sheet.title, 'sheet')}${side === 'key' ? ' (key)' : ''}.${as}`;
  return new Response(bytes as BodyInit, {
    headers: {
      'Content-Type': as === 'pdf' ? 'application/pdf' : 'image/png',
      'Cache-Control': 'private, no-store',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
    },
  });
}
