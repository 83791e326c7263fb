// Before the first paint: the theme that was chosen, or the one the device asks for.
(() => {
  let chosen = null;
  try {
    chosen = localStorage.getItem('za-theme');
  } catch {}
  const dark = chosen ? chosen === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.classList.toggle('dark', dark);
})();
