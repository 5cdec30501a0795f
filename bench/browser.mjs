// Real-time factors (the fastest of 15 seconds of sound) of the compiled engine in headless Chromium, on the page's main thread. Needs a running application
// (./comet start), chromium and chromedriver, and the classes of the benchmarks (bench/run.sh). Usage: node bench/browser.mjs [address]
import {execFileSync, spawn} from 'node:child_process';

const address = process.argv[2] ?? 'http://127.0.0.1:8080';
const port = 9515;
const driver = spawn('chromedriver', [`--port=${port}`], {stdio: 'ignore'});
const call = async (method, path, body) => {
  const response = await fetch(`http://127.0.0.1:${port}${path}`, {method, body: body && JSON.stringify(body)});
  const {value} = await response.json();
  if (value?.error) {
    throw new Error(value.message);
  }
  return value;
};

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

try {
  for (let i = 0; i < 50; i++) {
    if (await fetch(`http://127.0.0.1:${port}/status`).then(r => r.ok, () => false)) {
      break;
    }
    await new Promise(resolve => setTimeout(resolve, 100));
  }
  const {sessionId} = await call('POST', '/session', {capabilities: {alwaysMatch: {browserName: 'chrome',
    'goog:chromeOptions': {binary: '/usr/bin/chromium', args: ['--headless=new', '--no-sandbox', '--disable-gpu', '--no-first-run',
      '--disable-quic', '--disable-background-networking', '--disable-component-update', '--disable-sync']}}}});
  const at = `/session/${sessionId}`;
  await call('POST', `${at}/timeouts`, {script: 120000});
  await call('POST', `${at}/url`, {url: address});
  for (const [name, patch, counts] of [['hall mark', 'hall-mark', [1, 8]], ['one saw', 'one-saw', [1]]]) {
    const image = JSON.parse(execFileSync('java', ['-cp', 'bench/target/classes:bench/target/lib/*', 'gentlecomet.bench.PrintImage', patch]));
    for (const voices of counts) {
      const factor = await call('POST', `${at}/execute/async`, {script, args: [image, voices]});
      console.log(`${name}, ${voices} voice(s): ${typeof factor === 'number' ? factor.toFixed(1) : factor} x real time`);
    }
  }
  await call('DELETE', at);
} finally {
  driver.kill();
}
