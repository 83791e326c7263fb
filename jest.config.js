const swc = [
  '@swc/jest',
  { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } },
];
const node = (name, more = {}) => ({
  displayName: name,
  rootDir: `${__dirname}/${name}`,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  transform: { '^.+\\.ts$': swc },
  ...more,
});

module.exports = {
  testTimeout: 60_000,
  projects: [
    node('core'),
    node('server', { globalSetup: './src/testing/start-cluster.ts', globalTeardown: './src/testing/stop-cluster.ts' }),
    '<rootDir>/app/jest.config.js',
    node('scripts', { testMatch: ['<rootDir>/*.test.ts'] }),
  ],
};
