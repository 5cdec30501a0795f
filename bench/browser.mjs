// Real-time factors (the fastest of 15 seconds of sound) of the compiled engine in headless Chromium, on the page's main thread. Needs a running application
// (./comet start), chromium and chromedriver, and the classes of the benchmarks (bench/run.sh). Usage: node bench/browser.mjs [address]
import {execFileSync} from 'node:child_process';
import {onPage} from './chromium.mjs';

const script = `
  const [image, voices, done] = arguments;
  (async () => {
    const engine = await import('/engine/engine.js');
    const h = engine.create(48000);
    engine.load(h, Float64Array.from(image));
    for (let v = 0; v < voices; v++) engine.noteOn(h, 45 + 3 * v, 100);
    const left = new Float32Array(128), right = new Float32Array(128);
    const second = () => { for (let i = 0; i < 375; i++) engine.render(h, left, right, 0, 128); };
    for (let i = 0; i < 8; i++) second();
    const times = [];
    for (let i = 0; i < 15; i++) { const t = performance.now(); second(); times.push(performance.now() - t); }
    times.sort((a, b) => a - b);
    done(1000 / times[0]);
  })().catch(e => done('failed: ' + e));`;

await onPage(process.argv[2] ?? 'http://127.0.0.1:8080', async run => {
  for (const [name, patch, counts] of [['hall mark', 'hall-mark', [1, 8]], ['one saw', 'one-saw', [1]]]) {
    const image = JSON.parse(execFileSync('java', ['-cp', 'bench/target/classes:bench/target/lib/*', 'gentlecomet.bench.PrintImage', patch]));
    for (const voices of counts) {
      const factor = await run(script, image, voices);
      console.log(`${name}, ${voices} voice(s): ${typeof factor === 'number' ? factor.toFixed(1) : factor} x real time`);
    }
  }
});
