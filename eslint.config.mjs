import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Imports run downwards only: app -> server -> core. What a folder must not reach for, and why. */
const forbid = (files, patterns) => ({
  files,
  rules: { '@typescript-eslint/no-restricted-imports': ['error', { patterns }] },
});
const not = (group, message, allowTypeImports = false) => ({ group, message, allowTypeImports });

export const layers = [
  forbid(
    ['core/**/*.ts'],
    [
      not(
        ['**/server/**', '**/app/**', '**/workers/**', '**/art/**', '**/demo/**'],
        'The core imports nothing above it.',
      ),
      not(
        ['react', 'react-dom', 'react-dom/*', 'react-router', 'antd', '@ant-design/*'],
        'The core has no interface code.',
      ),
      not(
        ['node:*', 'fs', 'path', 'pg', '@electric-sql/*', 'express'],
        'The core runs in the browser too: no Node API, no database.',
      ),
    ],
  ),
  forbid(
    ['server/**/*.ts', 'workers/**/*.ts'],
    [
      not(['**/app/**'], 'The server imports nothing from the application.'),
      not(['**/workers/**'], 'Workers are started by their built file; only their types may be imported.', true),
      not(['react', 'react-dom', 'antd'], 'The server has no interface code.'),
    ],
  ),
];

export default tseslint.config(
  { ignores: ['build/**', '.generated/**', '.react-router/**', 'data/**', 'node_modules/**'] },
  ...tseslint.configs.recommended,
  {
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/only-throw-error': 'off',
    },
  },
  ...layers,
  // Tests may build their samples with whatever they need.
  { files: ['**/*.test.ts', '**/*.test.tsx'], rules: { '@typescript-eslint/no-restricted-imports': 'off' } },
);
