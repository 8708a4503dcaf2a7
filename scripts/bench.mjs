import { rmSync } from 'node:fs';
import path from 'node:path';
import { installPackages, root, run } from './install.mjs';

/** npm run bench [name …] [--json]: our figures against their peers, in one run, from code as it ships. */
installPackages();
await (await import('./build.mjs')).build();
const { build } = await import('esbuild');
// Beside the packages that it uses; what runs from the sources is wrapped for names, and slower.
const out = path.join(root, '.bench');
try {
  await build({
    entryPoints: [path.join(root, 'bench/run.ts')],
    outdir: out,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20.19',
    packages: 'external',
    logLevel: 'error',
  });
  run(process.execPath, [path.join(out, 'run.mjs'), ...process.argv.slice(2)], { cwd: root });
} finally {
  rmSync(out, { recursive: true, force: true });
}
