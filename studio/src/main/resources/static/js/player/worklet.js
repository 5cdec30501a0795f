// The audio thread: plays the engine, and the notes of a phrase on time.
import * as engine from '../../engine/engine.js';
import {Arpeggio, Loop} from './sequences.js';

const BLOCK = 128;
const REPORT_SECONDS = 1 / 30;
/** What is played, by whatever hands; the last save hears it too. */
const PLAYED = new Set(['midi', 'midiChannels', 'midiGone', 'on', 'off', 'pedal', 'wheel', 'touch', 'keyTouch', 'breath', 'expression', 'bend']);
/** Filters never come to rest at zero; -120 dBFS is. */
const SILENT = 1e-6;
const ENVELOPES = ['amplitudeEnvelope', 'envelope2', 'envelope3', 'envelope4'];
const LFOS = ['lfo1', 'lfo2', 'lfo3', 'lfo4'];
const CURVES = ['curve1', 'curve2'];

class CometProcessor extends AudioWorkletProcessor {
  constructor() {
    super();
    this.handle = engine.create(sampleRate);
    this.events = [];
    this.nextEvent = 0;
    this.phraseFrame = 0;
    this.playing = false;
    this.repeats = false;
    this.phraseLength = 0;
    this.provided = [];
    this.besideLeft = new Float32Array(BLOCK);
    this.besideRight = new Float32Array(BLOCK);
    this.watched = [];
    this.slots = [];
    this.layer = 0;
    /** Engine of the last save, which plays along unheard; -1 while there is none. */
    this.shadow = -1;
    this.shadowOn = false;
    this.backing = -1;
    this.backingOn = false;
    this.arp = null;
    this.peak = 0;
    /** When a key was pressed into silence, in the context's time; null while nothing is to be timed. */
    this.pressedAt = null;
    this.quiet = true;
    this.sinceReport = 0;
    this.port.onmessage = message => this.take(message.data);
  }

  take(m) {
    if (this.shadowOn && PLAYED.has(m.do)) {
      this.play(this.shadow, m);
    }
    if (m.do === 'on' && this.quiet && m.at !== undefined) {
      this.pressedAt = m.at;
    }
    if (PLAYED.has(m.do)) {
      this.play(this.handle, m);
      return;
    }
    const h = this.handle;
    switch (m.do) {
      case 'load': this.stopPhrase(); engine.load(h, m.image); engine.setGain(h, m.gain); break;
      case 'change': engine.change(h, m.image); break;
      case 'set': engine.setParameter(h, m.index, m.value); break;
      case 'gain': engine.setGain(h, m.gain); break;
      case 'panic': this.stopPhrase(); this.both(e => engine.panic(e)); this.arp?.clear(); break;
      case 'provide': this.provided.push(m); this.both(e => engine.provide(e, m.key, m.left, m.right, m.rate)); break;
      case 'watch': this.watched = m.indexes; this.slots = m.slots; this.layer = m.layer; break;
      case 'shadow': this.setShadow(m.image); break;
      case 'arp': this.setArp(m.pattern, m.beats, m.tempo); break;
      case 'backing': this.setBacking(m); break;
      case 'phrase': this.startPhrase(m); break;
      case 'stop': this.stopPhrase(); break;
    }
  }

  /** What is played, by hand or by a phrase, on one engine. */
  play(h, m) {
    switch (m.do) {
      case 'on':
        if (this.arp && h === this.handle) {
          this.arp.down(m.key, m.velocity);
        } else if (!this.arp) {
          engine.noteOn(h, m.key, m.velocity);
        }
        break;
      case 'off':
        if (this.arp && h === this.handle) {
          this.arp.up(m.key);
        } else if (!this.arp) {
          engine.noteOff(h, m.key, m.velocity ?? 64);
        }
        break;
      case 'midi': this.midi(h, m); break;
      case 'midiChannels': engine.midiChannels(h, m.only, m.zone); break;
      case 'midiGone': engine.midiGone(h); break;
      case 'pedal': engine.pedal(h, m.value); break;
      case 'wheel': engine.modWheel(h, m.value); break;
      case 'touch': engine.aftertouch(h, m.value); break;
      case 'keyTouch': engine.keyAftertouch(h, m.key, m.value); break;
      case 'breath': engine.breath(h, m.value); break;
      case 'expression': engine.expression(h, m.value); break;
      case 'bend': engine.bend(h, m.value); break;
    }
  }

  /** Keys of a MIDI input go through the arpeggio while it is on. */
  midi(h, {status, first, second}) {
    const kind = status & 0xF0;
    if (!this.arp || kind !== 0x90 && kind !== 0x80) {
      engine.midi(h, status, first, second);
    } else if (h === this.handle) {
      if (kind === 0x90 && second > 0) {
        this.arp.down(first, second);
      } else {
        this.arp.up(first);
      }
    }
  }

  both(act) {
    act(this.handle);
    if (this.shadow >= 0) {
      act(this.shadow);
    }
  }

  setShadow(image) {
    if (image && this.shadow < 0) {
      this.shadow = engine.create(sampleRate);
      this.provided.forEach(r => engine.provide(this.shadow, r.key, r.left, r.right, r.rate));
    }
    this.shadowOn = image !== null;
    if (image) {
      engine.load(this.shadow, image);
    }
  }

  /** Loops of drums and bass on an engine of their own. */
  setBacking({image, notes, beats, tempo, gain}) {
    this.backingOn = Boolean(notes);
    if (!this.backingOn) {
      if (this.backing >= 0) {
        engine.panic(this.backing);
      }
      return;
    }
    if (this.backing < 0) {
      this.backing = engine.create(sampleRate);
    }
    engine.load(this.backing, image);
    engine.setGain(this.backing, gain);
    this.loop = new Loop(notes, beats, tempo);
  }

  setArp(pattern, beats, tempo) {
    this.both(e => engine.panic(e));
    this.arp = pattern === 'off' ? null : new Arpeggio(pattern, beats * 60 / tempo * sampleRate,
      (key, velocity) => this.both(e => velocity > 0 ? engine.noteOn(e, key, velocity) : engine.noteOff(e, key, 64)));
  }

  /**
   * Notes are key, velocity, start and length in beats, release velocity; moves are a start in beats and a MIDI message; changes of tempo are
   * a start in beats and a ratio. At the same frame keys go up, then hands move, then keys go down, as on the server.
   */
  startPhrase({notes, moves = [], tempoChanges = [], tempo, beats, repeats, tempoIndex, ownTempo}) {
    this.stopPhrase();
    const frames = beats => Math.round(beats * 60 / tempo * sampleRate);
    this.repeats = Boolean(repeats);
    this.phraseLength = frames(beats);
    this.moving = moves.length > 0;
    this.tempoBack = tempoChanges.length > 0 ? e => engine.setParameter(e, tempoIndex, ownTempo) : null;
    this.events = [
      ...notes.flatMap(([key, velocity, start, length, release = 64]) => [
        {frame: frames(start), turn: 2, place: key, act: e => engine.noteOn(e, key, velocity)},
        {frame: frames(start + length), turn: 0, place: key, key, act: e => engine.noteOff(e, key, release)}]),
      ...moves.map(([start, status, first, second], i) => ({frame: frames(start), turn: 1, place: i, act: e => engine.midi(e, status, first, second)})),
      ...tempoChanges.map(([start, ratio]) => ({frame: frames(start), turn: 1, place: -1, act: e => engine.setParameter(e, tempoIndex, tempo * ratio)}))];
    this.events.sort((a, b) => a.frame - b.frame || a.turn - b.turn || a.place - b.place);
    this.nextEvent = 0;
    this.phraseFrame = 0;
    this.playing = true;
  }

  stopPhrase() {
    if (this.playing) {
      this.playing = false;
      for (const {key} of this.events) {
        if (key !== undefined) {
          this.both(e => engine.noteOff(e, key, 64));
        }
      }
      this.phraseEnded();
    }
  }

  /** Wheels and pedals that the phrase has moved go back to rest (MIDI 1.0, Reset All Controllers), and its tempo to the patch's. */
  phraseEnded() {
    if (this.moving) {
      this.both(e => engine.midi(e, 0xB0, 121, 0));
    }
    if (this.tempoBack) {
      this.both(this.tempoBack);
    }
    this.port.postMessage({ended: true, moved: this.moving});
  }

  process(inputs, outputs) {
    const [left, right] = outputs[0];
    let done = 0;
    while (done < BLOCK) {
      let frames = BLOCK - done;
      if (this.playing) {
        while (this.nextEvent < this.events.length && this.events[this.nextEvent].frame <= this.phraseFrame) {
          this.both(this.events[this.nextEvent++].act);
        }
        if (this.nextEvent >= this.events.length) {
          if (this.repeats) {
            this.nextEvent = 0;
            this.phraseFrame -= this.phraseLength;
          } else {
            this.playing = false;
            this.phraseEnded();
          }
        }
        if (this.playing && this.nextEvent < this.events.length) {
          frames = Math.min(frames, this.events[this.nextEvent].frame - this.phraseFrame);
        }
      }
      if (this.arp) {
        frames = Math.min(frames, this.arp.advance(frames));
      }
      engine.render(this.handle, left, right, done, frames);
      if (this.shadowOn) {
        engine.render(this.shadow, outputs[1][0], outputs[1][1], done, frames);
      }
      done += frames;
      this.phraseFrame += frames;
    }
    if (this.backingOn) {
      this.addBacking(left, right);
    }
    this.time(left, right);
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

  /** From the press of a key to the first sample that is not silence. */
  time(left, right) {
    let first = -1;
    for (let i = 0; i < BLOCK && first < 0; i++) {
      first = Math.abs(left[i]) > SILENT || Math.abs(right[i]) > SILENT ? i : -1;
    }
    this.quiet = first < 0;
    if (this.pressedAt !== null && first >= 0) {
      this.port.postMessage({keySeconds: currentTime + first / sampleRate - this.pressedAt});
      this.pressedAt = null;
    }
  }

  /** Where the newest note of the layer on the bench stands, for the dots on its pictures. */
  note() {
    const h = this.handle;
    const seconds = engine.noteSeconds(h, this.layer);
    if (Number.isNaN(seconds)) {
      return null;
    }
    return {seconds, touch: engine.modulation(h, this.layer, 'aftertouch'), envelopes: [0, 1, 2, 3].map(e => [engine.envelopePlace(h, this.layer, e), engine.modulation(h, this.layer, ENVELOPES[e])]),
      lfos: LFOS.map(m => engine.modulation(h, this.layer, m)), curves: CURVES.map(m => engine.modulation(h, this.layer, m))};
  }

  addBacking(left, right) {
    this.loop.advance(BLOCK, (key, velocity) => velocity > 0 ? engine.noteOn(this.backing, key, velocity) : engine.noteOff(this.backing, key, 64));
    engine.render(this.backing, this.besideLeft, this.besideRight, 0, BLOCK);
    for (let i = 0; i < BLOCK; i++) {
      left[i] = Math.max(-1, Math.min(1, left[i] + this.besideLeft[i]));
      right[i] = Math.max(-1, Math.min(1, right[i] + this.besideRight[i]));
    }
  }

  report() {
    const h = this.handle;
    const values = this.watched.map(index => engine.soundingValue(h, index));
    const slots = this.slots.map(([layer, slot]) => [engine.peakBefore(h, layer, slot), engine.peakAfter(h, layer, slot), engine.reduction(h, layer, slot)]);
    const stages = [0, 1, 2, 3, 4, 5].map(stage => engine.stageLevel(h, this.layer, stage));
    this.port.postMessage({slots, stages, peak: this.peak, voices: engine.voices(h), layers: engine.layers(h), faults: engine.faults(h),
      limited: engine.limited(h), values, note: this.note()});
    this.peak = 0;
    this.sinceReport = 0;
  }
}

registerProcessor('comet', CometProcessor);
