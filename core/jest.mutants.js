const core = require('./jest.config.js');

/** The tests that have to catch a mutant of judge, limits, repair or life: those of these rooms and of what asks them first. */
const ROOMS = 'judge,limits,life,repair,defects,patterns,inspection';

module.exports = { ...core, testMatch: [`<rootDir>/src/{${ROOMS}}/**/*.test.ts`] };
