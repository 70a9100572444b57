/** Strangers with accounts who send the worst bodies there are, one after the other, until they are ended. */
import { request } from 'node:http';

const port = Number(process.env.TARGET_PORT);
const bytes = Number(process.env.MEGABYTES) * 1e6;
const strangers = JSON.parse(process.env.STRANGERS);

const head = '{"type":"FeatureCollection","water":{"name":"W","kind":"lake","timezone":"UTC","elevation_m":0,"secchi_m":2},"features":[';
const filled = (piece) => `${head}${Array(Math.floor((bytes - head.length - 2) / (piece.length + 1))).fill(piece).join(',')}]}`; // prettier-ignore
const sounding =
  '{"type":"Feature","geometry":{"type":"Point","coordinates":[0.0012345678901,50.001234567890123]},"properties":{"role":"sounding","depth_m":3.25,"note":"000000000000000000"}}';
/** Empty features, features of a wrong shape, soundings that nearly pass, nesting, and a text without an end. */
const worst = [filled('{}'), filled('{"properties":{"role":"outline"}}'), filled(sounding), '['.repeat(bytes), `{"pad":"${'x'.repeat(bytes - 20)}"}`].map((text) =>
  Buffer.from(text),
);

let [sent, taken] = [0, 0];
const send = (headers, body) =>
  new Promise((resolve) => {
    const sending = request(
      { port, host: '127.0.0.1', path: '/api/waters', method: 'POST', headers: { ...headers, 'content-type': 'application/json', 'content-length': body.length } },
      (res) => {
        // Read to its end, 400 or not: these were taken in and looked at.
        if (res.statusCode === 400 || res.statusCode < 300) taken++;
        res.resume();
        res.on('close', resolve);
      },
    );
    sending.on('error', resolve);
    sending.end(body);
  });

process.stdout.write('begun\n');
process.on('SIGTERM', () => {
  process.stdout.write(`${sent} sent, ${taken} taken\n`, () => process.exit(0));
});
await Promise.all(
  strangers.map(async (headers, i) => {
    for (let k = i; ; k++) {
      sent++;
      await send(headers, worst[k % worst.length]);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }),
);
