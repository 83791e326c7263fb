module.exports = {
  displayName: 'app',
  preset: 'jest-expo',
  setupFiles: ['fake-indexeddb/auto'],
  moduleNameMapper: {
    '\\.css$': '<rootDir>/src/testing/no-style.js',
    '^lucide-react-native/icons/(.*)$': '<rootDir>/../node_modules/lucide-react-native/dist/cjs/icons/$1.js',
    '^@zealous-axle/core$': '<rootDir>/../core/src/index.ts',
  },
};
