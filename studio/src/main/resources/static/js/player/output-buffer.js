// How much sound waits between the engine and the loudspeaker, and the watch over gaps in it.

const KEY = 'comet-buffer';
/** From the shortest: its name and the seconds that the browser is asked for; none for what the browser calls its shortest. */
export const BUFFERS = [['short', null], ['safe', 0.02], ['safer', 0.045], ['safest', 0.09]];
/** So many gaps within so many seconds are heard as a fault of the sound. */
const GAPS = 3;
const WITHIN_SECONDS = 10;
/** A new output stumbles while the browser makes its code fast. */
const SETTLING_SECONDS = 2;
/** How far the output falls behind the clock of the wall by a gap, at least, in seconds. */
const LAG_SECONDS = 0.003;

/** Name of the buffer that this device is known to need. */
export function buffer() {
  const name = localStorage.getItem(KEY);
  return BUFFERS.some(([known]) => known === name) ? name : BUFFERS[0][0];
}

/** @param {string} name one of {@link BUFFERS} */
export function rememberBuffer(name) {
  localStorage.setItem(KEY, name);
}

/** What the browser is asked for. @returns {number|'interactive'} */
export function latencyHint() {
  return BUFFERS.find(([name]) => name === buffer())[1] ?? 'interactive';
}

/** The buffer after the one in use as name and seconds, or undefined when there is no longer one. */
export function nextBuffer() {
  return BUFFERS[BUFFERS.findIndex(([name]) => name === buffer()) + 1];
}

/** Counts the gaps of one output. */
export class GapWatch {
  /** When gaps came, in seconds; one entry a gap. */
  times = [];
  /** @type {number|null} */
  counted = null;
  /** Least lag behind the wall in this second and in the one before. */
  lag = Infinity;
  lagBefore = null;
  second = 0;
  /** When this output sounded first. */
  began = null;

  /**
   * Looks once; to be called often while sound is on.
   * @param {number} now seconds on the wall
   * @param {number} played seconds that the output has played
   * @param {number|undefined} underruns what the browser has counted so far, where it does
   * @returns {boolean} whether there are too many gaps; the count begins again then
   */
  look(now, played, underruns) {
    const gaps = underruns === undefined ? this.#late(now, played) : this.#more(underruns);
    this.began ??= now;
    for (let i = 0; i < (now - this.began < SETTLING_SECONDS ? 0 : Math.min(gaps, GAPS)); i++) {
      this.times.push(now);
    }
    this.times = this.times.filter(t => now - t < WITHIN_SECONDS);
    const heard = this.times.length >= GAPS;
    if (heard) {
      this.times = [];
    }
    return heard;
  }

  /** Nothing sounds: gaps are not heard, and do not count. */
  pause() {
    this.counted = null;
    this.lagBefore = null;
    this.lag = Infinity;
  }

  /** The first look only learns where the browser's count stands. */
  #more(underruns) {
    const more = this.counted === null ? 0 : underruns - this.counted;
    this.counted = underruns;
    return more;
  }

  /** Without a count of the browser's: the output's clock stands still in a gap. It moves in steps of a buffer, so that the least lag of a second counts. */
  #late(now, played) {
    this.lag = Math.min(this.lag, now - played);
    if (now - this.second < 1) {
      return 0;
    }
    const late = this.lagBefore !== null && this.lag - this.lagBefore > LAG_SECONDS;
    this.second = now;
    this.lagBefore = this.lag;
    this.lag = Infinity;
    return late ? 1 : 0;
  }
}
