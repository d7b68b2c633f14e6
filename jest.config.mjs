const swc = (tsx) => [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', tsx, decorators: true },
      transform: {
        legacyDecorator: true,
        decoratorMetadata: true,
        useDefineForClassFields: false,
        react: { runtime: 'automatic' },
      },
    },
    module: { type: 'es6' },
    sourceMaps: 'inline',
  },
];
const common = {
  transform: { '\\.ts$': swc(false), '\\.tsx$': swc(true) },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testPathIgnorePatterns: ['/dist/', '/node_modules/'],
  modulePathIgnorePatterns: ['/dist/'],
};
const node = {
  ...common,
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: ['source', 'node', 'node-addons'] },
};

export default {
  // Two test files share the machine: a wait is bounded, not timed.
  testTimeout: 20_000,
  projects: [
    { ...node, displayName: 'core', rootDir: 'packages/core' },
    { ...node, displayName: 'contract', rootDir: 'packages/contract' },
    { ...node, displayName: 'words', rootDir: 'packages/words' },
    { ...node, displayName: 'server', rootDir: 'apps/server' },
    {
      ...common,
      displayName: 'web',
      rootDir: 'apps/web',
      testEnvironment: '<rootDir>/jest-env.mjs',
      setupFilesAfterEnv: ['<rootDir>/jest.setup.ts'],
      moduleNameMapper: { '\\.(css|woff2)$': '<rootDir>/jest-styles.mjs' },
      testEnvironmentOptions: { customExportConditions: ['source', 'browser'] },
    },
  ],
};
