// Notes in time inside the audio thread: an arpeggio over held keys, and loops that go round.

/** Plays the held keys one after the other. It belongs to the player alone; no patch ever stores it. */
export class Arpeggio {
  /**
   * @param {'up'|'down'|'both'} pattern
   * @param {number} step frames from note to note
   * @param {(key: number, velocity: number) => void} play velocity 0 lifts the key
   */
  constructor(pattern, step, play) {
    this.pattern = pattern;
    this.step = step;
    this.play = play;
    this.held = new Map();
    this.place = 0;
    this.until = 0;
    this.sounding = -1;
  }

  down(key, velocity) {
    if (this.held.size === 0) {
      this.place = 0;
      this.until = 0;
    }
    this.held.set(key, velocity);
  }

  up(key) {
    this.held.delete(key);
    if (this.held.size === 0) {
      this.lift();
    }
  }

  clear() {
    this.held.clear();
    this.lift();
  }

  lift() {
    if (this.sounding >= 0) {
      this.play(this.sounding, 0);
      this.sounding = -1;
    }
  }

  /** Plays what is due; answers how many frames may pass before the next note, at most so many. */
  advance(frames) {
    if (this.held.size === 0) {
      return frames;
    }
    if (this.until <= 0) {
      this.lift();
      const keys = [...this.held.keys()].sort((a, b) => a - b);
      const order = this.pattern === 'down' ? keys.reverse() : this.pattern === 'both' ? [...keys, ...keys.slice(1, -1).reverse()] : keys;
      this.sounding = order[this.place % order.length];
      this.play(this.sounding, this.held.get(this.sounding));
      this.place++;
      this.until += this.step;
    }
    const passing = Math.max(1, Math.min(frames, Math.ceil(this.until)));
    this.until -= passing;
    return passing;
  }
}

/** Notes that go round and round. */
export class Loop {
  /** @param {number[][]} notes key, velocity, start and length in beats @param {number} beats length of the loop @param {number} tempo */
  constructor(notes, beats, tempo) {
    const frames = b => Math.round(b * 60 / tempo * sampleRate);
    this.events = notes.flatMap(([key, velocity, start, length]) => [[frames(start), key, velocity], [frames(start + length) - 1, key, 0]])
      .sort((a, b) => a[0] - b[0] || a[2] - b[2]);
    this.length = frames(beats);
    this.frame = 0;
    this.next = 0;
  }

  /** Begins again. */
  restart() {
    this.frame = 0;
    this.next = 0;
  }

  /** Moves on and plays what has become due, to the block. */
  advance(frames, play) {
    this.frame += frames;
    for (;;) {
      while (this.next < this.events.length && this.events[this.next][0] < this.frame) {
        play(this.events[this.next][1], this.events[this.next][2]);
        this.next++;
      }
      if (this.frame < this.length) {
        return;
      }
      this.frame -= this.length;
      this.next = 0;
    }
  }
}
