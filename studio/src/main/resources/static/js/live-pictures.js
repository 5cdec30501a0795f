// Scope, spectrum and live figures beside the bench.
import * as player from './player.js';
import {colour, curve, fit, label} from './canvas.js';

const wave = new Float32Array(4096);
const bins = new Float32Array(2048);
const SCOPE_SAMPLES = 1200;

/** Draws what sounds now. @param {{peak: number, voices: number, limited: number}} meters */
export function drawLive(meters) {
  const analyser = player.tap();
  const scope = document.getElementById('scope');
  if (!analyser || !scope) {
    return;
  }
  analyser.getFloatTimeDomainData(wave);
  analyser.getFloatFrequencyData(bins);
  drawScope(scope);
  drawSpectrum(document.getElementById('spectrum'));
  document.getElementById('live-voices').textContent = meters.voices;
  document.getElementById('live-peak').textContent = meters.peak > 1e-5 ? `${(20 * Math.log10(meters.peak)).toFixed(1)} dB`.replace('-', '−') : '−∞ dB';
  document.getElementById('live-limited').textContent = meters.limited > 0 ? 'yes, too loud' : 'no';
}

function drawScope(canvas) {
  const space = fit(canvas);
  if (!space) {
    return;
  }
  const {g, w, h} = space;
  g.fillStyle = colour('--rule');
  g.fillRect(0, h / 2, w, 1);
  // Locked to the steepest upward crossing, so that the picture stands still.
  let start = 0;
  let steepest = 0;
  for (let i = 1; i < wave.length - SCOPE_SAMPLES; i++) {
    if (wave[i - 1] < 0 && wave[i] >= 0 && wave[i] - wave[i - 1] > steepest) {
      steepest = wave[i] - wave[i - 1];
      start = i;
    }
  }
  const shown = wave.subarray(start, start + SCOPE_SAMPLES);
  let peak = 0.05;
  shown.forEach(v => { peak = Math.max(peak, Math.abs(v)); });
  curve(g, shown, 0, w, v => h / 2 - v / peak * (h / 2 - 4), colour('--tide'), 1.3);
  label(g, '25 ms', w - 3, h - 3, colour('--soft'), 'right', 9);
}

function drawSpectrum(canvas) {
  const space = fit(canvas);
  if (!space) {
    return;
  }
  const {g, w, h} = space;
  for (const hz of [100, 1000, 10000]) {
    const x = Math.log(hz / 20) / Math.log(1000) * w;
    g.fillStyle = colour('--rule');
    g.fillRect(x, 0, 1, h);
    label(g, hz < 1000 ? '100' : `${hz / 1000}k`, x + 2, h - 2, colour('--soft'), 'left', 9);
  }
  const values = new Float64Array(Math.round(w));
  for (let x = 0; x < values.length; x++) {
    const from = 20 * Math.pow(1000, x / w) / 24000 * bins.length;
    const to = Math.max(from + 1, 20 * Math.pow(1000, (x + 1) / w) / 24000 * bins.length);
    let loudest = -120;
    for (let k = Math.floor(from); k < Math.min(bins.length, to); k++) {
      loudest = Math.max(loudest, bins[k]);
    }
    values[x] = loudest;
  }
  curve(g, values, 0, w, db => h - 2 - Math.max(0, (db + 110) / 100) * (h - 4), colour('--ember'), 1.2);
}
