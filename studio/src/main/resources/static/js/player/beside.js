// What plays beside the patch in the audio thread, each on an engine of its own.
import * as engine from '../../engine/engine.js';
import {Crossfade} from './crossfade.js';
import {Loop} from './sequences.js';

/** Frames that the browser asks for at a time. */
export const BLOCK = 128;

/** A loop on an engine of its own beside the patch: drums and bass, or another patch. */
export class Beside {
  constructor() {
    /** -1 while there never was one. */
    this.handle = -1;
    this.on = false;
    this.left = new Float32Array(BLOCK);
    this.right = new Float32Array(BLOCK);
  }

  /** Begins a loop, or ends it where there are no notes. @param {object[]} provided recordings that it may need */
  set({image, notes, beats, tempo, gain}, provided) {
    this.on = Boolean(notes);
    if (!this.on) {
      if (this.handle >= 0) {
        engine.panic(this.handle);
      }
      return;
    }
    if (this.handle < 0) {
      this.handle = engine.create(sampleRate);
      provided.forEach(r => engine.provide(this.handle, r.key, r.left, r.right, r.rate));
    }
    engine.load(this.handle, image);
    engine.setGain(this.handle, gain);
    this.loop = new Loop(notes, beats, tempo);
  }

  restart() {
    if (this.on) {
      engine.panic(this.handle);
      this.loop.restart();
    }
  }

  add(left, right) {
    if (!this.on) {
      return;
    }
    this.loop.advance(BLOCK, (key, velocity) => velocity > 0 ? engine.noteOn(this.handle, key, velocity) : engine.noteOff(this.handle, key, 64));
    engine.render(this.handle, this.left, this.right, 0, BLOCK);
    for (let i = 0; i < BLOCK; i++) {
      left[i] = Math.max(-1, Math.min(1, left[i] + this.left[i]));
      right[i] = Math.max(-1, Math.min(1, right[i] + this.right[i]));
    }
  }
}

/** Another sound that plays what the patch plays, and is heard in its place at once when it is switched to. */
export class Rival {
  constructor() {
    /** -1 while there never was one. */
    this.handle = -1;
    this.on = false;
    this.fade = new Crossfade(sampleRate);
    this.left = new Float32Array(BLOCK);
    this.right = new Float32Array(BLOCK);
    /** When it was switched last, in the context's time; null while nothing is to be timed. */
    this.switchedAt = null;
  }

  /** @param {object[]} provided recordings that it may need */
  set({image, gain}, provided) {
    this.on = image !== null;
    this.fade = new Crossfade(sampleRate);
    if (!this.on) {
      return;
    }
    if (this.handle < 0) {
      this.handle = engine.create(sampleRate);
      provided.forEach(r => engine.provide(this.handle, r.key, r.left, r.right, r.rate));
    }
    engine.load(this.handle, image);
    engine.setGain(this.handle, gain);
  }

  switch({rival, at}) {
    this.fade.to(rival && this.on);
    this.switchedAt = at;
  }

  /** Renders a stretch of the block along with the patch. */
  render(from, frames) {
    if (this.on) {
      engine.render(this.handle, this.left, this.right, from, frames);
    }
  }

  /** Mixes it in. @returns {number|null} seconds from the switch to the new sound alone, once */
  mix(left, right) {
    if (!this.on) {
      return null;
    }
    const arrived = this.fade.mix(left, right, this.left, this.right);
    if (this.switchedAt === null || !this.fade.done) {
      return null;
    }
    const seconds = currentTime + Math.max(0, arrived) / sampleRate - this.switchedAt;
    this.switchedAt = null;
    return seconds;
  }
}
