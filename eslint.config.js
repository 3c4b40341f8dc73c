import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '.tmp/**',
      'test-results/**',
      'playwright-report/**',
      '**/*.cjs',
      '**/*.mjs',
      '**/*.js',
      'plugin/*.d.ts',
      'examples/**',
    ],
  },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        project: [
          './core/tsconfig.json',
          './cli/tsconfig.json',
          './plugin/tsconfig.json',
          './server/tsconfig.json',
          './editor/tsconfig.json',
          './tsconfig.tools.json',
        ],
      },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  {
    // Some sixty lines is what one reads at once; a tool's states may take a little more.
    files: ['**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/testing.ts', '**/testing/**', 'e2e/**'],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    // One place sets the library up, before any schema is made.
    files: ['core/src/**/*.ts', 'editor/src/**/*.{ts,tsx}'],
    ignores: ['core/src/zod.ts'],
    rules: {
      'no-restricted-imports': ['error', { paths: [{ name: 'zod', message: 'Import z from core/src/zod.ts.' }] }],
    },
  },
  {
    files: ['editor/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
