import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,server,workers,art,demo,app,scripts}/**/*.test.{ts,tsx}'],
    environment: 'node',
    testTimeout: 90_000,
    hookTimeout: 240_000,
    pool: 'forks',
    maxWorkers: 2,
  },
});
