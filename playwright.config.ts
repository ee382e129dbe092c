import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'test/browser',
  globalSetup: './test/browser/setup.ts',
  workers: 2,
  fullyParallel: true,
  timeout: 45_000,
  expect: { timeout: 8_000 },
  reporter: [['list']],
  outputDir: 'test-results',
  use: {
    // Its own test looks at it; elsewhere it would stand between a test and the server.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync'
      ]
    }
  }
})
