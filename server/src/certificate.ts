import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { generate } from 'selfsigned';

export interface Certificate {
  readonly key: string;
  readonly cert: string;
}

const DAYS_VALID = 365;
const MS_PER_DAY = 24 * 3600 * 1000;

/**
 * The certificate of one's own for a phone on the same network: made once and kept, since a phone
 * that was told to trust it would ask again for a new one.
 *
 * @param path Where it is kept; only its owner may read it.
 * @param host Name or address the phone will use.
 */
export async function ownCertificate(path: string, host: string): Promise<Certificate> {
  return kept(path, host) ?? (await made(path, host));
}

interface KeptCertificate extends Certificate {
  readonly host: string;
  readonly until: string;
}

function kept(path: string, host: string): Certificate | undefined {
  try {
    const found = JSON.parse(readFileSync(path, 'utf8')) as KeptCertificate;
    return found.host === host && Date.parse(found.until) > Date.now() ? found : undefined;
  } catch {
    return undefined;
  }
}

async function made(path: string, host: string): Promise<Certificate> {
  const until = new Date(Date.now() + DAYS_VALID * MS_PER_DAY);
  const isAddress = /^[\d.:]+$/.test(host);
  const names = [isAddress ? { type: 7 as const, ip: host } : { type: 2 as const, value: host }];
  const { private: key, cert } = await generate([{ name: 'commonName', value: host }], {
    notAfterDate: until,
    algorithm: 'sha256',
    extensions: [{ name: 'subjectAltName', altNames: names }],
  });
  const certificate: KeptCertificate = { key, cert, host, until: until.toISOString() };
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, JSON.stringify(certificate), { mode: 0o600 });
  return certificate;
}
