// Runs before the first paint, so that a dim kitchen is not lit up by a white flash.
try {
  if (localStorage.getItem('panache.theme') === 'dim') document.documentElement.dataset.theme = 'dim';
} catch {
  // Storage can be forbidden; the light theme stays.
}
