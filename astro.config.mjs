import node from '@astrojs/node'
import react from '@astrojs/react'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'astro/config'

export default defineConfig({
  output: 'server',
  adapter: node({
    mode: 'middleware',
    // A page that breaks half-way answers with the error page, not with half of itself.
    experimentalDisableStreaming: true,
  }),
  integrations: [react()],
  // The middleware compares Origin and Host itself: Astro's check lets JSON through.
  security: { checkOrigin: false },
  experimental: { csp: true },
  devToolbar: { enabled: false },
  telemetry: false,
  vite: {
    plugins: [tailwindcss()],
    build: { chunkSizeWarningLimit: 900, rollupOptions: { output: { experimentalMinChunkSize: 1_000 } } },
    ssr: { noExternal: ['radix-ui', 'cmdk', 'react-hook-form', 'recharts', 'uuid', 'date-fns'] },
  },
})
