// The audio thread: plays the engine, and the notes of a phrase on time.
import * as engine from '../../engine/engine.js';
import {BLOCK, Beside, Rival} from './beside.js';
import {Arpeggio} from './sequences.js';

const REPORT_SECONDS = 1 / 24;
/** What is played, by whatever hands; the last save hears it too. */
const PLAYED = new Set(['midi', 'midiChannels', 'midiGone', 'on', 'off', 'pedal', 'wheel', 'touch', 'keyTouch', 'breath', 'expression', 'bend']);
/** What a ride moves beside macros, by the name of its hand. */
const HANDS = {wheel: (e, v) => engine.modWheel(e, v / 100), pressure: (e, v) => engine.aftertouch(e, v / 100), bend: (e, v) => engine.bend(e, v / 100)};
const RIDE_SECONDS = 0.01;
/** Filters never come to rest at zero; -120 dBFS is. */
const SILENT = 1e-6;
const ENVELOPES = ['amplitudeEnvelope', 'envelope2', 'envelope3', 'envelope4'];
const LFOS = ['lfo1', 'lfo2', 'lfo3', 'lfo4'];
const CURVES = ['curve1', 'curve2'];

/** Where a ride stands at a beat. @param {number[]} points beats and values in turn */
function placeAt(points, beat) {
  for (let i = 0; i < points.length; i += 2) {
    if (points[i] > beat) {
      return i === 0 ? points[1] : points[i - 1] + (points[i + 1] - points[i - 1]) * (beat - points[i - 2]) / (points[i] - points[i - 2]);
    }
  }
  return points.at(-1);
}

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
    this.watched = [];
    this.slots = [];
    this.layer = 0;
    /** Engine of the last save, which plays along unheard; -1 while there is none. */
    this.shadow = -1;
    this.shadowOn = false;
    this.backing = new Beside();
    this.arp = null;
    this.company = new Beside();
    this.rival = new Rival();
    /** Hands that somebody has taken over from the ride. */
    this.taken = new Set();
    this.macrosBack = [];
    this.framesPerBeat = 0;
    this.peak = 0;
    /** When a key was pressed into silence, in the context's time; null while nothing is to be timed. */
    this.pressedAt = null;
    this.quiet = true;
    this.sinceReport = 0;
    this.port.onmessage = message => this.take(message.data);
  }

  take(m) {
    if (PLAYED.has(m.do)) {
      this.along().forEach(e => this.play(e, m));
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
      case 'panic': this.stopPhrase(); this.engines().forEach(e => engine.panic(e)); this.arp?.clear(); break;
      case 'provide': this.provided.push(m); this.engines().forEach(e => engine.provide(e, m.key, m.left, m.right, m.rate)); break;
      case 'watch': this.watched = m.indexes; this.slots = m.slots; this.layer = m.layer; break;
      case 'shadow': this.setShadow(m.image); break;
      case 'arp': this.setArp(m.pattern, m.beats, m.tempo); break;
      case 'backing': this.backing.set(m, []); break;
      case 'phrase': this.startPhrase(m); break;
      case 'stop': this.stopPhrase(); break;
      case 'takeOver': this.taken.add(m.hand); break;
      case 'rival': this.rival.set(m, this.provided); break;
      case 'switch': this.rival.switch(m); break;
      case 'company': this.company.set(m, this.provided); break;
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

  /** The patch and who plays along with it. */
  all(act) {
    act(this.handle);
    if (this.shadow >= 0) {
      act(this.shadow);
    }
    if (this.rival.handle >= 0) {
      act(this.rival.handle);
    }
  }

  /** Who plays along now. */
  along() {
    return [...(this.shadowOn ? [this.shadow] : []), ...(this.rival.on ? [this.rival.handle] : [])];
  }

  /** Whoever plays recordings. */
  engines() {
    return [this.handle, this.shadow, this.rival.handle, this.company.handle].filter(e => e >= 0);
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

  setArp(pattern, beats, tempo) {
    this.all(e => engine.panic(e));
    this.arp = pattern === 'off' ? null : new Arpeggio(pattern, beats * 60 / tempo * sampleRate,
      (key, velocity) => this.all(e => velocity > 0 ? engine.noteOn(e, key, velocity) : engine.noteOff(e, key, 64)));
  }

  /**
   * Notes are key, velocity, start and length in beats, release velocity; moves are a start in beats and a MIDI message; changes of tempo are
   * a start in beats and a ratio. At the same frame keys go up, then hands move, then keys go down, as on the server.
   */
  startPhrase({at, from = 0, notes, moves = [], tempoChanges = [], rides = [], tempo, beats, repeats, tempoIndex, ownTempo}) {
    this.stopPhrase();
    this.pressedAt = at ?? null;
    const frames = beats => Math.round(beats * 60 / tempo * sampleRate);
    this.repeats = Boolean(repeats);
    this.phraseLength = frames(beats);
    this.framesPerBeat = 60 / tempo * sampleRate;
    this.taken.clear();
    this.moving = moves.length > 0 || rides.some(r => r.hand in HANDS);
    this.macrosBack = rides.filter(r => r.index >= 0).map(r => e => engine.setParameter(e, r.index, r.own));
    this.tempoBack = tempoChanges.length > 0 ? e => engine.setParameter(e, tempoIndex, ownTempo) : null;
    this.events = [
      ...notes.flatMap(([key, velocity, start, length, release = 64]) => [
        {frame: frames(start), turn: 2, place: key, act: e => engine.noteOn(e, key, velocity)},
        {frame: frames(start + length), turn: 0, place: key, key, act: e => engine.noteOff(e, key, release)}]),
      ...moves.map(([start, status, first, second], i) => ({frame: frames(start), turn: 1, place: i, act: e => engine.midi(e, status, first, second)})),
      ...rides.flatMap(ride => this.rideEvents(ride, beats)),
      ...tempoChanges.map(([start, ratio]) => ({frame: frames(start), turn: 1, place: -1, act: e => engine.setParameter(e, tempoIndex, tempo * ratio)}))];
    this.events.sort((a, b) => a.frame - b.frame || a.turn - b.turn || a.place - b.place);
    this.phraseFrame = frames(from);
    this.nextEvent = this.events.findIndex(e => e.frame >= this.phraseFrame && (e.key === undefined || e.turn === 2));
    this.playing = true;
    this.company.restart();
    if (this.nextEvent < 0) {
      this.stopPhrase();
    }
  }

  /** Steps of a hand along its ride, as the server renders them. @param {{hand: string, index: number, points: number[]}} ride */
  rideEvents({hand, index, points}, beats) {
    const step = Math.round(RIDE_SECONDS * sampleRate);
    const move = HANDS[hand] ?? ((e, v) => engine.setParameter(e, index, v));
    const events = [];
    const last = Math.round(Math.min(points.at(-2), beats) * this.framesPerBeat) + step;
    let before = null;
    for (let frame = 0; frame <= last; frame += step) {
      const value = placeAt(points, frame / this.framesPerBeat);
      if (value !== before) {
        events.push({frame, turn: 1, place: -2, act: e => this.taken.has(hand) || move(e, value)});
      }
      before = value;
    }
    return events;
  }

  stopPhrase() {
    if (this.playing) {
      this.playing = false;
      for (const {key} of this.events) {
        if (key !== undefined) {
          this.all(e => engine.noteOff(e, key, 64));
        }
      }
      this.phraseEnded();
    }
  }

  /** Wheels and pedals that the phrase has moved go back to rest (MIDI 1.0, Reset All Controllers), and its tempo to the patch's. */
  phraseEnded() {
    if (this.moving) {
      this.all(e => engine.midi(e, 0xB0, 121, 0));
    }
    if (this.tempoBack) {
      this.all(this.tempoBack);
    }
    this.macrosBack.forEach(back => this.all(back));
    this.port.postMessage({ended: true, moved: this.moving});
  }

  process(inputs, outputs) {
    const [left, right] = outputs[0];
    let done = 0;
    while (done < BLOCK) {
      let frames = BLOCK - done;
      if (this.playing) {
        while (this.nextEvent < this.events.length && this.events[this.nextEvent].frame <= this.phraseFrame) {
          this.all(this.events[this.nextEvent++].act);
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
      this.rival.render(done, frames);
      done += frames;
      this.phraseFrame += frames;
    }
    const switchSeconds = this.rival.mix(left, right);
    if (switchSeconds !== null) {
      this.port.postMessage({switchSeconds});
    }
    this.backing.add(left, right);
    this.company.add(left, right);
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

  report() {
    const h = this.handle;
    const values = this.watched.map(index => engine.soundingValue(h, index));
    const slots = this.slots.map(([layer, slot]) => [engine.peakBefore(h, layer, slot), engine.peakAfter(h, layer, slot), engine.reduction(h, layer, slot)]);
    const stages = [0, 1, 2, 3, 4, 5].map(stage => engine.stageLevel(h, this.layer, stage));
    this.port.postMessage({slots, stages, peak: this.peak, voices: engine.voices(h), layers: engine.layers(h), faults: engine.faults(h),
      limited: engine.limited(h), beat: this.playing ? this.phraseFrame / this.framesPerBeat : null, values, note: this.note(),
      patternStep: engine.patternStep(h)});
    this.peak = 0;
    this.sinceReport = 0;
  }
}

registerProcessor('comet', CometProcessor);
