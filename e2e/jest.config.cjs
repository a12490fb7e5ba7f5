const node = require('../tools/jest-node.cjs');

/** Browser tests drive the built app on the real server. */
module.exports = {
  ...node,
  rootDir: `${__dirname}/..`,
  testMatch: ['<rootDir>/e2e/src/**/*.spec.ts'],
  testTimeout: 400000,
  moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1' },
};
