import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApplication } from '../src/application.ts';
import { ownCertificate } from '../src/certificate.ts';

let folder: string;
const servers: Server[] = [];

/** A server on a free port, with a small built application. */
async function serve(demoRig?: string): Promise<string> {
  const answer = createApplication({ folder, demoRig }).callback();
  const server = createServer((request, response) => void answer(request, response));
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

describe('the server', () => {
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'heliarch-server-'));
    mkdirSync(join(folder, 'media'));
    writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Heliarch</title>');
    writeFileSync(join(folder, 'main-ABCDEF12.js'), `export const text = "${'x'.repeat(5000)}";`);
    writeFileSync(join(folder, 'ngsw.json'), '{}');
  });

  afterEach(() => {
    servers.splice(0).forEach((server) => {
      server.close();
      server.closeAllConnections();
    });
    rmSync(folder, { recursive: true });
  });

  it('answers every room with the application, and a missing file with 404', async () => {
    const address = await serve();
    for (const path of ['/', '/together', '/together/deeper']) {
      const response = await fetch(address + path);
      expect(response.status).toBe(200);
      expect(await response.text()).toContain('<title>Heliarch');
    }
    expect((await fetch(`${address}/gone.js`)).status).toBe(404);
    expect((await fetch(`${address}/together`, { method: 'POST' })).status).toBe(404);
    expect((await fetch(`${address}/../package.json`)).status).toBe(404);
  });

  it('lets only files named by their content be kept for ever', async () => {
    const address = await serve();
    const caching = async (path: string) => (await fetch(address + path)).headers.get('cache-control');
    expect(await caching('/main-ABCDEF12.js')).toBe('public, max-age=31536000, immutable');
    expect(await caching('/ngsw.json')).toBe('no-cache');
    expect(await caching('/')).toBe('no-cache');
    expect(await caching('/mode.json')).toBe('no-store');
  });

  it('sends a strict policy with everything and insists on nothing that plain HTTP cannot keep', async () => {
    const { headers } = await fetch(await serve());
    const policy = headers.get('content-security-policy') ?? '';
    for (const rule of [
      "default-src 'self'",
      "script-src 'self'",
      "object-src 'none'",
      "frame-ancestors 'none'",
      "form-action 'self'",
    ]) {
      expect(policy).toContain(rule);
    }
    expect(policy).not.toContain('unsafe-eval');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('strict-transport-security')).toBeNull();
  });

  it('compresses what is worth it', async () => {
    const { headers } = await fetch(`${await serve()}/main-ABCDEF12.js`, {
      headers: { 'accept-encoding': 'gzip' },
    });
    expect(headers.get('content-encoding')).toBe('gzip');
  });

  it('offers a demo rig only where it was started with one', async () => {
    const mode = async (address: string) => (await fetch(`${address}/mode.json`)).json();
    expect(await mode(await serve('tern'))).toEqual({ demoRig: 'tern' });
    expect(await mode(await serve())).toEqual({});
  });
});

describe('the certificate of one’s own', () => {
  it('is made once for a host, kept for its owner alone, and made anew for another host', async () => {
    const keep = mkdtempSync(join(tmpdir(), 'heliarch-certificate-'));
    const path = join(keep, 'certificate.json');
    const first = await ownCertificate(path, '192.0.2.7');
    expect(first.cert).toContain('BEGIN CERTIFICATE');
    expect(await ownCertificate(path, '192.0.2.7')).toEqual(jasmine.objectContaining({ cert: first.cert }));
    expect(statSync(path).mode & 0o077).toBe(0);
    expect((await ownCertificate(path, 'van.test')).cert).not.toBe(first.cert);
    expect(JSON.parse(readFileSync(path, 'utf8'))).toEqual(jasmine.objectContaining({ host: 'van.test' }));
    rmSync(keep, { recursive: true });
  });
});
