// Asks until the server answers, then shows the page that was wanted.
const EVERY = 2000;
const from = Date.now();
const says = document.getElementById('tries');

async function ask() {
  const well = await fetch('/api/health', { cache: 'no-store', signal: AbortSignal.timeout(5000) }).then(
    (r) => r.ok,
    () => false,
  );
  if (well) return location.reload();
  says.textContent = `Trying again every two seconds, for ${Math.round((Date.now() - from) / 1000)} s now.`;
}

setInterval(ask, EVERY);
document.getElementById('again').addEventListener('click', () => void ask());
