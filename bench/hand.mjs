// The bench under the hand, in headless Chromium: from a choice to its new bars, from a key to a moved bar, the share of the main thread while a phrase goes round with
// the pictures on, and what 400 edits leave behind. Needs a running application, chromium and chromedriver. It edits the patch; the edits can be undone.
// Usage: node bench/hand.mjs [address of a patch]
import {onPage} from './chromium.mjs';

const STAGES = ['sources', 'filter', 'modulation', 'effects', 'performance'];

/** A choice goes one step on or back; answers ms until the frame with the fresh bars has been drawn, as far as the page's own thread draws it. */
const choose = `
  const [id, step, done] = arguments;
  const choice = document.getElementById(id);
  const bench = document.getElementById('bench');
  const began = performance.now();
  const {port1, port2} = new MessageChannel();
  port1.onmessage = () => done(performance.now() - began);
  const come = new MutationObserver(() => {
    come.disconnect();
    requestAnimationFrame(() => port2.postMessage(0));
  });
  come.observe(bench, {attributes: true, attributeFilter: ['data-version']});
  choice.selectedIndex = (choice.selectedIndex + step + choice.options.length) % choice.options.length;
  choice.dispatchEvent(new Event('change', {bubbles: true}));`;

/** An arrow key on a bar; answers ms until its new value is drawn. */
const press = `
  const [id, key, done] = arguments;
  const bar = document.getElementById(id);
  const before = bar.getAttribute('aria-valuetext');
  const began = performance.now();
  const look = () => bar.getAttribute('aria-valuetext') === before ? setTimeout(look, 0) : requestAnimationFrame(() => done(performance.now() - began));
  bar.focus();
  bar.dispatchEvent(new KeyboardEvent('keydown', {key, bubbles: true}));
  look();`;

const open = `arguments[1](document.querySelector('[data-stage=' + arguments[0] + ']').click())`;
const loop = `document.getElementById('player-repeat').click(); document.getElementById('player-phrase').click(); arguments[0]()`;

const rest = ms => new Promise(resolve => setTimeout(resolve, ms));
const told = list => { list.sort((a, b) => a - b); return `median ${list[list.length >> 1].toFixed(0)} ms, nine of ten within ${list[Math.floor(0.9 * list.length)].toFixed(0)} ms`; };

await onPage(process.argv[2] ?? 'http://127.0.0.1:8080/patches/6', async (run, tools) => {
  await tools('Performance.enable');
  const metrics = async () => Object.fromEntries((await tools('Performance.getMetrics')).metrics.map(m => [m.name, m.value]));
  const left = async () => {
    await tools('HeapProfiler.collectGarbage');
    await tools('HeapProfiler.collectGarbage');
    const m = await metrics();
    return `${(m.JSHeapUsedSize / 1e6).toFixed(1)} MB, ${m.Nodes} nodes, ${m.JSEventListeners} listeners`;
  };
  await rest(3000);
  for (const [stage, id] of [['sources', 'layer1.source1.wave'], ['filter', 'layer1.filter1.type']]) {
    await run(open, stage);
    const found = [];
    for (let i = 0; i < 30; i++) {
      found.push(await run(choose, id, i % 2 ? -1 : 1));
      await rest(600);
    }
    console.log(`choice to bars, ${id}: ${told(found.slice(6))}`);
  }
  const keys = [];
  for (let i = 0; i < 40; i++) {
    keys.push(await run(press, 'layer1.filter1.cutoff', i % 2 ? 'ArrowLeft' : 'ArrowRight'));
    await rest(150);
  }
  console.log(`key to a moved bar: ${told(keys.slice(6))}`);
  await run(loop);
  await rest(2000);
  for (const stage of STAGES) {
    await run(open, stage);
    await rest(500);
    const before = await metrics();
    await rest(10000);
    const after = await metrics();
    console.log(`main thread, ${stage}: ${(100 * (after.TaskDuration - before.TaskDuration) / (after.Timestamp - before.Timestamp)).toFixed(0)} %`);
  }
  console.log(`at first: ${await left()}`);
  for (let i = 1; i <= 400; i++) {
    await run(open, i % 2 ? 'sources' : 'filter');
    if (i % 4 === 0) {
      await run(choose, i % 8 ? 'layer1.source1.wave' : 'layer1.filter1.type', Math.floor(i / 8) % 2 ? 1 : -1);
    } else {
      await run(press, i % 2 ? 'layer1.source1.level' : 'layer1.filter1.cutoff', i % 8 < 4 ? 'ArrowLeft' : 'ArrowRight');
    }
    if (i % 100 === 0) {
      console.log(`after ${i} edits: ${await left()}`);
    }
  }
});
