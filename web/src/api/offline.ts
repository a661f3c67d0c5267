// The application without a network: a service worker keeps its files, and the last answers about demonstrations (vite.config.ts).
const answers = 'parvix-answers';

/** Where the tests drive the browser the worker is started only when they ask for it: each of their pages is a first visit. */
const isWanted = () => !navigator.webdriver || localStorage.getItem('parvix-offline') === 'on';

export function startWorker() {
  if (!('serviceWorker' in navigator) || !isWanted()) return;
  // The page itself comes first.
  window.addEventListener('load', () => {
    void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  });
}

const isKept = () => 'serviceWorker' in navigator && !!navigator.serviceWorker.controller;

/** What was stored is what an answer would say from now on. */
export async function keepAnswer(address: string, answer: object) {
  if (!isKept()) return;
  const cache = await caches.open(answers);
  await cache.put(
    address,
    new Response(JSON.stringify(answer), { headers: { 'Content-Type': 'application/json' } }),
  );
}

/** Leaves nothing on this machine that the next person could read. */
export async function forgetAnswers() {
  if ('caches' in window) await caches.delete(answers);
}
