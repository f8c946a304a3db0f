import { defineConfig } from '@playwright/test';
import { fileURLToPath } from 'node:url';

/** npm test chooses a free one. */
const PORT = Number(process.env['HELIARCH_TEST_PORT'] ?? 4699);
const address = `http://127.0.0.1:${PORT}`;

const CHROMIUM = process.env['CHROME_BIN'] ?? '/usr/bin/chromium';
const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
];

/** The built application on the real server with the demo data, as `npm run demo` serves it. */
export default defineConfig({
  testDir: './tests',
  testMatch: '**/*.e2e.ts',
  outputDir: './test-results',
  retries: 0,
  workers: 3,
  // Waiting asserts no speed: a busy machine of two cores may take many times what a person would see.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  fullyParallel: true,
  forbidOnly: true,
  reporter: 'list',
  use: {
    baseURL: address,
    actionTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-US',
    timezoneId: 'UTC',
    colorScheme: 'light',
    serviceWorkers: 'block',
    // What moves is waited for at each click: as the system asks for it, nothing does.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: CHROMIUM, args: FLAGS },
  },
  // A browser grows slow with the pages it has had: the longest file has one of its own, told apart by its flags.
  projects: [
    { name: 'rooms', testIgnore: '**/together.e2e.ts' },
    {
      name: 'together',
      testMatch: '**/together.e2e.ts',
      use: {
        launchOptions: {
          executablePath: CHROMIUM,
          args: [...FLAGS, '--window-name=together'],
        },
      },
    },
  ],
  webServer: {
    command: `node --import @oxc-node/core/register server/src/main.ts --demo tern --port ${PORT}`,
    cwd: fileURLToPath(new URL('..', import.meta.url)),
    url: address,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 2000 },
  },
});
