/** Unit tests run on the sources; ".js" in imports stands for ".ts". */
const sources = {
  '^@yurei/core/(.*)$': '<rootDir>/core/src/$1/index.ts',
  '^(\\.{1,2}/.*)\\.js$': '$1',
};

const node = (name) => ({
  displayName: name,
  rootDir: __dirname,
  testMatch: [`<rootDir>/${name}/src/**/*.spec.ts`],
  testEnvironment: 'node',
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
  moduleNameMapper: sources,
});

module.exports = {
  projects: [node('core'), node('cli'), node('server'), '<rootDir>/web/jest.config.cjs'],
};
