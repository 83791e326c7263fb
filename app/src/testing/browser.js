// What every browser has and the test's JavaScript has not.
globalThis.navigator ??= {};
const events = new EventTarget();
for (const name of ['addEventListener', 'removeEventListener', 'dispatchEvent'])
  globalThis.window[name] ??= events[name].bind(events);
