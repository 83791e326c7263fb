// Before the first paint: the theme that was chosen, or the one the device asks for; and where somebody is signed in
// already, the door that every page begins with stays hidden until the program has opened.
(() => {
  const root = document.documentElement;
  let chosen = null;
  let signedIn = false;
  try {
    chosen = localStorage.getItem('za-theme');
    signedIn = Object.keys(localStorage).some((key) => key.startsWith('za-session-'));
  } catch {}
  const dark = chosen ? chosen === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
  root.classList.toggle('dark', dark);
  root.classList.toggle('opening', signedIn);
  // A page that was drawn when the program was built is woken, not drawn again; while the app is worked on it comes empty.
  globalThis.__EXPO_ROUTER_HYDRATE__ = root.hasAttribute('data-drawn');
})();
