/**
 * Who may import whom: each folder only from those before it. Types count as much as code, and there are no circles, neither
 * of files nor of folders. Tests may build their samples with whatever they need.
 */
const ORDER = [
  // Plain values, and what is computed from numbers and letters alone.
  ['core/values', 'core/margin'],
  ['core/colour', 'core/language', 'core/geometry'],
  ['core/raster'],
  ['core/pictures'],
  ['core/people'],
  // What a document is made of, as schemas.
  ['core/schema'],
  ['core/formats', 'core/text'],
  // The document.
  ['core/sheet'],
  ['core/changes', 'core/placement', 'core/drawing'],
  ['core/items'],
  // What is computed from documents.
  ['core/arrange', 'core/palettes', 'core/proof', 'core/handout', 'core/makers'],
  ['core/lookfors'],
  ['core/review'],
  // The server.
  ['server/process'],
  ['server/database'],
  ['server/accounts', 'server/backup', 'server/jobs', 'server/art', 'server/pictures', 'server/post'],
  ['server/stores'],
  ['server/exports'],
  ['server/actions'],
  ['server/views'],
  ['server/services'],
  ['server/http'],
  ['server/main\\.ts', 'workers', 'art', 'demo'],
  // The application.
  ['app/parts'],
  ['app/browser', 'app/theme', 'app/[^/]+\\.server\\.ts', 'app/nonce\\.ts'],
  ['app/fields', 'app/margin'],
  ['app/keeping', 'app/drawing'],
  ['app/ink'],
  ['app/house', 'app/document', 'app/student'],
  ['app/spread', 'app/correction', 'app/phrases', 'app/out', 'app/placed', 'app/gallery'],
  ['app/commands', 'app/reading', 'app/desk', 'app/classes', 'app/letters'],
  ['app/spot'],
  ['app/colour', 'app/pictures'],
  ['app/canvas', 'app/makers', 'app/clearing'],
  ['app/settings', 'app/supplies'],
  ['app/handout', 'app/workbench'],
  ['app/copy'],
  ['app/routes', 'app/routes\\.ts', 'app/root\\.tsx', 'app/entry\\.server\\.tsx'],
];

const within = (folders) => `^(${folders.join('|')})(/|$)`;

const layers = ORDER.map((folders, i) => ({
  name: `below ${folders[0]}`,
  comment: 'A folder imports only from folders that stand before it in .dependency-cruiser.mjs.',
  severity: 'error',
  from: { path: within(folders) },
  to: { path: within(ORDER.slice(i + 1).flat()) },
}));
/** Folders of one row know nothing of each other. */
const apart = ORDER.flatMap((folders) =>
  folders.map((folder) => ({
    name: `${folder} beside its neighbours`,
    severity: 'error',
    from: { path: within([folder]) },
    to: { path: within(folders), pathNot: within([folder]) },
  })),
).filter(({ to, from }) => to.path !== from.path);

export default {
  forbidden: [
    ...layers,
    ...apart,
    { name: 'no circle of files', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no circle of folders', severity: 'error', scope: 'folder', from: {}, to: { circular: true } },
    {
      name: 'no React in gestures',
      severity: 'error',
      from: { path: '^app/canvas/gestures' },
      to: { path: 'node_modules/(react|antd)' },
    },
    {
      name: 'the application reaches the server through its screens',
      comment: 'Only loaders, actions and what they share import code of the server; the rest imports its types.',
      severity: 'error',
      from: { path: '^app/', pathNot: '^app/(routes/|root\\.tsx|entry\\.server|[^/]+\\.server\\.ts)' },
      to: { path: '^server/', dependencyTypesNot: ['type-only'] },
    },
  ],
  options: {
    exclude: { path: '\\.test\\.tsx?$|/\\+types/|\\.css$' },
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
