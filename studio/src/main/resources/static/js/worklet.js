// The audio thread: plays the engine, and the notes of a phrase on time.
import * as engine from '../engine/engine.js';

const BLOCK = 128;
const REPORT_SECONDS = 1 / 30;

class CometProcessor extends AudioWorkletProcessor {
  constructor() {
    super();
    this.handle = engine.create(sampleRate);
    this.events = [];
    this.nextEvent = 0;
    this.phraseFrame = 0;
    this.playing = false;
    this.watched = [];
    this.slots = [];
    this.peak = 0;
    this.sinceReport = 0;
    this.port.onmessage = message => this.take(message.data);
  }

  take(m) {
    const h = this.handle;
    switch (m.do) {
      case 'load': this.stopPhrase(); engine.load(h, m.image); engine.setGain(h, m.gain); break;
      case 'change': engine.change(h, m.image); break;
      case 'set': engine.setParameter(h, m.index, m.value); break;
      case 'gain': engine.setGain(h, m.gain); break;
      case 'on': engine.noteOn(h, m.key, m.velocity); break;
      case 'off': engine.noteOff(h, m.key, m.velocity ?? 64); break;
      case 'panic': this.stopPhrase(); engine.panic(h); break;
      case 'pedal': engine.pedal(h, m.down); break;
      case 'wheel': engine.modWheel(h, m.value); break;
      case 'touch': engine.aftertouch(h, m.value); break;
      case 'keyTouch': engine.keyAftertouch(h, m.key, m.value); break;
      case 'breath': engine.breath(h, m.value); break;
      case 'expression': engine.expression(h, m.value); break;
      case 'provide': engine.provide(h, m.key, m.left, m.right, m.rate); break;
      case 'bend': engine.bend(h, m.value); break;
      case 'watch': this.watched = m.indexes; this.slots = m.slots; break;
      case 'phrase': this.startPhrase(m.notes, m.tempo); break;
      case 'stop': this.stopPhrase(); break;
    }
  }

  /** Notes are key, velocity, start and length in beats. */
  startPhrase(notes, tempo) {
    this.stopPhrase();
    const frames = beats => Math.round(beats * 60 / tempo * sampleRate);
    this.events = notes.flatMap(([key, velocity, start, length]) =>
      [[frames(start), key, velocity], [frames(start + length), key, 0]]);
    this.events.sort((a, b) => a[0] - b[0] || a[2] - b[2]);
    this.nextEvent = 0;
    this.phraseFrame = 0;
    this.playing = true;
  }

  stopPhrase() {
    if (this.playing) {
      this.playing = false;
      for (const [, key, velocity] of this.events) {
        if (velocity === 0) {
          engine.noteOff(this.handle, key, 64);
        }
      }
      this.port.postMessage({ended: true});
    }
  }

  process(inputs, outputs) {
    const [left, right] = outputs[0];
    let done = 0;
    while (done < BLOCK) {
      let frames = BLOCK - done;
      if (this.playing) {
        while (this.nextEvent < this.events.length && this.events[this.nextEvent][0] <= this.phraseFrame) {
          const [, key, velocity] = this.events[this.nextEvent++];
          engine.noteOn(this.handle, key, velocity);
        }
        if (this.nextEvent >= this.events.length) {
          this.playing = false;
          this.port.postMessage({ended: true});
        } else {
          frames = Math.min(frames, this.events[this.nextEvent][0] - this.phraseFrame);
        }
      }
      engine.render(this.handle, left, right, done, frames);
      done += frames;
      this.phraseFrame += frames;
    }
    for (let i = 0; i < BLOCK; i++) {
      const v = Math.max(Math.abs(left[i]), Math.abs(right[i]));
      if (v > this.peak) {
        this.peak = v;
      }
    }
    this.sinceReport += BLOCK / sampleRate;
    if (this.sinceReport >= REPORT_SECONDS) {
      this.report();
    }
    return true;
  }

  report() {
    const h = this.handle;
    const values = this.watched.map(index => engine.soundingValue(h, index));
    const slots = this.slots.map(([layer, slot]) => [engine.peakBefore(h, layer, slot), engine.peakAfter(h, layer, slot), engine.reduction(h, layer, slot)]);
    this.port.postMessage({slots, peak: this.peak, voices: engine.voices(h), layers: engine.layers(h), faults: engine.faults(h),
      limited: engine.limited(h), values});
    this.peak = 0;
    this.sinceReport = 0;
  }
}

registerProcessor('comet', CometProcessor);
