import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const corePattern = {
  group: ['react', 'react-*', '@mantine/*', 'echarts*', '@nestjs/*', 'drizzle-orm*', '@zivvo/*', 'node:*'],
  message: 'core is pure computation',
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      'apps/server/drizzle/**',
      '**/*.cjs',
      '.cache/**',
      'demo-data/**',
      'data/**',
      'data-demo/**',
      'e2e/test-results/**',
    ],
  },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: { parserOptions: { project: ['tsconfig.lint.json'], tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      // Code is at most so wide; what is written for people may be wider where it cannot be broken.
      'max-len': [
        'error',
        {
          code: 120,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
          ignorePattern: '@example',
        },
      ],
      // Features add to interfaces that are empty where they begin.
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'always' }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowNullish: true }],
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { fixStyle: 'inline-type-imports', disallowTypeAnnotations: false },
      ],
    },
  },
  // What others are measured against stays as it was written.
  { files: ['packages/core/fixtures/**'], rules: { 'max-len': 'off' } },
  { files: ['apps/server/src/**/*.ts'], rules: { '@typescript-eslint/consistent-type-imports': 'off' } },
  { files: ['apps/web/src/**/*.{ts,tsx}'], ...hooks.configs.flat['recommended-latest'] },
  // Rules for the React compiler, which is not used; its ref rule takes the form library's field objects for refs.
  {
    files: ['apps/web/src/**/*.{ts,tsx}'],
    rules: { 'react-hooks/incompatible-library': 'off', 'react-hooks/refs': 'off' },
  },
  {
    files: [
      '**/*.{mjs,js}',
      '**/*.config.ts',
      '**/*.test.{ts,tsx}',
      '**/*.d.ts',
      '**/*.d.mts',
      'packages/core/src/test/**',
      'apps/server/src/test/**',
      'apps/web/src/test/**',
      'apps/web/jest.setup.ts',
      'e2e/**',
    ],
    ...tseslint.configs.disableTypeChecked,
    languageOptions: { parserOptions: { projectService: false, project: false } },
  },
  { files: ['packages/core/src/**'], rules: { 'no-restricted-imports': ['error', { patterns: [corePattern] }] } },
  {
    files: ['packages/contract/src/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: ['react', 'react-*', '@mantine/*', '@nestjs/*', 'drizzle-orm*', 'node:*'] },
      ],
    },
  },
  {
    files: ['apps/web/src/**'],
    ignores: ['apps/web/src/shared/api/**'],
    rules: { 'no-restricted-globals': ['error', { name: 'fetch', message: 'requests go through shared/api' }] },
  },
  {
    files: ['apps/server/src/**/*.ts'],
    ignores: [
      '**/*.repository.ts',
      '**/*.table.ts',
      '**/*.projector.ts',
      'apps/server/src/database/**',
      '**/*.test.ts',
      'apps/server/src/test/**',
    ],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['drizzle-orm', 'drizzle-orm/*'],
              message: 'SQL lives in *.repository.ts, *.table.ts and *.projector.ts',
            },
          ],
        },
      ],
    },
  },
  { files: ['**/*.test.{ts,tsx}'], rules: { 'no-restricted-imports': 'off', 'no-restricted-globals': 'off' } },
);
