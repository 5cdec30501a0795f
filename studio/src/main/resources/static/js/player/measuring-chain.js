// What hangs on the output to measure it while it plays: both channels, their K-weighted levels, and the last save beside them.
import {LivePictures} from '../../engine/engine.js';

const FRAME = 4096;
const LONG_FRAME = 16384;
const MOMENTARY_SECONDS = 0.4;
/** The two filters of K-weighting at 48 kHz, ITU-R BS.1770-4, tables 1 and 2: feedforward and feedback. */
const SHELF = [[1.53512485958697, -2.69169618940638, 1.19839281085285], [1, -1.69065929318241, 0.73248077421585]];
const HIGH_PASS = [[1, -2, 1], [1, -1.99004745483398, 0.99007225036621]];

/** Measures the output of a node. */
export class MeasuringChain {
  /** @param {AudioContext} context @param {AudioWorkletNode} node its second output is the last save, unheard */
  constructor(context, node) {
    this.rate = context.sampleRate;
    this.sides = pair(context, node, LONG_FRAME);
    const shelf = new IIRFilterNode(context, {feedforward: SHELF[0], feedback: SHELF[1]});
    const highPass = new IIRFilterNode(context, {feedforward: HIGH_PASS[0], feedback: HIGH_PASS[1]});
    node.connect(shelf, 0).connect(highPass);
    this.weighted = pair(context, highPass, 32768);
    this.both = new AnalyserNode(context, {fftSize: FRAME, smoothingTimeConstant: 0.6});
    node.connect(this.both, 0);
    this.saved = new AnalyserNode(context, {fftSize: FRAME, smoothingTimeConstant: 0.6});
    node.connect(this.saved, 1);
    this.longLeft = new Float32Array(LONG_FRAME);
    this.longRight = new Float32Array(LONG_FRAME);
    this.left = this.longLeft.subarray(LONG_FRAME - FRAME);
    this.right = this.longRight.subarray(LONG_FRAME - FRAME);
    this.bins = new Float32Array(FRAME / 2);
    this.savedBins = new Float32Array(FRAME / 2);
    this.long = new Float32Array(32768);
  }

  /** Reads the latest samples and spectra. */
  read() {
    this.sides[0].getFloatTimeDomainData(this.longLeft);
    this.sides[1].getFloatTimeDomainData(this.longRight);
    this.both.getFloatFrequencyData(this.bins);
    this.saved.getFloatFrequencyData(this.savedBins);
  }

  /** Momentary loudness in LUFS: -0.691 + 10 log10 of the summed mean squares of 400 ms (BS.1770-4). */
  momentary() {
    const samples = Math.round(MOMENTARY_SECONDS * this.rate);
    let power = 0;
    for (const side of this.weighted) {
      side.getFloatTimeDomainData(this.long);
      for (let i = this.long.length - samples; i < this.long.length; i++) {
        power += this.long[i] * this.long[i];
      }
    }
    return -0.691 + 10 * Math.log10(power / samples + 1e-12);
  }

  /** Correlation of the sides, and what is lost in mono in dB. @returns {{correlation: number, monoDb: number}|null} null in silence */
  stereo() {
    let [ll, rr, lr] = [0, 0, 0];
    for (let i = 0; i < FRAME; i++) {
      ll += this.left[i] * this.left[i];
      rr += this.right[i] * this.right[i];
      lr += this.left[i] * this.right[i];
    }
    if (ll + rr < 1e-7) {
      return null;
    }
    return {correlation: lr / Math.sqrt(ll * rr + 1e-20), monoDb: 10 * Math.log10(Math.max(1e-6, (ll + rr + 2 * lr) / (2 * (ll + rr))))};
  }

  /** Greatest peak of the last samples, four times as many worked out between them (after BS.1770-4, annex 2). @param {number} samples */
  truePeak(samples) {
    let peak = 0;
    for (const side of [this.left, this.right]) {
      for (let i = FRAME - samples; i < FRAME - HALF; i++) {
        peak = Math.max(peak, Math.abs(side[i]));
        for (const phase of BETWEEN) {
          let v = 0;
          for (let k = -HALF + 1; k <= HALF; k++) {
            v += side[i + k] * phase[k + HALF - 1];
          }
          peak = Math.max(peak, Math.abs(v));
        }
      }
    }
    return peak;
  }

  /** Fundamental of what sounds in Hz, or 0 without a clear pitch. */
  pitch() {
    return LivePictures.tunerHz(this.longLeft, this.longRight, this.rate);
  }
}

const HALF = 6;
const BETWEEN = [0.25, 0.5, 0.75].map(part => Array.from({length: 2 * HALF}, (_, n) => {
  const t = n - HALF + 1 - part;
  const window = 0.5 + 0.5 * Math.cos(Math.PI * t / (HALF + 0.5));
  return t === 0 ? 1 : Math.sin(Math.PI * t) / (Math.PI * t) * window;
}));

function pair(context, node, fftSize) {
  const splitter = new ChannelSplitterNode(context, {numberOfOutputs: 2});
  node.connect(splitter, 0);
  return [0, 1].map(side => {
    const analyser = new AnalyserNode(context, {fftSize});
    splitter.connect(analyser, side);
    return analyser;
  });
}
