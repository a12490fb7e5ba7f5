const node = require('./tools/jest-node.cjs');

/** Unit tests run on the sources. */
const project = (name) => ({
  ...node,
  displayName: name,
  rootDir: __dirname,
  testMatch: [`<rootDir>/${name}/src/**/*.spec.ts`],
  moduleNameMapper: {
    '^@yurei/core/(.*)$': '<rootDir>/core/src/$1/index.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
});

module.exports = {
  // Only what waits in vain is to fail, not what runs on a slow machine.
  testTimeout: 60000,
  projects: [project('core'), project('cli'), project('server'), '<rootDir>/web/jest.config.cjs'],
};
