// The unison voices of a source as bars one draws: pitch, pan, phase or level of each, whichever is chosen beside.
import {LivePatch} from '../../../engine/engine.js';
import {colour, fit, keepDrawn, label} from '../../lib/canvas.js';

/** Pitch is shown no finer than it is drawn: the least of these ranges that holds all voices, in cents. */
const PITCH_RANGES = [50, 200, 1200];
/** What was chosen at a map last, while the page goes through exchanges: column and voice by the list's id. */
const left = new Map();

/**
 * Brings a map to life.
 * @param {HTMLElement} box with data-shape, data-kind, data-columns
 * @param {() => Float64Array} image the image as it is heard
 * @param {(fields: object) => void} edit sends an edit
 */
export function wireUnisonMap(box, image, edit) {
  const map = new UnisonMap(box, image, edit);
  const canvas = map.canvas;
  keepDrawn(canvas, () => map.draw());
  map.choice.addEventListener('change', () => {
    map.remember();
    map.draw();
  });
  box.querySelector('select[name=how]').addEventListener('change', e => {
    const field = box.querySelector('input[name=value]');
    field.disabled = e.target.value === 'mirror';
  });
  canvas.addEventListener('pointerdown', e => map.press(e));
  canvas.addEventListener('keydown', e => map.key(e));
  for (const event of ['focus', 'blur']) {
    canvas.addEventListener(event, () => map.draw());
  }
}

class UnisonMap {
  constructor(box, image, edit) {
    this.canvas = box.querySelector('canvas');
    this.choice = box.querySelector('select[name=column]');
    this.shape = box.dataset.shape;
    this.width = Number(box.dataset.columns);
    this.edit = edit;
    const known = left.get(this.shape) ?? {column: 0, voice: 0};
    this.choice.selectedIndex = known.column;
    const voices = image()[LivePatch.indexOf(this.shape)];
    const drawn = [...LivePatch.shape(image(), Number(box.dataset.kind))];
    const neutral = [...this.choice.options].map(o => Number(o.dataset.neutral));
    this.numbers = Array.from({length: Math.max(voices * this.width, drawn.length)}, (_, i) => drawn[i] ?? neutral[i % this.width]);
    this.voices = voices;
    this.chosen = Math.min(known.voice, voices - 1);
  }

  remember() {
    left.set(this.shape, {column: this.column, voice: this.chosen});
  }

  get column() {
    return this.choice.selectedIndex;
  }

  /** Lowest and highest number that is shown. */
  get range() {
    const {low, high} = this.choice.selectedOptions[0].dataset;
    if (Number(high) < PITCH_RANGES.at(-1)) {
      return [Number(low), Number(high)];
    }
    const most = Math.max(...this.ofVoices().map(Math.abs), this.reach ?? 0);
    const range = PITCH_RANGES.find(r => r >= most) ?? PITCH_RANGES.at(-1);
    return [-range, range];
  }

  ofVoices() {
    return Array.from({length: this.voices}, (_, v) => this.numbers[v * this.width + this.column]);
  }

  draw() {
    const space = fit(this.canvas);
    if (!space) {
      return;
    }
    const {g, w, h} = space;
    const [low, high] = this.range;
    const y = v => 4 + (high - v) / (high - low) * (h - 8);
    const rest = y(Number(this.choice.selectedOptions[0].dataset.neutral));
    g.fillStyle = colour('--rule');
    g.fillRect(0, rest, w, 1);
    const step = w / this.voices;
    this.ofVoices().forEach((v, i) => {
      g.fillStyle = colour(i === this.chosen && document.activeElement === this.canvas ? '--ember' : '--tide');
      g.fillRect(i * step + 1, Math.min(y(v), rest), Math.max(2, step - 2), Math.abs(y(v) - rest) + 1);
    });
    const soft = colour('--soft');
    label(g, String(high), 4, 12, soft, 'left', 10);
    label(g, String(low), 4, h - 4, soft, 'left', 10);
    label(g, `voice ${this.chosen + 1}: ${this.told(this.ofVoices()[this.chosen])}`, w - 4, 12, soft, 'right', 10);
  }

  told(v) {
    return `${this.choice.selectedOptions[0].textContent} ${Math.round(v * 100) / 100}`;
  }

  set(voice, value) {
    const {low, high} = this.choice.selectedOptions[0].dataset;
    this.chosen = voice;
    this.numbers[voice * this.width + this.column] = Math.round(Math.max(Number(low), Math.min(Number(high), value)) * 10) / 10;
    this.draw();
  }

  send() {
    this.remember();
    this.edit({kind: 'setShape', shape: this.shape, rows: Array.from({length: this.numbers.length / this.width},
      (_, r) => this.numbers.slice(r * this.width, (r + 1) * this.width).join(' ')).join('; ')});
  }

  press(e) {
    this.canvas.setPointerCapture(e.pointerId);
    this.canvas.focus();
    const box = this.canvas.getBoundingClientRect();
    const before = this.numbers.join();
    // The range stays while a hand draws; beyond its edge the next one begins.
    const at = move => {
      const [low, high] = this.range;
      const place = Math.max(0, Math.min(this.voices - 1, Math.floor((move.clientX - box.left) / box.width * this.voices)));
      const value = high - (move.clientY - box.top - 4) / (box.height - 8) * (high - low);
      this.reach = Math.max(this.reach ?? 0, Math.min(Math.abs(value), high * 1.01));
      this.set(place, Math.max(low, Math.min(high, value)));
    };
    at(e);
    const stop = () => {
      this.canvas.removeEventListener('pointermove', at);
      if (this.numbers.join() !== before) {
        this.send();
      }
    };
    this.canvas.addEventListener('pointermove', at);
    this.canvas.addEventListener('lostpointercapture', stop, {once: true});
  }

  key(e) {
    const [low, high] = this.range;
    const step = (high - low) / (e.shiftKey ? 200 : 20);
    const act = {
      ArrowLeft: () => { this.chosen = Math.max(0, this.chosen - 1); this.draw(); },
      ArrowRight: () => { this.chosen = Math.min(this.voices - 1, this.chosen + 1); this.draw(); },
      ArrowUp: () => { this.set(this.chosen, this.ofVoices()[this.chosen] + step); this.send(); },
      ArrowDown: () => { this.set(this.chosen, this.ofVoices()[this.chosen] - step); this.send(); },
      Delete: () => { this.set(this.chosen, Number(this.choice.selectedOptions[0].dataset.neutral)); this.send(); },
    }[e.key];
    if (act) {
      e.preventDefault();
      e.stopPropagation();
      act();
    }
  }
}
