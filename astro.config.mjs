import node from '@astrojs/node'
import react from '@astrojs/react'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'astro/config'

/** React in the browser as its integration has it; on the server drawn by our own hand. */
function reactDrawnHere() {
  const own = react()
  const serverEntrypoint = new URL('./src/layouts/draw-islands.ts', import.meta.url)
  const setUp = own.hooks['astro:config:setup']
  own.hooks['astro:config:setup'] = (options) =>
    setUp({ ...options, addRenderer: (renderer) => options.addRenderer({ ...renderer, serverEntrypoint }) })
  return own
}

/** What a page needs of the device when it opens; the rest comes when it is at rest, in one piece. */
const atOnce = /\/src\/device\/(database|shelf|unwritten|set-aside-all|kept-fields|half-done|cipher|device-key)\.ts$/
const withWhatWaits = (id) => (id.includes('/src/device/') && !atOnce.test(id) ? 'what-waits' : undefined)

export default defineConfig({
  output: 'server',
  adapter: node({
    mode: 'middleware',
    // A page that breaks half-way answers with the error page, not with half of itself.
    experimentalDisableStreaming: true,
  }),
  integrations: [reactDrawnHere()],
  // The middleware compares Origin and Host itself: Astro's check lets JSON through.
  security: { checkOrigin: false },
  experimental: { csp: true },
  devToolbar: { enabled: false },
  telemetry: false,
  vite: {
    plugins: [tailwindcss()],
    build: {
      chunkSizeWarningLimit: 900,
      rollupOptions: {
        output: {
          manualChunks: (id) => withWhatWaits(id),
          onlyExplicitManualChunks: true,
        },
      },
    },
    ssr: { noExternal: ['radix-ui', 'cmdk', 'react-hook-form', 'recharts', 'uuid', 'date-fns'] },
  },
})
