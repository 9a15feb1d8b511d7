export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.(t|j)sx?$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } } }],
  },
  transformIgnorePatterns: ['/node_modules/(?!(uuid|iron-session|iron-webcrypto|uncrypto|rbush|quickselect)/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};
