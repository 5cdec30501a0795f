// A clip as a picture: both channels over time, or, where a click is told, the level of everything and of what lies above 6 kHz, with the click marked.
import {colour, fit, keepDrawn, useFont} from '../lib/canvas.js';
import {ask, say} from '../page/requests.js';

const RATE = 48000;
/** Above which clicks are looked for, as the soundcheck does. */
const HIGH_HZ = 6000;
/** How far from the moment that the finding tells the click may be. */
const NEAR_S = 0.1;
const FLOOR_DB = -96;
const LEFT = 34;
const FOOT = 16;
const HEAD = 12;
/** Nobody waits for the picture of a finding that is only passed by. */
const PASSING_MS = 250;

const decibels = value => value > 0 ? Math.max(FLOOR_DB, 20 * Math.log10(value)) : FLOOR_DB;
const told = value => value.toFixed(1).replace('-', '−');

/** Draws the pictures of clips that stand in a finding. @param {HTMLElement} box */
export function drawClips(box) {
  box.querySelectorAll('[data-clip-picture]').forEach(canvas => setTimeout(() => canvas.isConnected && draw(canvas).catch(refusal => say(refusal.message, {key: 'check'})), PASSING_MS));
}

async function draw(canvas) {
  const bytes = await (await ask(canvas.dataset.clipPicture)).arrayBuffer();
  const clip = await new OfflineAudioContext(2, 1, RATE).decodeAudioData(bytes);
  const clicks = Boolean(canvas.dataset.at);
  const high = clicks ? await above(clip) : null;
  const near = parseFloat(canvas.dataset.at);
  const click = clicks ? loudest(high, Math.round((near - NEAR_S) * RATE), Math.round((near + NEAR_S) * RATE)) : null;
  const at = clicks ? click.at / RATE : 0;
  if (!canvas.isConnected) {
    return;
  }
  const show = clicks ? () => levels(canvas, clip, high, at) : () => waves(canvas, clip);
  canvas.setAttribute('aria-label', clicks ? `Level of the clip over ${clip.duration.toFixed(1)} s; the click, above 6 kHz, reaches ${told(decibels(click.most))} dBFS at ${at.toFixed(3)} s`
    : `The clip, ${clip.duration.toFixed(1)} s; its greatest sample is ${told(decibels(peakOf(clip)))} dBFS`);
  keepDrawn(canvas, show);
  show();
}

/** What of a clip lies above {@link HIGH_HZ}. */
function above(clip) {
  const context = new OfflineAudioContext(clip.numberOfChannels, clip.length, RATE);
  const source = new AudioBufferSourceNode(context, {buffer: clip});
  let last = source;
  for (const Q of [-5.3, 2.3]) {
    // Two stages that are a Butterworth of the fourth order together; their quality in dB.
    last = last.connect(new BiquadFilterNode(context, {type: 'highpass', frequency: HIGH_HZ, Q}));
  }
  last.connect(context.destination);
  source.start();
  return context.startRendering();
}

const channels = clip => Array.from({length: clip.numberOfChannels}, (_, c) => clip.getChannelData(c));
const peakOf = clip => greatest(clip, 0, clip.length);

/** The greatest sample of a stretch, and where it stands. @returns {{most: number, at: number}} */
function loudest(clip, from, to) {
  const found = {most: 0, at: from};
  for (const samples of channels(clip)) {
    for (let i = Math.max(0, from); i < Math.min(samples.length, to); i++) {
      if (Math.abs(samples[i]) > found.most) {
        found.most = Math.abs(samples[i]);
        found.at = i;
      }
    }
  }
  return found;
}

const greatest = (clip, from, to) => loudest(clip, from, to).most;

function seconds(g, clip, w, h) {
  g.fillStyle = colour('--soft');
  useFont(g, 10);
  g.textAlign = 'center';
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10].find(s => clip.duration / s <= 8) ?? 10;
  for (let s = 0; s <= clip.duration; s += step) {
    const x = LEFT + s / clip.duration * (w - LEFT - 8);
    g.fillRect(x, h - FOOT, 1, 3);
    if (x < w - 18) {
      g.fillText(`${Number(s.toFixed(1))}`, x, h - 3);
    }
  }
  g.textAlign = 'right';
  g.fillText('s', w - 1, h - 3);
}

/** Left above, right below, as large as fits. */
function waves(canvas, clip) {
  const box = fit(canvas);
  if (!box) {
    return;
  }
  const {g, w, h} = box;
  const peak = Math.max(1e-4, peakOf(clip));
  const all = channels(clip);
  const each = (h - FOOT - HEAD) / all.length;
  const wide = w - LEFT - 8;
  all.forEach((samples, c) => {
    const middle = HEAD + each * (c + 0.5);
    const scale = each / 2 * 0.92 / peak;
    g.fillStyle = colour('--tide');
    for (let x = 0; x < wide; x++) {
      let low = 1;
      let top = -1;
      for (let i = Math.floor(x / wide * samples.length); i < Math.floor((x + 1) / wide * samples.length); i++) {
        low = Math.min(low, samples[i]);
        top = Math.max(top, samples[i]);
      }
      if (top >= low) {
        g.fillRect(LEFT + x, middle - top * scale, 1, Math.max(1, (top - low) * scale));
      }
    }
    if (peak > 0.9) {
      // Full scale, where the clip comes near it.
      g.strokeStyle = colour('--rose');
      g.setLineDash([5, 4]);
      g.beginPath();
      for (const side of [-1, 1]) {
        g.moveTo(LEFT, middle - side * scale);
        g.lineTo(w - 8, middle - side * scale);
      }
      g.stroke();
      g.setLineDash([]);
    }
    g.fillStyle = colour('--soft');
    useFont(g, 10);
    g.textAlign = 'right';
    g.fillText(all.length === 1 ? 'sum' : 'LR'[c], LEFT - 6, middle + 4);
  });
  g.fillStyle = colour('--soft');
  g.textAlign = 'right';
  g.fillText(`peak ${told(decibels(peak))} dBFS`, w - 8, 10);
  seconds(g, clip, w, h);
}

/** Greatest sample of each column in dBFS: of everything, and of what lies above 6 kHz; a line where the click is. */
function levels(canvas, clip, high, at) {
  const box = fit(canvas);
  if (!box) {
    return;
  }
  const {g, w, h} = box;
  const wide = w - LEFT - 8;
  const y = db => HEAD + (h - FOOT - HEAD) * db / FLOOR_DB;
  g.fillStyle = colour('--soft');
  useFont(g, 10);
  g.textAlign = 'right';
  for (const db of [0, -24, -48, -72]) {
    g.fillText(told(db).replace('.0', ''), LEFT - 6, y(db) + 4);
    g.fillRect(LEFT - 3, y(db), 3, 1);
  }
  const x = LEFT + at / clip.duration * wide;
  g.fillStyle = colour('--ember');
  g.fillRect(x - 0.5, HEAD, 1, h - FOOT - HEAD);
  for (const [part, stroke] of [[clip, '--tide'], [high, '--ember']]) {
    g.strokeStyle = colour(stroke);
    g.lineWidth = 1.5;
    g.beginPath();
    for (let p = 0; p < wide; p++) {
      g.lineTo(LEFT + p, y(decibels(greatest(part, Math.floor(p / wide * clip.length), Math.floor((p + 1) / wide * clip.length)))));
    }
    g.stroke();
  }
  g.fillStyle = colour('--soft');
  g.fillText('dBFS, all and above 6 kHz', w - 8, 10);
  seconds(g, clip, w, h);
}
