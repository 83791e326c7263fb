// What every browser has and the test's JavaScript has not.
globalThis.navigator ??= {};
