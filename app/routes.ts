import type { RouteConfig } from '@react-router/dev/routes';
import { index, route } from '@react-router/dev/routes';

export default [
  index('routes/front.tsx'),
  route('join', 'routes/join.tsx'),
  route('secret', 'routes/secret.tsx'),
  route('sign-out', 'routes/sign-out.ts'),
  route('desk', 'routes/desk.tsx'),
  route('classes', 'routes/classes.tsx'),
  route('credits', 'routes/credits.tsx'),
  route('sheets/:sheetId', 'routes/sheet.tsx'),
  route('sheets/:sheetId/hand-out', 'routes/hand-out.tsx'),
  route('sheets/:sheetId/picture.svg', 'routes/sheet-picture.ts'),
  route('sheets/:sheetId/export', 'routes/sheet-export.ts'),
  route('handouts/:handoutId', 'routes/spread.tsx'),
  route('handouts/:handoutId/picture.svg', 'routes/handout-picture.ts'),
  route('handouts/:handoutId/reading/:copyId', 'routes/reading.tsx'),
  route('written', 'routes/written.ts'),
  route('pictures', 'routes/pictures.ts'),
  route('art/pictures/own/:file', 'routes/own-picture.ts'),
  route('tray', 'routes/tray.tsx'),
  route('copies/:copyId', 'routes/copy.tsx'),
  route('copies/:copyId/picture.svg', 'routes/copy-picture.ts'),
  route('documents/:documentId/changes', 'routes/changes.ts'),
  route('documents/:documentId/mend', 'routes/mend.ts'),
  route('parts', 'routes/parts.ts'),
  route('sheets/:sheetId/growth', 'routes/growth.ts'),
] satisfies RouteConfig;
