import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { get } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { createApp } from './app.ts';

describe('server', () => {
  let base = '';
  let stop = () => {};

  before((done) => {
    const built = mkdtempSync(join(tmpdir(), 'rosefinch-'));
    mkdirSync(join(built, 'assets'));
    writeFileSync(join(built, 'index.html'), '<!doctype html><title>page</title>');
    writeFileSync(join(built, 'assets/x-1234.js'), 'export default 1;'.repeat(200));
    const server = createApp(built, 'demo').listen(0, '127.0.0.1', () => {
      base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
      done();
    });
    stop = () => server.close();
  });
  after(() => stop());

  it('forbids inline scripts, foreign origins and frames, and allows the microphone to itself', async () => {
    const { headers } = await fetch(base);
    const policy = headers.get('content-security-policy') ?? '';
    expect(policy).to.contain("default-src 'none'").and.to.contain("script-src 'self'");
    expect(policy).to.not.match(/script-src[^;]*unsafe/);
    expect(policy).to.not.match(/https?:/);
    // A round reads labels by the camera.
    expect(headers.get('permissions-policy')).to.equal(
      'microphone=(self), camera=(self), geolocation=()',
    );
    expect(headers.get('x-content-type-options')).to.equal('nosniff');
    expect(headers.get('x-powered-by')).to.equal(null);
  });

  it('gives views the page without caching, hashed files for a year, compressed', async () => {
    const page = await fetch(`${base}/history`);
    expect(page.status).to.equal(200);
    expect(page.headers.get('cache-control')).to.equal('no-cache');
    const script = await fetch(`${base}/assets/x-1234.js`);
    expect(script.headers.get('cache-control')).to.match(/max-age=31536000, immutable/);
    expect(script.headers.get('content-encoding')).to.be.oneOf(['gzip', 'br']);
  });

  it('lists no folder and invents no file', async () => {
    expect(await (await fetch(`${base}/assets/`)).text()).to.not.contain('x-1234');
    expect((await fetch(`${base}/assets/none.js`)).status).to.equal(404);
  });

  it('says which shelf it serves', async () => {
    expect(await (await fetch(`${base}/shelf.json`)).json()).to.deep.equal({
      shelf: 'demo',
      routes: 'path',
    });
  });

  /** A request with a Host header of one's own: fetch would not send it. */
  const ask = (host: string, path = '/') =>
    new Promise<{ status: number; text: string }>((resolve, reject) => {
      const { port } = new URL(base);
      const request = get({ host: '127.0.0.1', port, path, headers: { host } }, (response) => {
        let text = '';
        response.setEncoding('utf8').on('data', (part) => {
          text += part;
        });
        response.on('end', () => resolve({ status: response.statusCode ?? 0, text }));
      });
      request.on('error', reject);
    });

  it('answers under its own names alone', async () => {
    for (const host of ['127.0.0.1:5180', 'localhost', 'LOCALHOST:80', '[::1]:5180'])
      expect((await ask(host)).status, host).to.equal(200);
    for (const host of [
      'example.com',
      '127.0.0.1.example.com',
      'localhost.example:5180',
      '10.0.0.7',
    ])
      expect((await ask(host)).status, host).to.equal(421);
  });

  it('tells of an address that cannot be read without a path of this machine', async () => {
    for (const path of ['/%', '/%E0%A4%A', '/assets/%ZZ.js']) {
      const { status, text } = await ask('localhost', path);
      expect(status, path).to.equal(400);
      expect(text).to.equal('This address cannot be read.');
    }
  });
});
