// The output folded down to one channel, for listening only.

export class MonoFold {
  on = false;
  #gain = null;

  /** Stands between the engine's first output and the loudspeaker. @param {AudioContext} context @param {AudioWorkletNode} node */
  connect(context, node) {
    this.#gain = new GainNode(context);
    node.connect(this.#gain, 0).connect(context.destination);
    this.set(this.on);
  }

  /** @param {boolean} on */
  set(on) {
    this.on = Boolean(on);
    if (this.#gain) {
      this.#gain.channelCountMode = on ? 'explicit' : 'max';
      this.#gain.channelCount = on ? 1 : 2;
    }
  }
}
