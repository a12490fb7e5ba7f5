/** Browser tests drive the built app on the real server. */
module.exports = {
  rootDir: `${__dirname}/..`,
  testMatch: ['<rootDir>/e2e/src/**/*.spec.ts'],
  testEnvironment: 'node',
  testTimeout: 120000,
  transform: {
    '^.+\\.ts$': [
      'ts-jest',
      {
        tsconfig: {
          module: 'CommonJS',
          moduleResolution: 'Node10',
          target: 'ES2022',
          isolatedModules: true,
          esModuleInterop: true,
          types: ['jest', 'node'],
        },
        diagnostics: false,
      },
    ],
  },
  moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1' },
};
