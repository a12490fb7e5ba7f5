const presets = require('jest-preset-angular/presets/index.js');

/** Components and view logic of the web app under jsdom, without zones. */
module.exports = {
  ...presets.createCjsPreset({ tsconfig: '<rootDir>/tsconfig.jest.json' }),
  displayName: 'web',
  sandboxInjectedGlobals: require('../tools/jest-globals.cjs'),
  rootDir: __dirname,
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  setupFilesAfterEnv: ['<rootDir>/setup-jest.ts'],
  moduleNameMapper: {
    '^@yurei/core/(.*)$': '<rootDir>/../core/src/$1/index.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
    '^d3-([a-z]+)$': '<rootDir>/../node_modules/d3-$1/dist/d3-$1.js',
  },
};
