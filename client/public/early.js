/*
 * Runs before the application is there: the theme of this device, so that a dark page never flashes white, and the keys
 * that are pressed meanwhile, which the application takes over (kit/keys/typed-ahead.ts).
 */
(() => {
  let kept = null;
  try {
    kept = localStorage.getItem('tetrad.theme');
  } catch {
    // a browser that keeps nothing has the theme of its system
  }
  const isDark = kept === 'dark' || (kept !== 'light' && matchMedia('(prefers-color-scheme: dark)').matches);
  document.documentElement.classList.toggle('dark', isDark);

  const keys = [];
  const keep = (event) => keys.push(event);
  addEventListener('keydown', keep, true);
  globalThis.tetradEarlyKeys = () => {
    removeEventListener('keydown', keep, true);
    return keys.splice(0);
  };
})();
