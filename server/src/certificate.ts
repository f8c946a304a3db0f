import { X509Certificate } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { dirname } from 'node:path';
import { generate } from 'selfsigned';

/** A certificate for this machine, and the authority that a phone trusts once for all of them. */
export interface Certificate {
  readonly key: string;
  readonly cert: string;
  readonly authority: string;
}

interface Pair {
  readonly key: string;
  readonly cert: string;
}

interface KeptCertificates {
  readonly authority: Pair;
  readonly server: Pair;
}

const MS_PER_DAY = 24 * 3600 * 1000;
const AUTHORITY_DAYS = 5 * 365;
/** Browsers refuse a server's certificate that is valid for longer than about 13 months. */
const SERVER_DAYS = 365;
const ECDSA = { keyType: 'ec', algorithm: 'sha256' } as const;

/**
 * The certificate for a phone on the same network. The authority that signs it is made once and kept, for
 * it is what a phone is told to trust; the certificate itself is made anew when this machine has another
 * name or address.
 *
 * @param path Where both are kept; only their owner may read them.
 * @param names Every name and address that a browser may use for this machine.
 */
export async function ownCertificate(path: string, names: readonly string[]): Promise<Certificate> {
  const kept = keptAt(path);
  const authority = kept && isInForce(kept.authority) ? kept.authority : await newAuthority();
  const isFitting = kept?.authority === authority && isInForce(kept.server) && covers(kept.server, names);
  const server = isFitting ? kept.server : await newServer(authority, names);
  if (!isFitting) keep(path, { authority, server });
  return { ...server, authority: authority.cert };
}

function keptAt(path: string): KeptCertificates | undefined {
  try {
    const found = JSON.parse(readFileSync(path, 'utf8')) as Partial<KeptCertificates>;
    const { authority, server } = found;
    return authority && server ? { authority, server } : undefined;
  } catch {
    // Nothing is kept yet, or what is kept is of an older kind.
    return undefined;
  }
}

function keep(path: string, certificates: KeptCertificates): void {
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, JSON.stringify(certificates), { mode: 0o600 });
}

function isInForce({ cert }: Pair): boolean {
  return Date.parse(new X509Certificate(cert).validTo) > Date.now();
}

function covers({ cert }: Pair, names: readonly string[]): boolean {
  const certificate = new X509Certificate(cert);
  return names.every((name) =>
    isIP(name) ? certificate.checkIP(name) !== undefined : certificate.checkHost(name) !== undefined,
  );
}

async function newAuthority(): Promise<Pair> {
  return pair([{ name: 'commonName', value: 'Heliarch on this machine' }], AUTHORITY_DAYS, {
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
}

async function newServer(ca: Pair, names: readonly string[]): Promise<Pair> {
  const altNames = names.map((name) =>
    isIP(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name },
  );
  return pair([{ name: 'commonName', value: names[0] ?? 'localhost' }], SERVER_DAYS, {
    ca,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames },
    ],
  });
}

async function pair(
  subject: Parameters<typeof generate>[0],
  days: number,
  more: Parameters<typeof generate>[1],
): Promise<Pair> {
  const notAfterDate = new Date(Date.now() + days * MS_PER_DAY);
  const { private: key, cert } = await generate(subject, { ...ECDSA, notAfterDate, ...more });
  return { key, cert };
}
