import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { createApplication } from '../src/application.ts';

let server: Server;
let address: string;

/** The first events of a stream, as the standard has them: fields of lines, an empty line between (WHATWG HTML, 9.2.6). */
async function eventsOf(path: string, count: number, headers: Record<string, string> = {}) {
  const control = new AbortController();
  const response = await fetch(address + path, { headers, signal: control.signal });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  const blocks = () =>
    text
      .split('\n\n')
      .slice(0, -1)
      .filter((block) => block.includes('data:'));
  while (blocks().length < count) text += (await reader.read()).value ?? '';
  control.abort();
  return {
    response,
    retry: /^retry: (\d+)$/m.exec(text)?.[1],
    events: blocks().map((block) => {
      const field = (name: string) => new RegExp(`^${name}: (.*)$`, 'm').exec(block)?.[1] ?? '';
      return {
        event: field('event'),
        id: field('id'),
        data: JSON.parse(field('data')) as Record<string, unknown>,
      };
    }),
  };
}

describe('the simulated instruments', () => {
  beforeEach(async () => {
    const answer = createApplication({ folder: tmpdir(), demoRig: 'tern' }).callback();
    server = createServer((request, response) => void answer(request, response));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });

  afterEach(() => {
    server.close();
    server.closeAllConnections();
  });

  it('come as server-sent events, uncompressed and kept nowhere: a header, then a sample a second', async () => {
    const { response, retry, events } = await eventsOf('/instruments?scenario=quiet-evening', 3, {
      'accept-encoding': 'gzip',
    });
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    expect(response.headers.get('content-encoding')).toBeNull();
    expect(response.headers.get('cache-control')).toBe('no-store');
    expect(Number(retry)).toBeGreaterThan(0);
    expect(events.map(({ event }) => event)).toEqual(['header', 'sample', 'sample']);
    expect(events[0]!.data).toEqual(jasmine.objectContaining({ simulated: 'yes', rig: 'Tern' }));
    expect(Number(events[2]!.data['atS']) - Number(events[1]!.data['atS'])).toBe(1);
  });

  it('go on in the same scenario for a reader that comes back, by the id of the last event', async () => {
    const begun = Math.floor(Date.now() / 1000) - 25;
    const { events } = await eventsOf('/instruments?scenario=shore-lost&rig=puffin', 2, {
      'last-event-id': String(begun),
    });
    expect(events[0]!.id).toBe(String(begun));
    // Shore is lost from the twentieth second on.
    expect(events[1]!.data['inlet']).toBeUndefined();
    expect(Number(events[1]!.data['atS']) - begun).toBeGreaterThanOrEqual(25);
  });

  it('refuse what they do not have in one line', async () => {
    const refused = async (query: string) => {
      const response = await fetch(`${address}/instruments?${query}`);
      return `${response.status} ${await response.text()}`;
    };
    expect(await refused('')).toMatch(/^400 scenario: give one of quiet-evening/);
    expect(await refused('scenario=shore-lost&rig=..%2Fpackage')).toMatch(
      /^400 rig: give one of the demo rigs/,
    );
  });
});
