/**
 * Makes the service worker from what the build has made: it keeps the application's own files on the device, so that it
 * opens without a network. Days and captures are kept by the application itself, in its database.
 */
import { createHash } from 'node:crypto'
import type { Plugin } from 'vite'

/** @param files addresses of everything to keep, the page itself among them */
const workerSource = (version: string, files: readonly string[]): string => `
const CACHE = 'able-gauge-${version}'
const FILES = ${JSON.stringify(files)}

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll(FILES)).then(() => self.skipWaiting()))
})
self.addEventListener('activate', (event) => {
  // pages that are open still ask for files of the version they were made from, so the one before is kept
  event.waitUntil(
    caches
      .keys()
      .then((names) => names.filter((name) => name.startsWith('able-gauge-') && name !== CACHE).slice(0, -1))
      .then((old) => Promise.all(old.map((name) => caches.delete(name))))
      .then(() => self.clients.claim()),
  )
})
self.addEventListener('fetch', (event) => {
  const { request } = event
  const { pathname, origin } = new URL(request.url)
  if (request.method !== 'GET' || origin !== self.location.origin || pathname.startsWith('/api/')) return
  if (request.mode === 'navigate') {
    // the newest page while there is a network, the one kept here otherwise
    event.respondWith(
      fetch(request).catch(() => caches.open(CACHE).then((cache) => cache.match('/index.html'))),
    )
    return
  }
  event.respondWith(caches.match(request).then((kept) => kept ?? fetch(request)))
})
`

export const serviceWorker = (): Plugin => ({
  name: 'able-gauge-service-worker',
  apply: 'build',
  generateBundle: {
    // after the page itself has been made
    order: 'post',
    handler(_options, bundle) {
      const files = [
        '/index.html',
        '/icon.svg',
        '/icon-192.png',
        '/manifest.webmanifest',
        ...Object.keys(bundle)
          .filter((name) => name !== 'index.html')
          .map((name) => `/${name}`),
      ]
      const version = createHash('sha256').update(files.join('\n')).digest('hex').slice(0, 12)
      this.emitFile({ type: 'asset', fileName: 'sw.js', source: workerSource(version, files) })
    },
  },
})
