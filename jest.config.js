/** Unit tests: core and server in Node, client in jsdom. */
const swc = {
  '^.+\\.ts$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', decorators: true },
        transform: { legacyDecorator: true, decoratorMetadata: false, useDefineForClassFields: false },
        keepClassNames: true,
      },
    },
  ],
};
const own = {
  '^fast-check$': '<rootDir>/tools/jest/seeded-properties.cjs',
  '^@tetrad/core$': '<rootDir>/core/src/index.ts',
  '^@tetrad/core/capture-format$': '<rootDir>/core/src/format/capture-format.ts',
  '^@tetrad/core/practice$': '<rootDir>/core/src/practice/index.ts',
  '^@tetrad/core/guide$': '<rootDir>/core/src/guide/index.ts',
  '^@tetrad/core/desk$': '<rootDir>/core/src/desk/index.ts',
  '^@tetrad/core/outcomes$': '<rootDir>/core/src/outcomes/index.ts',
  '^@tetrad/core/trends$': '<rootDir>/core/src/trends/index.ts',
  '^@tetrad/core/capture$': '<rootDir>/core/src/capture/index.ts',
  '^@tetrad/core/light$': '<rootDir>/core/src/light.ts',
  '^@tetrad/contracts/addresses$': '<rootDir>/contracts/src/addresses.ts',
  '^@tetrad/contracts/operations$': '<rootDir>/contracts/src/operations/index.ts',
  '^@tetrad/contracts$': '<rootDir>/contracts/src/index.ts',
};
const node = {
  testEnvironment: '<rootDir>/tools/jest/one-realm-environment.cjs',
  runtime: '<rootDir>/tools/jest/kept-packages-runtime.cjs',
  transform: swc,
  moduleNameMapper: own,
  rootDir: import.meta.dirname,
};

export default {
  // what hangs fails; a machine that is busy with other things does not
  testTimeout: 30_000,
  testSequencer: '<rootDir>/tools/jest/longest-first.cjs',
  projects: [
    { ...node, displayName: 'core', testMatch: ['<rootDir>/core/test/**/*.test.ts'] },
    { ...node, displayName: 'tools', testMatch: ['<rootDir>/tools/test/**/*.test.ts'] },
    {
      ...node,
      moduleNameMapper: { ...own, '^argon2$': '<rootDir>/tools/jest/quick-argon2.cjs' },
      displayName: 'server',
      testMatch: ['<rootDir>/server/test/**/*.test.ts'],
      globalSetup: '<rootDir>/server/test/cluster-setup.mjs',
      globalTeardown: '<rootDir>/server/test/cluster-teardown.mjs',
    },
    {
      displayName: 'client',
      rootDir: import.meta.dirname,
      preset: 'jest-preset-angular',
      testEnvironment: '<rootDir>/tools/jest/one-page-environment.cjs',
      runtime: '<rootDir>/tools/jest/kept-modules-runtime.cjs',
      testMatch: ['<rootDir>/client/test/**/*.test.ts'],
      setupFilesAfterEnv: ['<rootDir>/client/setup-jest.ts'],
      moduleNameMapper: own,
      transform: {
        '/node_modules/.+\\.m?js$': '<rootDir>/tools/jest/linked-package.cjs',
        '^.+\\.(ts|mjs|js|html|svg)$': [
          'jest-preset-angular',
          { tsconfig: '<rootDir>/client/tsconfig.spec.json', stringifyContentPathRegex: '\\.(html|svg)$' },
        ],
      },
      transformIgnorePatterns: ['node_modules/(?!.*\\.mjs$|idb|@angular|@ngrx|primeng)'],
    },
  ],
};
