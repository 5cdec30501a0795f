// From one sound to another without a gap and without a click.

const FADE_SECONDS = 0.01;
/** How far back the likeness of the two is looked for. */
const MEMORY_SECONDS = 0.02;

/**
 * A fade whose power stays even, whatever the two sounds have in common: linear gains, divided by the root of the power that they would give together
 * (Fink, Holters and Zölzer, Signal-matched power-complementary cross-fading and dry-wet mixing, DAFx 2016). Two equal sounds are passed unchanged.
 */
export class Crossfade {
  /** @param {number} rate in Hz */
  constructor(rate) {
    this.step = 1 / Math.round(FADE_SECONDS * rate);
    this.keep = Math.exp(-1 / (MEMORY_SECONDS * rate));
    this.place = 0;
    this.goal = 0;
    this.own = 0;
    this.others = 0;
    this.shared = 0;
  }

  /** @param {boolean} second which of the two is to be heard */
  to(second) {
    this.goal = second ? 1 : 0;
  }

  /** Whether it has arrived. */
  get done() {
    return this.place === this.goal;
  }

  /**
   * Mixes the second sound into the first.
   * @param {Float32Array} left of the first, and of the result @param {Float32Array} right
   * @param {Float32Array} otherLeft of the second @param {Float32Array} otherRight
   * @returns {number} frame at which the fade arrived, -1 where it did not in these frames
   */
  mix(left, right, otherLeft, otherRight) {
    let arrived = -1;
    for (let i = 0; i < left.length; i++) {
      this.own = this.own * this.keep + left[i] * left[i] + right[i] * right[i];
      this.others = this.others * this.keep + otherLeft[i] * otherLeft[i] + otherRight[i] * otherRight[i];
      this.shared = this.shared * this.keep + left[i] * otherLeft[i] + right[i] * otherRight[i];
      if (this.place !== this.goal) {
        this.place = this.goal > this.place ? Math.min(1, this.place + this.step) : Math.max(0, this.place - this.step);
        arrived = this.place === this.goal ? i : -1;
      }
      const power = Math.sqrt(this.own * this.others);
      const likeness = power > 1e-12 ? Math.max(0, Math.min(1, this.shared / power)) : 0;
      const first = 1 - this.place;
      const scale = 1 / Math.sqrt(first * first + this.place * this.place + 2 * likeness * first * this.place);
      left[i] = scale * (first * left[i] + this.place * otherLeft[i]);
      right[i] = scale * (first * right[i] + this.place * otherRight[i]);
    }
    return arrived;
  }
}
