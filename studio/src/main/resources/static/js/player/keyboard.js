// The on-screen keyboard: velocity by where a key is struck, pressure by dragging down.
import * as player from './player.js';
import {colour, fit, label, layerColour} from '../lib/canvas.js';
import {keyName} from '../lib/key-names.js';

const LOWEST = 24;
const HIGHEST = 96;
const BLACK = [1, 3, 6, 8, 10];
const BAND = 10;

/** Canvas keyboard from C1 to C7. */
export class Keyboard {
  /** @param {HTMLCanvasElement} canvas */
  constructor(canvas) {
    this.canvas = canvas;
    this.zones = [];
    this.pressed = new Map();
    this.layers = 0;
    this.pointers = new Map();
    canvas.addEventListener('pointerdown', e => this.strike(e));
    canvas.addEventListener('pointermove', e => this.slide(e));
    for (const event of ['pointerup', 'pointercancel']) {
      canvas.addEventListener(event, e => this.let(e));
    }
    canvas.addEventListener('contextmenu', e => e.preventDefault());
    new ResizeObserver(() => this.draw()).observe(canvas);
    for (const event of ['comet:theme', 'comet:keys']) {
      document.addEventListener(event, () => this.draw());
    }
  }

  setZones(zones) {
    this.zones = zones;
    this.draw();
  }

  /** Lights the layers that sound; bit n stands for layer n. */
  light(layers) {
    if (layers !== this.layers) {
      this.layers = layers;
      this.draw();
    }
  }

  press(key) {
    this.pressed.set(key, 0);
    this.draw();
  }

  lift(key) {
    this.pressed.delete(key);
    this.draw();
  }

  strike(e) {
    const key = this.keyAt(e);
    if (key === null || e.button !== 0) {
      return;
    }
    this.canvas.setPointerCapture(e.pointerId);
    const box = this.canvas.getBoundingClientRect();
    const depth = Math.max(0, Math.min(1, (e.clientY - box.top - BAND) / (box.height - BAND)));
    this.pointers.set(e.pointerId, {key, y: e.clientY});
    this.press(key);
    player.noteOn(key, Math.round(12 + 115 * depth));
  }

  slide(e) {
    const held = this.pointers.get(e.pointerId);
    if (!held) {
      return;
    }
    const pressure = Math.max(0, Math.min(1, (e.clientY - held.y) / 80));
    this.pressed.set(held.key, pressure);
    player.keyTouch(held.key, pressure);
    this.draw();
  }

  let(e) {
    const held = this.pointers.get(e.pointerId);
    if (held) {
      this.pointers.delete(e.pointerId);
      this.lift(held.key);
      player.noteOff(held.key);
    }
  }

  whiteWidth() {
    return this.canvas.clientWidth / 43;
  }

  /** Left edge of a key. */
  x(key) {
    const octave = Math.floor((key - LOWEST) / 12);
    const tone = (key - LOWEST) % 12;
    const white = [0, 0.65, 1, 1.75, 2, 3, 3.6, 4, 4.7, 5, 5.75, 6][tone];
    return (octave * 7 + white) * this.whiteWidth();
  }

  keyAt(e) {
    const box = this.canvas.getBoundingClientRect();
    const x = e.clientX - box.left;
    const y = e.clientY - box.top;
    const keys = [];
    for (let key = LOWEST; key <= HIGHEST; key++) {
      keys.push(key);
    }
    const isBlack = key => BLACK.includes(key % 12);
    if (y < BAND + (box.height - BAND) * 0.6) {
      const black = keys.find(k => isBlack(k) && x >= this.x(k) && x < this.x(k) + this.whiteWidth() * 0.6);
      if (black !== undefined) {
        return black;
      }
    }
    return keys.find(k => !isBlack(k) && x >= this.x(k) && x < this.x(k) + this.whiteWidth()) ?? null;
  }

  draw() {
    const space = fit(this.canvas);
    if (!space) {
      return;
    }
    const {g, h} = space;
    const ww = this.whiteWidth();
    const covered = key => this.zones.length === 0 || this.zones.some(z => key >= z.lowKey && key <= z.highKey);
    for (const black of [false, true]) {
      for (let key = LOWEST; key <= HIGHEST; key++) {
        if (BLACK.includes(key % 12) !== black) {
          continue;
        }
        const x = this.x(key);
        const width = black ? ww * 0.6 : ww;
        const height = (h - BAND) * (black ? 0.6 : 1);
        g.fillStyle = black ? '#1B2430' : '#FFFDF8';
        if (!covered(key)) {
          g.fillStyle = black ? colour('--soft') : colour('--rule');
        }
        g.fillRect(x + 0.5, BAND, width - 1, height - 1);
        if (this.pressed.has(key)) {
          g.fillStyle = colour('--ember');
          const pressure = this.pressed.get(key);
          g.globalAlpha = 0.55 + 0.45 * pressure;
          g.fillRect(x + 0.5, BAND + height * 0.35 * (1 - pressure), width - 1, height - 1 - height * 0.35 * (1 - pressure));
          g.globalAlpha = 1;
        }
        if (!black) {
          g.strokeStyle = colour('--rule');
          g.strokeRect(x + 0.5, BAND + 0.5, ww - 1, height - 1);
          if (key % 12 === 0) {
            label(g, keyName(key), x + ww / 2, h - 4, '#56606F', 'center', 9);
          }
        }
      }
    }
    this.zones.forEach((zone, i) => {
      const from = this.x(Math.max(LOWEST, zone.lowKey));
      const to = zone.highKey >= HIGHEST ? this.canvas.clientWidth : this.x(zone.highKey + 1);
      const lit = (this.layers >> zone.layer) & 1;
      const height = (BAND - 2) / this.zones.length;
      g.fillStyle = layerColour(zone.layer);
      g.globalAlpha = lit ? 1 : 0.45;
      g.fillRect(from, i * height, Math.max(2, to - from), height - 1);
      g.globalAlpha = 1;
    });
  }
}
