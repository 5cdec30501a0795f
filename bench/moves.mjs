// From a move of the hand to the painted picture, in headless Chromium while a phrase sounds: 60 moves along one bar of each stage.
// Needs a running application, chromium and chromedriver. Usage: node bench/moves.mjs [address of a patch]
import {onPage} from './chromium.mjs';

const BARS = [['sources', 'layer1.source1.level'], ['filter', 'layer1.filter1.cutoff'], ['envelopes', 'layer1.amplitude.decay'], ['modulation', 'layer1.lfo1.rate']];

const script = `
  const [stage, id, done] = arguments;
  (async () => {
    if (document.querySelector('#player-phrase').getAttribute('aria-pressed') !== 'true' && !window.begun) {
      window.begun = true;
      document.querySelector('#player-repeat').click();
      document.querySelector('#player-phrase').click();
      await new Promise(r => setTimeout(r, 1500));
    }
    document.querySelector('[data-stage="' + stage + '"]').click();
    const bar = document.getElementById(id);
    bar.scrollIntoView({block: 'center'});
    await new Promise(r => setTimeout(r, 1200));
    const box = bar.querySelector('.bar-track').getBoundingClientRect();
    const at = (type, x) => bar.dispatchEvent(new PointerEvent(type, {pointerId: 1, button: 0, clientX: box.left + x, clientY: box.top, bubbles: true}));
    bar.setPointerCapture = () => {};
    const painted = () => new Promise(resolve => requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = resolve; c.port2.postMessage(0); }));
    at('pointerdown', box.width / 2);
    const times = [];
    for (let i = 0; i < 60; i++) {
      const before = performance.now();
      at('pointermove', box.width / 2 + 20 * Math.sin(i / 4) + 5);
      await painted();
      times.push(performance.now() - before);
      await new Promise(r => setTimeout(r, 7 * (i % 5)));
    }
    at('pointerup', box.width / 2);
    times.sort((a, b) => a - b);
    done([times[30], times[57], times[59]]);
  })().catch(e => done('failed: ' + e));`;

await onPage(process.argv[2] ?? 'http://127.0.0.1:8080/patches/4', async run => {
  for (const [stage, id] of BARS) {
    const found = await run(script, stage, id);
    console.log(`${stage}, ${id}: ${Array.isArray(found) ? found.map(t => t.toFixed(1)).join(', ') + ' ms (median, 95 %, worst)' : found}`);
  }
});
