const fc = require('fast-check');

// Where the whole suite is run many times over, each property is tried less often.
if (process.env.ZA_RUNS) fc.configureGlobal({ numRuns: Number(process.env.ZA_RUNS) });
