import { hostname, networkInterfaces } from 'node:os';

const EVERY_ADDRESS = ['0.0.0.0', '::'];

/** Whether only this machine can reach a server that listens there. */
export function isLoopback(host: string): boolean {
  return host === 'localhost' || host === '::1' || host.startsWith('127.');
}

/** What a browser calls this machine: its names, its addresses, and what it was told to listen on. */
export function namesOfThisMachine(host: string): readonly string[] {
  const own = hostname().toLowerCase();
  const names = ['localhost', own, `${own}.local`, '127.0.0.1', '::1', ...addressesOfThisMachine()];
  return [...new Set(EVERY_ADDRESS.includes(host) ? names : [...names, host])];
}

/** The addresses under which other machines reach this one. */
function addressesOfThisMachine(): readonly string[] {
  return Object.values(networkInterfaces())
    .flatMap((addresses) => addresses ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80:'))
    .map(({ address }) => address);
}

/** Where to point a browser: one address, or each one where the server listens on all of them. */
export function pagesOf(protocol: 'http' | 'https', host: string, port: number): readonly string[] {
  const hosts = EVERY_ADDRESS.includes(host) ? ['127.0.0.1', ...addressesOfThisMachine()] : [host];
  return hosts.map((each) => `${protocol}://${each.includes(':') ? `[${each}]` : each}:${port}`);
}
