// What single parts of the engine cost, in nanoseconds for a stereo sample at 48 kHz, on the JVM and in headless Chromium (the page's main thread),
// each in its fastest second, as rows for docs/quality.md: the sine alone, and what every other part adds to it. Needs a running application
// (./comet start), chromium and chromedriver, and the classes of the benchmarks (bench/run.sh). Usage: node bench/parts.mjs [address]
import {execFileSync} from 'node:child_process';
import {onPage} from './chromium.mjs';

const ROUNDS = 12;
const script = `
  const [image, done] = arguments;
  (async () => {
    const engine = await import('/engine/engine.js');
    window.handle ??= engine.create(48000);
    engine.load(window.handle, Float64Array.from(image));
    engine.noteOn(window.handle, 57, 100);
    const left = new Float32Array(128), right = new Float32Array(128);
    const second = () => { for (let i = 0; i < 375; i++) engine.render(window.handle, left, right, 0, 128); };
    let fastest = Infinity;
    for (let i = 0; i < 10; i++) { const t = performance.now(); second(); fastest = Math.min(fastest, performance.now() - t); }
    done(fastest * 1e6 / 48000);
  })().catch(e => done('failed: ' + e));`;

const parts = JSON.parse(execFileSync('java', ['-XX:MaxVectorSize=16', '-cp', 'bench/target/classes:bench/target/lib/*', 'gentlecomet.bench.Parts'], {maxBuffer: 1 << 26}));
await onPage(process.argv[2] ?? 'http://127.0.0.1:8080', async run => {
  // Round after round, so that a minute in which others take the processor does not fall on some parts alone.
  for (let round = 0; round < ROUNDS; round++) {
    for (const part of parts) {
      part.browser = Math.min(part.browser ?? Infinity, await run(script, part.image));
    }
  }
});
const [alone] = parts;
console.log(`| ${alone.name} alone | ${alone.nanoseconds.toFixed(1)} | ${alone.browser.toFixed(1)} |`);
for (const part of parts.slice(1)) {
  console.log(`| ${part.name} | ${(part.nanoseconds - alone.nanoseconds).toFixed(1)} | ${(part.browser - alone.browser).toFixed(1)} |`);
}
