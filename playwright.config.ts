import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'tests/browser',
  testMatch: '**/*.spec.ts',
  globalSetup: './tests/browser/prepare-demo.ts',
  outputDir: 'test-results/browser',
  workers: 2,
  // One more try, which the summary tells of with what stood on the page: a stalled machine is no reason to know nothing.
  retries: 1,
  fullyParallel: false,
  // Generous, because machines that run this are shared: a slow one must not look like a fault.
  timeout: 300_000,
  expect: { timeout: 40_000 },
  reporter: [
    ['list'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? 'test-results/browser.json' }],
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    screenshot: 'only-on-failure',
    // The tool's own name counts as a bot, and bots get pages in another way than people.
    userAgent:
      'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0.0.0 Safari/537.36',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // A microphone that beeps, a camera that counts, a screen of its own: and nobody who has to allow them.
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
        // This machine by a name that browsers do not take for it: what only works over HTTPS does not there.
        '--host-resolver-rules=MAP plain.example 127.0.0.1',
      ],
    },
  },
})
