// Drawn lists: harmonics and steps as bars, curves as points, and all of them as typed numbers.
import {LivePatch} from '../../../engine/engine.js';
import {colour, fit, handle, keepDrawn, label} from '../../lib/canvas.js';
import {wirePatternSteps} from './pattern-steps.js';
import {wireUnisonMap} from './unison-map.js';

const NEAR = 14;
const FIRST_BARS = 16;
const USUAL_POINTS = [0, 100, 0, 100, 0, 0];

/**
 * Brings a drawn list to life.
 * @param {HTMLElement} box with data-shape, data-kind, data-look, data-columns, data-most
 * @param {() => Float64Array} image the image as it is heard
 * @param {(fields: object) => void} edit sends an edit
 */
export function wireDrawn(box, image, edit) {
  const input = box.querySelector('input');
  const send = text => edit({kind: 'setShape', shape: box.dataset.shape, rows: text});
  input.addEventListener('change', () => send(input.value));
  const canvas = box.querySelector('canvas');
  if (box.dataset.look === 'map') {
    wireUnisonMap(box, image, edit);
  } else if (box.dataset.look === 'steps') {
    wirePatternSteps(box, image, edit);
  }
  if (!canvas || box.dataset.look === 'map' || box.dataset.look === 'steps') {
    return;
  }
  const list = new DrawnList(box, [...LivePatch.shape(image(), Number(box.dataset.kind))], numbers => send(numbers.map(round).join(' ')));
  keepDrawn(canvas, () => list.draw());
  canvas.addEventListener('pointerdown', e => list.press(e));
  canvas.addEventListener('dblclick', e => list.addPoint(e));
  canvas.addEventListener('keydown', e => list.key(e));
}

function round(v) {
  return String(Math.round(v * 100) / 100);
}

class DrawnList {
  constructor(box, numbers, done) {
    this.canvas = box.querySelector('canvas');
    this.bars = box.dataset.look === 'bars';
    this.columns = Number(box.dataset.columns);
    this.most = Number(box.dataset.most);
    this.harmonics = box.dataset.shape.endsWith('harmonics');
    this.low = this.harmonics || box.dataset.shape.endsWith('velocityPoints') ? 0 : -100;
    this.done = done;
    this.chosen = 0;
    this.numbers = numbers.length ? numbers : this.usual();
  }

  usual() {
    if (!this.bars) {
      return this.columns === 3 ? [...USUAL_POINTS] : [0, 0, 100, 100];
    }
    return this.harmonics ? [100, 0] : Array(8).fill(0).map((_, i) => i % 2 ? -100 : 100);
  }

  get rows() {
    return this.numbers.length / this.columns;
  }

  get shownRows() {
    return this.harmonics ? Math.min(this.most, Math.max(FIRST_BARS, this.rows + 4)) : this.rows;
  }

  y(level, h) {
    return 4 + (100 - level) / (100 - this.low) * (h - 8);
  }

  level(y, h) {
    return Math.max(this.low, Math.min(100, 100 - (y - 4) / (h - 8) * (100 - this.low)));
  }

  draw() {
    const space = fit(this.canvas);
    if (!space) {
      return;
    }
    const {g, w, h} = space;
    g.fillStyle = colour('--rule');
    g.fillRect(0, this.y(0, h), w, 1);
    if (this.bars) {
      const step = w / this.shownRows;
      for (let r = 0; r < this.rows; r++) {
        const level = this.numbers[r * this.columns];
        g.fillStyle = colour(r === this.chosen && document.activeElement === this.canvas ? '--ember' : '--tide');
        g.fillRect(r * step + 1, Math.min(this.y(level, h), this.y(0, h)), Math.max(2, step - 2), Math.abs(this.y(level, h) - this.y(0, h)) + 1);
      }
      if (this.harmonics) {
        label(g, `${this.rows} harmonics`, w - 4, 12, colour('--soft'), 'right', 10);
      }
      return;
    }
    this.captions(g, w, h);
    g.beginPath();
    for (let r = 0; r < this.rows; r++) {
      const [x, y] = this.place(r, w, h);
      if (r === 0) {
        g.moveTo(0, y);
      } else {
        this.segment(g, r, w, h);
      }
      g.lineTo(r === this.rows - 1 ? w : x, y);
    }
    g.strokeStyle = colour('--tide');
    g.lineWidth = 2;
    g.stroke();
    for (let r = 0; r < this.rows; r++) {
      handle(g, ...this.place(r, w, h));
    }
  }

  /** What stands along the sides: levels, and time or velocity. */
  captions(g, w, h) {
    const soft = colour('--soft');
    label(g, '100 %', 4, 12, soft, 'left', 10);
    label(g, `${this.low} %`, 4, h - 4, soft, 'left', 10);
    const velocity = this.columns === 2;
    label(g, velocity ? 'velocity 127' : 'end of its length', w - 4, h - 4, soft, 'right', 10);
    label(g, velocity ? 'velocity 1' : 'key down', 44, h - 4, soft, 'left', 10);
  }

  segment(g, r, w, h) {
    const [x0, y0] = this.place(r - 1, w, h);
    const [x1, y1] = this.place(r, w, h);
    const k = this.columns === 3 ? -8 * this.numbers[(r - 1) * 3 + 2] / 100 : 0;
    for (let i = 1; i <= 16; i++) {
      const part = Math.abs(k) < 1e-6 ? i / 16 : (Math.pow(2, k * i / 16) - 1) / (Math.pow(2, k) - 1);
      g.lineTo(x0 + (x1 - x0) * i / 16, y0 + (y1 - y0) * part);
    }
  }

  place(r, w, h) {
    return [8 + this.numbers[r * this.columns] / 100 * (w - 16), this.y(this.numbers[r * this.columns + 1], h)];
  }

  press(e) {
    const box = this.canvas.getBoundingClientRect();
    const at = event => [event.clientX - box.left, event.clientY - box.top];
    let moved = false;
    const start = at(e);
    if (!this.bars) {
      const distances = [...Array(this.rows).keys()].map(r => Math.hypot(...this.place(r, box.width, box.height).map((v, i) => v - start[i])));
      this.chosen = distances.indexOf(Math.min(...distances));
      if (distances[this.chosen] > NEAR) {
        return;
      }
    }
    const move = event => {
      moved = true;
      const [x, y] = at(event);
      if (this.bars) {
        this.bar(Math.floor(x / box.width * this.shownRows), this.level(y, box.height));
      } else {
        this.movePoint(100 * (x - 8) / (box.width - 16), this.level(y, box.height));
      }
      this.draw();
    };
    if (this.bars) {
      move(e);
    }
    this.canvas.setPointerCapture(e.pointerId);
    this.canvas.onpointermove = move;
    this.canvas.onpointerup = () => {
      this.canvas.onpointermove = null;
      this.canvas.onpointerup = null;
      if (moved) {
        this.done(this.numbers);
      }
    };
  }

  bar(row, level) {
    if (row < 0 || row >= this.shownRows) {
      return;
    }
    while (this.rows <= row) {
      this.numbers.push(...Array(this.columns).fill(0));
    }
    this.chosen = row;
    this.numbers[row * this.columns] = Math.round(level);
  }

  /** A point stays between its neighbours. */
  movePoint(time, level) {
    const at = this.chosen * this.columns;
    const least = this.chosen === 0 ? 0 : this.numbers[at - this.columns];
    const most = this.chosen === this.rows - 1 ? 100 : this.numbers[at + this.columns];
    this.numbers[at] = Math.max(least, Math.min(most, time));
    this.numbers[at + 1] = level;
  }

  addPoint(e) {
    if (this.bars || this.rows >= this.most) {
      return;
    }
    const box = this.canvas.getBoundingClientRect();
    const time = Math.max(0, Math.min(100, 100 * (e.clientX - box.left - 8) / (box.width - 16)));
    const level = this.level(e.clientY - box.top, box.height);
    let row = 0;
    while (row < this.rows && this.numbers[row * this.columns] <= time) {
      row++;
    }
    this.numbers.splice(row * this.columns, 0, time, level, ...Array(this.columns - 2).fill(0));
    this.chosen = row;
    this.draw();
    this.done(this.numbers);
  }

  key(e) {
    const at = this.chosen * this.columns;
    const value = this.bars ? at : at + 1;
    const step = e.shiftKey ? 1 : 5;
    const acts = {
      ArrowLeft: () => { this.chosen = Math.max(0, this.chosen - 1); },
      ArrowRight: () => { this.chosen = Math.min(this.shownRows - 1, this.chosen + 1); },
      ArrowUp: () => this.nudge(value, step),
      ArrowDown: () => this.nudge(value, -step),
      Delete: () => this.remove(),
    };
    if (!acts[e.key]) {
      return;
    }
    e.preventDefault();
    acts[e.key]();
    this.draw();
  }

  nudge(at, by) {
    if (this.bars && this.chosen >= this.rows) {
      this.bar(this.chosen, 0);
    }
    this.numbers[at] = Math.max(this.low, Math.min(100, this.numbers[at] + by));
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.done(this.numbers), 400);
  }

  remove() {
    if (this.rows > (this.bars ? 1 : 2)) {
      this.numbers.splice(this.chosen * this.columns, this.columns);
      this.chosen = Math.max(0, Math.min(this.rows - 1, this.chosen));
      this.done(this.numbers);
    }
  }
}
