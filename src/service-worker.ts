/// <reference types="@sveltejs/kit" />
/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';
import { awayPage, awayPath } from './lib/ui/device/awayPath';

// Keeps the application itself, so that a session that this device holds starts where no server answers. Nothing about a person is kept
// here: that lies in the device's own database, and no longer than it is of use.

const worker = self as unknown as ServiceWorkerGlobalScope;
const cacheName = `calm-reach-${version}`;
const assets = new Set([...build, ...files]);
const awayData = `${awayPage}/__data.json`;

worker.addEventListener('install', (event) => {
  event.waitUntil(caches.open(cacheName).then((cache) => cache.addAll([...assets, awayPage, awayData])));
});

worker.addEventListener('activate', (event) => {
  const old = caches.keys().then((names) => Promise.all(names.filter((n) => n !== cacheName).map((n) => caches.delete(n))));
  event.waitUntil(old.then(() => worker.clients.claim()));
});

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== location.origin) return;
  if (assets.has(url.pathname)) event.respondWith(kept(url.pathname).then((answer) => answer ?? fetch(request)));
  else if (url.pathname === awayPage || url.pathname === awayData) event.respondWith(freshOrKept(request, url.pathname));
  else if (request.mode === 'navigate')
    event.respondWith(fetch(request).catch(() => Response.redirect(awayPath(url.pathname), 302)));
});

const kept = async (path: string): Promise<Response | undefined> => (await caches.open(cacheName)).match(path);

/**
 * As the studio gives it now; as it was kept where nobody answers. The page itself stays the one that came with this worker: a newer one
 * would ask for scripts that are not kept yet.
 */
async function freshOrKept(request: Request, path: string): Promise<Response> {
  try {
    const answer = await fetch(request);
    if (answer.ok && path === awayData) await (await caches.open(cacheName)).put(path, answer.clone());
    return answer;
  } catch {
    return (await kept(path)) ?? Response.error();
  }
}
