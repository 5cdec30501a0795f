// From the press of a key to the first sample above -120 dBFS, inside the engine's audio thread (200 presses), and underruns of 16 held voices of
// the hall mark over a minute, in headless Chromium. Needs a running application, chromium, chromedriver and the classes of the benchmarks
// (bench/run.sh). Usage: node bench/latency.mjs [address of a patch]
import {execFileSync} from 'node:child_process';
import {onPage} from './chromium.mjs';

const press = `
  const done = arguments[arguments.length - 1];
  (async () => {
    const js = document.querySelector('script[type=module]').src.replace('app.js', '');
    const player = await import(js + 'player/player.js');
    await player.wake();
    const found = [];
    player.on('timed', seconds => found.push(seconds * 1000));
    const rest = ms => new Promise(r => setTimeout(r, ms));
    for (let i = 0; i < 400 && found.length < 200; i++) {
      player.noteOn(60, 100);
      await rest(30 + i % 13);
      player.noteOff(60);
      await rest(140 + i % 17);
    }
    found.sort((a, b) => a - b);
    done([found.length, found[Math.floor(found.length / 2)], found[found.length - 1]]);
  })().catch(e => done('failed: ' + e));`;

const hold = `
  const [image, buffer, done] = arguments;
  (async () => {
    const js = document.querySelector('script[type=module]').src.replace('app.js', '');
    const player = await import(js + 'player/player.js');
    const {LivePatch} = await import(new URL('../engine/engine.js', js).href);
    const count = LivePatch.parameterCount();
    const values = Object.fromEntries(image.slice(0, count).map((v, i) => [LivePatch.idOf(i), v]));
    await player.setBuffer(buffer);
    player.load({id: -1, name: 'hall mark', values, tail: image.slice(count), phrase: {tempo: 100, beats: 4, notes: []}, macros: [], zones: [], matchedDb: 0, recordings: []}, false);
    await new Promise(r => setTimeout(r, 500));
    for (let v = 0; v < 16; v++) player.noteOn(36 + 3 * v, 100);
    await new Promise(r => setTimeout(r, 3000));
    const read = () => { const s = player.playbackStats(); return s ? [s.underrunEvents, s.underrunDuration, s.totalDuration] : null; };
    const before = read();
    let voices = 0;
    player.on('meters', m => { voices = Math.max(voices, m.voices); });
    await new Promise(r => setTimeout(r, 60000));
    const after = read();
    player.panic();
    done([voices, before && after.map((v, i) => v - before[i]), localStorage.getItem('comet-buffer')]);
  })().catch(e => done('failed: ' + e));`;

if (process.argv[3] !== 'hold') await onPage(process.argv[2] ?? 'http://127.0.0.1:8080/patches/1', async run => {
  console.log('presses, median ms, worst ms:', await run(press));
});
await onPage(new URL('/', process.argv[2] ?? 'http://127.0.0.1:8080').href, async run => {
  const image = JSON.parse(execFileSync('java', ['-cp', 'bench/target/classes:bench/target/lib/*', 'gentlecomet.bench.PrintImage', 'hall-mark']));
  for (const buffer of ['short', 'safe']) {
    console.log(`16 voices for 60 s, begun with the ${buffer} buffer: voices, [underruns, their seconds, seconds played] of the last output, buffer at the end:`,
        await run(hold, image, buffer));
  }
});
