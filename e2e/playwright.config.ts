import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  timeout: 240_000,
  // Two browsers and two servers share two cores here, which may be slow ones: a wait ends as soon as it can.
  expect: { timeout: 40_000 },
  fullyParallel: true,
  workers: 2,
  reporter: 'list',
  outputDir: '../test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        // As people have it: no storage for framed pages of another site.
        '--test-third-party-cookie-phaseout',
        // Nothing outside this machine is looked up; names under .localhost are the visitor origins.
        '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost , EXCLUDE *.localhost',
      ],
    },
  },
})
