import { defineConfig } from '@playwright/test'
import { chromium, chromiumPackage } from './scripts/packages.ts'

export default defineConfig({
  testDir: 'test/e2e',
  workers: 2,
  fullyParallel: false,
  // Ends what hangs: on a machine shared with others a test takes up to four times as long as alone.
  timeout: 300_000,
  // Shared machines are slow at times: what is looked for must come, not come quickly.
  expect: { timeout: 25_000 },
  globalSetup: './test/e2e/start-server.ts',
  use: {
    // One context a worker, emptied between tests: a fresh one would read every script and font anew.
    reuseContext: true,
    // What opens pages without network is tried by tests of its own: elsewhere each context would fetch all of it.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: {
      executablePath: chromium() ?? `/usr/bin/${chromiumPackage}`,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
