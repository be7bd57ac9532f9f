/// <reference lib="webworker" />
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching'
import { registerRoute } from 'workbox-routing'
import { answerFor } from '../device/answers.ts'
import { forgetDrawn, packingHeader } from '../device/packed.ts'
import { answered } from './answered.ts'
import { frame, isFieldPage, pageOrFrame } from './frame.ts'
import { fromNetwork } from './network.ts'
import { photoAlong, photoHere, photoIn } from './photo-here.ts'
import { sendInBackground } from './send-in-background.ts'

declare const self: ServiceWorkerGlobalScope
/** Not every browser has it, and the types know nothing of it. */
type SyncEvent = ExtendableEvent & { tag: string }
/** Every file of the built application with what it is known by: written in where it is built. */
declare const precached: { url: string; revision: string | null }[]

precacheAndRoute(precached, { cleanURLs: false, directoryIndex: '' })
cleanupOutdatedCaches()

registerRoute(
  ({ request, url, sameOrigin }) => sameOrigin && request.mode === 'navigate' && isFieldPage(url),
  ({ request }) => pageOrFrame(request, async () => (await matchPrecache(frame)) ?? Response.error()),
)

registerRoute(
  ({ request, url, sameOrigin }) =>
    sameOrigin &&
    request.mode !== 'navigate' &&
    !request.headers.has(packingHeader) &&
    answerFor(url, request.headers.get('accept') === 'application/json') !== null,
  ({ request, url }) => answered(request, url),
)

registerRoute(
  ({ url, sameOrigin, request }) => sameOrigin && request.method === 'GET' && photoIn(url) !== null,
  async ({ request, url }) => {
    const name = photoIn(url)!
    return (await photoHere(name)) ?? (await fromNetwork(request)) ?? (await photoAlong(name)) ?? Response.error()
  },
)

// Whatever is written on this device, the pages it had drawn are no more what they show.
self.addEventListener('fetch', (event) => {
  const { method, url } = event.request
  if (method !== 'GET' && new URL(url).pathname.startsWith('/api/')) event.waitUntil(forgetDrawn().catch(console.info))
})

// The browser says that the network is back, whether a page is open or not.
self.addEventListener('sync', (event) => {
  const { tag, waitUntil } = event as SyncEvent
  if (tag === 'unsent') waitUntil.call(event, sendInBackground())
})

// A newer version waits until somebody says that nothing is under way.
self.addEventListener('message', ({ data }) => {
  if (data === 'take over') void self.skipWaiting()
})
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
