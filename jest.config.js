const core = require('./core/jest.config.js');

/** A project of Node as core's is. */
const node = (name, more = {}) => ({
  ...core,
  setupFiles: [],
  displayName: name,
  rootDir: `${__dirname}/${name}`,
  ...more,
});

module.exports = {
  testTimeout: 180_000,
  maxWorkers: '100%',
  projects: [
    '<rootDir>/core/jest.config.js',
    node('server', { globalSetup: './src/testing/start-cluster.ts', globalTeardown: './src/testing/stop-cluster.ts' }),
    '<rootDir>/app/jest.config.js',
    node('scripts', { testMatch: ['<rootDir>/*.test.ts'] }),
  ],
};
