import { mkdirSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createServer as createHttpsServer, get } from 'node:https';
import { isIP, type AddressInfo } from 'node:net';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { isLoopback, namesOfThisMachine, pagesOf } from '../src/addresses.ts';
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
      "script-src 'self' 'wasm-unsafe-eval'",
      "object-src 'none'",
      "frame-ancestors 'none'",
      "form-action 'self'",
    ]) {
      expect(policy).toContain(rule);
    }
    expect(policy).not.toContain("'unsafe-eval'");
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('strict-transport-security')).toBeNull();
  });

  it('keeps its headers on refusals, answers HEAD like GET, and sends nothing that has not changed', async () => {
    const address = await serve();
    for (const path of ['/%E0%A4%A', '/..%2f..%2fetc/passwd', '/gone.js']) {
      const { status, headers } = await fetch(address + path);
      expect(status).withContext(path).toBeGreaterThanOrEqual(400);
      expect(status).withContext(path).toBeLessThan(500);
      expect(headers.get('content-security-policy')).withContext(path).toContain("default-src 'self'");
    }
    for (const path of ['/', '/together', '/main-ABCDEF12.js']) {
      const head = await fetch(address + path, { method: 'HEAD' });
      expect(head.status).withContext(path).toBe(200);
      const tag = head.headers.get('etag') ?? '';
      expect(tag).withContext(path).not.toBe('');
      const again = await fetch(address + path, {
        headers: { 'if-none-match': tag, 'cache-control': 'max-age=0' },
      });
      expect(again.status).withContext(path).toBe(304);
    }
  });

  it('is quiet when a page is left while it loads', async () => {
    const said = spyOn(console, 'error');
    writeFileSync(join(folder, 'large.bin'), Buffer.alloc(20_000_000, 1));
    const leaving = new AbortController();
    const response = await fetch(`${await serve()}/large.bin`, { signal: leaving.signal });
    leaving.abort();
    await expectAsync(response.text()).toBeRejected();
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(said).not.toHaveBeenCalled();
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

describe('the certificate for a phone', () => {
  it('is trusted under every name of this machine by whoever trusts its authority, and only then', async () => {
    const keep = mkdtempSync(join(tmpdir(), 'heliarch-certificate-'));
    const path = join(keep, 'certificate.json');
    const names = namesOfThisMachine('192.0.2.7');
    expect(names).toEqual(jasmine.arrayContaining(['localhost', '127.0.0.1', '::1', '192.0.2.7']));
    const certificate = await ownCertificate(path, names);
    const server = createHttpsServer(certificate, (_request, response) => response.end('here'));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as AddressInfo;
    const ask = (host: string, ca?: string) =>
      new Promise<string>((resolve) => {
        get(
          { host: '127.0.0.1', port, servername: isIP(host) ? '' : host, ca, headers: { host } },
          (response) => resolve(response.statusCode === 200 ? 'trusted' : 'refused'),
        ).on('error', (error: NodeJS.ErrnoException) => resolve(error.code ?? error.message));
      });
    for (const name of ['localhost', '127.0.0.1', hostname().toLowerCase()])
      expect(await ask(name, certificate.authority))
        .withContext(name)
        .toBe('trusted');
    expect(await ask('localhost')).not.toBe('trusted');
    server.close();
    server.closeAllConnections();
    rmSync(keep, { recursive: true });
  });

  it('keeps its authority when this machine has another address, and both for their owner alone', async () => {
    const keep = mkdtempSync(join(tmpdir(), 'heliarch-certificate-'));
    const path = join(keep, 'certificate.json');
    const first = await ownCertificate(path, ['localhost', '192.0.2.7']);
    expect(await ownCertificate(path, ['192.0.2.7'])).toEqual(first);
    expect(statSync(path).mode & 0o077).toBe(0);
    const moved = await ownCertificate(path, ['localhost', '192.0.2.8', 'van.test']);
    expect(moved.authority).toBe(first.authority);
    expect(moved.cert).not.toBe(first.cert);
    writeFileSync(path, '{"key": "of an older build"}');
    expect((await ownCertificate(path, ['localhost'])).authority).not.toBe(first.authority);
    rmSync(keep, { recursive: true });
  });
});

describe('the addresses of this machine', () => {
  it('are written as a browser takes them', () => {
    expect(pagesOf('http', '::1', 80)).toEqual(['http://[::1]:80']);
    expect(pagesOf('https', 'van.test', 4600)).toEqual(['https://van.test:4600']);
    expect(pagesOf('http', '0.0.0.0', 1)[0]).toBe('http://127.0.0.1:1');
    expect(['localhost', '::1', '127.0.0.2'].every(isLoopback)).toBeTrue();
    expect(['0.0.0.0', '192.0.2.7', '::'].some(isLoopback)).toBeFalse();
  });
});
