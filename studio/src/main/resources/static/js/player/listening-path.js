// What lies between the engine and the loudspeaker, for listening only: a fold to one channel, and the small loudspeaker of a telephone or a laptop.

/** The band of a small loudspeaker, in Hz: common practice. */
const SMALL_SPEAKER = [300, 6000];
/** Web Audio tells the Q of these filters in dB; this is Butterworth's 0.7071. */
const BUTTERWORTH_DB = -3.0103;

export class ListeningPath {
  mono = false;
  small = false;
  #context = null;
  #gain = null;
  #filters = [];

  /** Stands between the engine's first output and the loudspeaker. @param {AudioContext} context @param {AudioWorkletNode} node */
  connect(context, node) {
    this.#context = context;
    this.#gain = new GainNode(context);
    const [low, high] = SMALL_SPEAKER;
    this.#filters = [new BiquadFilterNode(context, {type: 'highpass', frequency: low, Q: BUTTERWORTH_DB}), new BiquadFilterNode(context, {type: 'lowpass', frequency: high, Q: BUTTERWORTH_DB})];
    this.#filters[0].connect(this.#filters[1]);
    this.#filters[1].connect(context.destination);
    node.connect(this.#gain, 0);
    this.fold(this.mono);
    this.shrink(this.small);
  }

  /** @param {boolean} on whether the channels are added up */
  fold(on) {
    this.mono = Boolean(on);
    if (this.#gain) {
      this.#gain.channelCountMode = on ? 'explicit' : 'max';
      this.#gain.channelCount = on ? 1 : 2;
    }
  }

  /** @param {boolean} on whether it is heard as from a small loudspeaker */
  shrink(on) {
    this.small = Boolean(on);
    if (this.#gain) {
      this.#gain.disconnect();
      this.#gain.connect(on ? this.#filters[0] : this.#context.destination);
    }
  }
}
