module.exports = {
  displayName: 'app',
  preset: 'jest-expo',
  setupFiles: ['fake-indexeddb/auto', '<rootDir>/src/testing/browser.js'],
  moduleNameMapper: {
    '\\.css$': '<rootDir>/src/testing/no-style.js',
    '^lucide-react-native/icons/(.*)$': '<rootDir>/../node_modules/lucide-react-native/dist/cjs/icons/$1.js',
    '^uuid$': '<rootDir>/../node_modules/uuid/dist/cjs/index.js',
    '^@zealous-axle/core$': '<rootDir>/../core/src/index.ts',
  },
};
