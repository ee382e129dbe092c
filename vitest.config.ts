import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  test: {
    // By itself it leaves one core of two idle.
    maxWorkers: '100%',
    // A busy machine is slow, not wrong.
    testTimeout: 300_000,
    hookTimeout: 60_000,
    projects: [
      // Nothing in the core holds on to anything but what it looks up: its files share what they load.
      { extends: true, test: { name: 'core', include: ['test/core/**/*.test.ts'], isolate: false } },
      { extends: true, test: { name: 'app', include: ['test/app/**/*.test.ts'], environment: 'happy-dom' } },
      {
        extends: true,
        test: {
          name: 'server',
          include: ['test/server/**/*.test.ts'],
          globalSetup: 'test/server/setup.ts'
        }
      }
    ]
  }
})
