// The audio thread of the player. "engine" stands before it, in the same text.
class Player extends AudioWorkletProcessor {
  constructor() {
    super();
    this.engine = engine.create(sampleRate);
    this.events = [];
    this.next = 0;
    this.frame = 0;
    this.playing = false;
    this.peak = 0;
    this.blocks = 0;
    this.port.onmessage = ({data}) => this.take(data);
  }

  take(m) {
    const e = this.engine;
    switch (m.do) {
      case 'provide': engine.provide(e, m.key, m.left, m.right, m.rate); break;
      case 'load': this.stop(); engine.load(e, m.image); engine.setGain(e, 1); break;
      case 'program': engine.load(e, m.image); break;
      case 'set': engine.setParameter(e, m.index, m.value); break;
      case 'midi': engine.midi(e, m.status, m.first, m.second); break;
      case 'off': this.stop(); engine.panic(e); break;
      case 'stop': this.stop(); break;
      case 'play': this.start(m); break;
    }
  }

  /** @param {number[][]} messages seconds and a MIDI message of three bytes, or 0, a parameter and its value; at the same time as they come */
  start({messages, seconds, repeats}) {
    this.stop();
    this.events = messages.map(([at, ...bytes]) => ({frame: Math.round(at * sampleRate), bytes}));
    this.length = Math.round(seconds * sampleRate);
    this.repeats = repeats;
    this.next = 0;
    this.frame = 0;
    this.playing = this.events.length > 0;
  }

  stop() {
    if (this.playing) {
      this.playing = false;
      engine.midi(this.engine, 0xB0, 123, 0);
      engine.midi(this.engine, 0xB0, 121, 0);
      this.port.postMessage({ended: true});
    }
  }

  process(inputs, [[left, right]]) {
    let done = 0;
    while (done < left.length) {
      let frames = left.length - done;
      if (this.playing) {
        while (this.next < this.events.length && this.events[this.next].frame <= this.frame) {
          const [status, first, second] = this.events[this.next++].bytes;
          if (status === 0) {
            engine.setParameter(this.engine, first, second);
          } else if ((status & 0xF0) === 0xC0 || (status & 0xF0) === 0xB0 && (first === 0 || first === 32)) {
            this.port.postMessage({program: [status, first, second ?? 0]});
          } else {
            engine.midi(this.engine, status, first, second ?? 0);
          }
        }
        if (this.next < this.events.length) {
          frames = Math.min(frames, this.events[this.next].frame - this.frame);
        } else if (this.frame >= this.length) {
          if (this.repeats) {
            this.next = 0;
            this.frame -= this.length;
          } else {
            this.stop();
          }
        }
      }
      engine.render(this.engine, left, right, done, frames);
      done += frames;
      this.frame += frames;
    }
    for (let i = 0; i < left.length; i++) {
      this.peak = Math.max(this.peak, Math.abs(left[i]), Math.abs(right[i]));
    }
    if (++this.blocks % 12 === 0) {
      this.port.postMessage({peak: this.peak});
      this.peak = 0;
    }
    return true;
  }
}

registerProcessor('player', Player);
