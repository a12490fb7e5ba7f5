/** How Jest reads our TypeScript under Node.js: ".js" in imports stands for ".ts". */
module.exports = {
  testEnvironment: 'node',
  sandboxInjectedGlobals: require('./jest-globals.cjs'),
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
};
