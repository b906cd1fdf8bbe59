const transform = {
  '^.+\\.ts$': [
    '@swc/jest',
    {
      jsc: { parser: { syntax: 'typescript', decorators: true }, transform: { legacyDecorator: true, useDefineForClassFields: false }, target: 'es2022' },
      module: { type: 'es6' },
    },
  ],
};
const base = { testEnvironment: 'node', transform, extensionsToTreatAsEsm: ['.ts'], rootDir: import.meta.dirname };

export default {
  projects: [
    { ...base, displayName: 'unit', testMatch: ['<rootDir>/{core,words,contract,shell,web,bench,scripts,stand-ins}/**/*.test.ts'] },
    { ...base, displayName: 'server', testMatch: ['<rootDir>/server/**/*.test.ts'] },
    { ...base, displayName: 'browser', testMatch: ['<rootDir>/e2e/**/*.test.ts'] },
  ],
};
