import { reactRouter } from '@react-router/dev/vite';
import path from 'node:path';
import type { Plugin } from 'vite';
import { defineConfig } from 'vite';

/**
 * A browser remembers that it could not fetch a module, and refuses it until the page is loaded anew. So a part that is asked for
 * again has another address the second time, and one that is loaded ahead of time is fetched whole before it is run.
 */
const askedAgain: Plugin = {
  name: 'parts-asked-for-again',
  apply: 'build',
  applyToEnvironment: ({ name }) => name === 'client',
  generateBundle: {
    order: 'post',
    handler(_, bundle) {
      for (const chunk of Object.values(bundle))
        if (chunk.type === 'chunk')
          chunk.code = chunk.code.replace(
            /\bimport\("(\.\/[\w.-]+\.js)"\)/g,
            'partOf(part=>import(part),"$1",import.meta.url)',
          );
    },
  },
};

export default defineConfig(({ command }) => ({
  // A build says only what is wrong.
  logLevel: command === 'build' ? 'error' : 'info',
  plugins: [reactRouter(), askedAgain],
  // The shaper finds its WebAssembly beside itself; pre-bundling would part them.
  optimizeDeps: {
    exclude: ['harfbuzzjs'],
    // Known beforehand, so that the first page in development need not reload.
    include: [
      'antd',
      '@ant-design/cssinjs',
      'culori/fn',
      'elkjs/lib/elk.bundled.js',
      'idb',
      'nanoid',
      'nspell',
      'perfect-freehand',
      'recharts',
      'saxes',
      'zod',
    ],
  },
  // Names in the page say where a style comes from.
  css: { modules: { generateScopedName: (name, file) => `${path.basename(file, '.module.css')}_${name}` } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1500,
    // What a part shares with others is not fetched before the part itself is there: without a network it would be refused, too.
    modulePreload: { resolveDependencies: (_, deps, { hostType }) => (hostType === 'js' ? [] : deps) },
  },
  worker: { format: 'es' },
}));
