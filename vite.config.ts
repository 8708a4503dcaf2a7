import { reactRouter } from '@react-router/dev/vite';
import path from 'node:path';
import { defineConfig } from 'vite';

export default defineConfig(({ command }) => ({
  // A build says only what is wrong.
  logLevel: command === 'build' ? 'error' : 'info',
  plugins: [reactRouter()],
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
      'minisearch',
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
  build: { target: 'es2022', chunkSizeWarningLimit: 1500 },
  worker: { format: 'es' },
}));
