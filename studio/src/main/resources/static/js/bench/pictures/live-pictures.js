// Scope, spectrum, stereo field and live figures beside the bench.
import * as engine from '../../../engine/engine.js';
import * as player from '../../player/player.js';
import {afterDrawing, colour, curve, fit, label} from '../../lib/canvas.js';
import {keyName} from '../../lib/key-names.js';

const SCOPE_SECONDS = 0.025;
const TUNE_EVERY = 6;

let pitch = 0;
let turn = 0;
let heldPeak = 0;
/** The scope on which silence has been drawn. @type {HTMLElement|null} */
let silentScope = null;
/** Reports of silence, one after the other. */
let silent = 0;
/** The window of the spectrum and the pitch has run empty long before. */
const SILENT_REPORTS = 36;

const show = (id, text) => afterDrawing(() => {
  const box = document.getElementById(id);
  if (box && box.textContent !== String(text)) {
    box.textContent = text;
  }
});
const signed = (v, digits) => `${v < 0 ? '−' : ''}${Math.abs(v).toFixed(digits)}`;

/** Draws what sounds now, until silence has been drawn. @param {{peak: number, voices: number, limited: number, figures: boolean}} meters */
export function drawLive(meters) {
  const chain = player.tap();
  const scope = document.getElementById('scope');
  if (!chain || !scope) {
    return;
  }
  silent = meters.peak > 1e-6 ? 0 : silent + 1;
  if (silent > SILENT_REPORTS && scope === silentScope) {
    return;
  }
  silentScope = silent > SILENT_REPORTS ? scope : null;
  chain.read();
  turn = (turn + 1) % TUNE_EVERY;
  if (turn === 0) {
    pitch = meters.peak > 1e-4 ? chain.pitch() : 0;
    figures(chain, meters);
  }
  drawScope(scope, chain);
  drawSpectrum(document.getElementById('spectrum'), chain);
  drawField(document.getElementById('field'), chain);
  heldPeak = silentScope ? 0 : Math.max(chain.truePeak(1700), heldPeak * 0.981);
  if (meters.figures || silentScope) {
    show('live-voices', meters.voices);
    show('live-peak', heldPeak > 1e-5 ? `${signed(20 * Math.log10(heldPeak), 1)} dBTP` : '−∞ dBTP');
    show('live-limited', meters.limited > 0 ? 'yes, too loud' : 'no');
  }
}

function figures(chain, meters) {
  const loudness = chain.momentary();
  show('live-loudness', loudness > -70 ? `${signed(loudness, 1)} LUFS` : '–');
  const stereo = chain.stereo();
  show('live-correlation', stereo ? signed(stereo.correlation, 2) : '–');
  show('live-mono', stereo ? `${signed(stereo.monoDb, 1)} dB` : '–');
  if (pitch > 0 && meters.peak > 1e-4) {
    const key = 69 + 12 * Math.log2(pitch / 440);
    const nearest = Math.round(key);
    show('live-tuner', `${nearest >= 0 && nearest < 128 ? keyName(nearest) : 'below'} ${key < nearest ? '−' : '+'}${Math.abs(100 * (key - nearest)).toFixed(0)} ct`);
  } else {
    show('live-tuner', '–');
  }
}

/** Two or more whole cycles from an upward crossing, so that the picture stands still. */
function drawScope(canvas, chain) {
  const space = fit(canvas);
  if (!space) {
    return;
  }
  const {g, w, h} = space;
  g.fillStyle = colour('--rule');
  g.fillRect(0, h / 2, w, 1);
  const wave = chain.left.map((v, i) => 0.5 * (v + chain.right[i]));
  const cycle = pitch > 0 ? chain.rate / pitch : 0;
  const cycles = cycle > 0 ? Math.max(2, Math.floor(SCOPE_SECONDS * chain.rate / cycle)) : 0;
  const shown = Math.min(wave.length / 2, Math.round(cycles > 0 ? cycles * cycle : SCOPE_SECONDS * chain.rate));
  let start = 0;
  let steepest = 0;
  for (let i = 1; i < Math.min(wave.length - shown, 2400); i++) {
    if (wave[i - 1] < 0 && wave[i] >= 0 && wave[i] - wave[i - 1] > steepest * 1.02) {
      steepest = wave[i] - wave[i - 1];
      start = i;
    }
  }
  const part = wave.subarray(start, start + shown);
  let peak = 0.02;
  part.forEach(v => { peak = Math.max(peak, Math.abs(v)); });
  curve(g, part, 0, w, v => h / 2 - v / peak * (h / 2 - 4), colour('--tide'), 1.3);
  label(g, cycles > 0 ? `${cycles} cycles of ${pitch.toFixed(1)} Hz` : '25 ms', w - 3, h - 3, colour('--soft'), 'right', 9);
}

function spectrumLine(bins, w, rate) {
  const values = new Float64Array(Math.round(w));
  for (let x = 0; x < values.length; x++) {
    const from = 20 * Math.pow(1000, x / w) / (rate / 2) * bins.length;
    const to = Math.max(from + 1, 20 * Math.pow(1000, (x + 1) / w) / (rate / 2) * bins.length);
    let loudest = -120;
    for (let k = Math.floor(from); k < Math.min(bins.length, to); k++) {
      loudest = Math.max(loudest, bins[k]);
    }
    values[x] = loudest;
  }
  return values;
}

function drawSpectrum(canvas, chain) {
  const space = fit(canvas);
  if (!space) {
    return;
  }
  const {g, w, h} = space;
  const x = hz => Math.log(hz / 20) / Math.log(1000) * w;
  for (const hz of [100, 1000, 10000]) {
    g.fillStyle = colour('--rule');
    g.fillRect(x(hz), 0, 1, h);
    label(g, hz < 1000 ? '100' : `${hz / 1000}k`, x(hz) + 2, h - 2, colour('--soft'), 'left', 9);
  }
  if (pitch > 0) {
    g.fillStyle = colour('--plum');
    for (let n = 1; n <= 16 && n * pitch < 20000; n++) {
      g.fillRect(x(n * pitch), 0, 1, n === 1 ? 10 : 5);
    }
  }
  const y = db => h - 2 - Math.max(0, (db + 110) / 100) * (h - 4);
  if (player.shadowed()) {
    curve(g, spectrumLine(chain.savedBins, w, chain.rate), 0, w, y, colour('--soft'), 1);
    label(g, 'grey: last save', w - 3, 10, colour('--soft'), 'right', 9);
  }
  curve(g, spectrumLine(chain.bins, w, chain.rate), 0, w, y, colour('--ember'), 1.2);
}

/** Middle upward, sides across. */
function drawField(canvas, chain) {
  const space = fit(canvas);
  if (!space) {
    return;
  }
  const {g, w, h} = space;
  g.fillStyle = colour('--rule');
  g.fillRect(w / 2, 0, 1, h);
  g.fillRect(0, h / 2, w, 1);
  let peak = 0.02;
  for (let i = 0; i < chain.left.length; i++) {
    peak = Math.max(peak, Math.abs(chain.left[i]), Math.abs(chain.right[i]));
  }
  g.fillStyle = colour('--tide');
  for (let i = 0; i < chain.left.length; i += 6) {
    const middle = 0.5 * (chain.left[i] + chain.right[i]) / peak;
    const side = 0.5 * (chain.right[i] - chain.left[i]) / peak;
    g.fillRect(w / 2 + side * w / 2, h / 2 - middle * h / 2, 1.2, 1.2);
  }
  label(g, 'L', 2, 10, colour('--soft'), 'left', 9);
  label(g, 'R', w - 2, 10, colour('--soft'), 'right', 9);
}

