import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';

/** Runs a bundled benchmark in a web worker of the browser, where the application has it, and prints what it says. */
const [bundle = ''] = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-dev-shm-usage'],
});
try {
  const page = await browser.newPage();
  const said = await page.evaluate(
    async (code) => {
      const tell = 'console.log = (line) => postMessage(line);\n';
      const end = '\npostMessage(null);';
      const address = URL.createObjectURL(new Blob([tell + code + end], { type: 'text/javascript' }));
      const worker = new Worker(address);
      const lines: string[] = [];
      await new Promise<void>((resolve, reject) => {
        worker.onerror = ({ message }) => reject(new Error(message));
        worker.onmessage = ({ data }: MessageEvent<string | null>) => {
          if (data === null) resolve();
          else lines.push(data);
        };
      });
      return lines;
    },
    readFileSync(bundle, 'utf8'),
  );
  console.log(`in the browser's worker:\n${said.join('\n')}`);
} finally {
  await browser.close();
}
