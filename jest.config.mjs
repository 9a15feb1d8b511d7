export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  // Nothing passes or fails by the clock: a neighbour may take a core.
  testTimeout: 120_000,
  // Tests run in a context of their own, where what is global is slow to reach: these are what planning reaches for most.
  sandboxInjectedGlobals: [
    'Math',
    'Map',
    'Set',
    'Object',
    'Array',
    'Number',
    'String',
    'JSON',
    'Float64Array',
    'Promise',
    'Symbol',
    'Error',
    'RegExp',
    'Boolean',
    'parseFloat',
    'parseInt',
    'isNaN',
    'Infinity',
  ],
  // By default one core is left idle.
  maxWorkers: '100%',
  transform: {
    '^.+\\.(t|j)sx?$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } } }],
  },
  transformIgnorePatterns: ['/node_modules/(?!(uuid|iron-session|iron-webcrypto|uncrypto|rbush|quickselect)/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};
