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
  '^fast-check$': '<rootDir>/tools/seeded-properties.cjs',
  '^@tetrad/core$': '<rootDir>/core/src/index.ts',
  '^@tetrad/core/capture-format$': '<rootDir>/core/src/format/capture-format.ts',
  '^@tetrad/core/practice$': '<rootDir>/core/src/practice/index.ts',
  '^@tetrad/core/guide$': '<rootDir>/core/src/guide/index.ts',
  '^@tetrad/core/desk$': '<rootDir>/core/src/desk/index.ts',
  '^@tetrad/core/outcomes$': '<rootDir>/core/src/outcomes/index.ts',
  '^@tetrad/core/trends$': '<rootDir>/core/src/trends/index.ts',
  '^@tetrad/core/capture$': '<rootDir>/core/src/capture/index.ts',
  '^@tetrad/core/light$': '<rootDir>/core/src/light.ts',
  '^@tetrad/contracts/operations$': '<rootDir>/contracts/src/operations/index.ts',
  '^@tetrad/contracts$': '<rootDir>/contracts/src/index.ts',
};
/** Packages that come as modules only, which Jest cannot load as they are. */
const MODULES_ONLY =
  'jsondiffpatch|@dmsnell|openid-client|oauth4webapi|jose|is-any-array|ml-regression-base/node_modules';
/** Looked up often by computation; in the sandbox of a test each lookup of a global is slow, unless it is injected. */
const sandboxInjectedGlobals = [
  'Math',
  'Number',
  'Array',
  'Object',
  'Map',
  'Set',
  'String',
  'Float32Array',
  'Float64Array',
  'Uint8Array',
  'DataView',
];
const node = {
  sandboxInjectedGlobals,
  testEnvironment: 'node',
  transform: { ...swc, [`/(?:${MODULES_ONLY})/.+\\.js$`]: ['@swc/jest', { jsc: { target: 'es2022' } }] },
  transformIgnorePatterns: [`/node_modules/(?!(?:${MODULES_ONLY})/)`],
  moduleNameMapper: own,
  rootDir: import.meta.dirname,
};

export default {
  // what hangs fails; a machine that is busy with other things does not
  testTimeout: 30_000,
  projects: [
    { ...node, displayName: 'core', testMatch: ['<rootDir>/core/test/**/*.test.ts'] },
    { ...node, displayName: 'tools', testMatch: ['<rootDir>/tools/test/**/*.test.ts'] },
    {
      ...node,
      moduleNameMapper: { ...own, '^argon2$': '<rootDir>/tools/quick-argon2.cjs' },
      displayName: 'server',
      testMatch: ['<rootDir>/server/test/**/*.test.ts'],
      globalSetup: '<rootDir>/server/test/cluster-setup.mjs',
      globalTeardown: '<rootDir>/server/test/cluster-teardown.mjs',
    },
    {
      displayName: 'client',
      rootDir: import.meta.dirname,
      preset: 'jest-preset-angular',
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/client/test/**/*.test.ts'],
      setupFilesAfterEnv: ['<rootDir>/client/setup-jest.ts'],
      moduleNameMapper: own,
      transform: {
        '^.+\\.(ts|mjs|js|html|svg)$': [
          'jest-preset-angular',
          { tsconfig: '<rootDir>/client/tsconfig.spec.json', stringifyContentPathRegex: '\\.(html|svg)$' },
        ],
      },
      transformIgnorePatterns: [
        'node_modules/(?!.*\\.mjs$|idb|@angular|@ngrx|primeng|is-any-array|ml-regression-base/node_modules)',
      ],
    },
  ],
};
