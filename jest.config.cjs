const node = require('./tools/jest-node.cjs');

/** Unit tests run on the sources. */
const project = (name) => ({
  ...node,
  displayName: name,
  rootDir: __dirname,
  testMatch: [`<rootDir>/${name}/src/**/*.spec.ts`],
  moduleNameMapper: {
    '^@yurei/core/(.*)$': '<rootDir>/core/src/$1/index.ts',
    '^@yurei/server/upkeep$': '<rootDir>/server/src/upkeep/index.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
});

module.exports = {
  // Only what waits in vain is to fail, not what runs on a slow machine.
  testTimeout: 180000,
  // Both cores of a small machine: Jest would leave one idle.
  maxWorkers: '100%',
  projects: [project('core'), project('cli'), project('server'), '<rootDir>/web/jest.config.cjs'],
};
