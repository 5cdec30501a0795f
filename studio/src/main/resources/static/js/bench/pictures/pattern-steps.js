// The steps of a patch's pattern, drawn in four lanes: level, shift, chance and length of each step.
import {LivePatch} from '../../../engine/engine.js';
import {colour, fit, keepDrawn, label} from '../../lib/canvas.js';
import * as player from '../../player/player.js';

const FIRST_STEPS = 8;
const LEFT = 52;
const GAP = 4;
/** What each lane shows: the ends of its scale, where it rests, its finest step by key, its part of the height, and how a value is told. */
const LANES = [
  {name: 'level', low: 0, high: 200, rest: 100, step: 5, part: 0.42, told: v => v === 0 ? 'rest' : `${v} %`},
  {name: 'shift', low: -24, high: 24, rest: 0, step: 1, part: 0.28, told: v => `${v > 0 ? '+' : ''}${String(v).replace('-', '−')} st`},
  {name: 'chance', low: 0, high: 100, rest: 100, step: 5, part: 0.15, told: v => `${v} %`},
  {name: 'length', low: 0, high: 4, rest: 1, step: 0.25, part: 0.15, told: v => `${v} ${v === 1 ? 'step' : 'steps'}`},
];
const LEAST_LENGTH = 0.1;
const MOST_LENGTH = 16;
/** The step and lane that were chosen last, while the page goes through exchanges. */
const left = {step: 0, lane: 0};

/** Brings the lanes to life. @param {HTMLElement} box with data-kind, data-shape, data-most @param {() => Float64Array} image @param {(fields: object) => void} edit sends an edit */
export function wirePatternSteps(box, image, edit) {
  const lanes = new PatternSteps(box, image, edit);
  const {canvas} = lanes;
  shown = lanes;
  keepDrawn(canvas, () => lanes.draw());
  canvas.addEventListener('pointerdown', e => lanes.press(e));
  canvas.addEventListener('keydown', e => lanes.key(e));
  for (const event of ['focus', 'blur']) {
    canvas.addEventListener(event, () => lanes.draw());
  }
  const tools = box.previousElementSibling;
  tools.querySelector('[data-steps-fewer]').addEventListener('click', () => lanes.resize(lanes.steps.length - 1));
  tools.querySelector('[data-steps-more]').addEventListener('click', () => lanes.resize(lanes.steps.length + 1));
  tools.querySelector('[data-steps-plain]').addEventListener('click', () => lanes.send([]));
}

/** The keys that were played last together, as a chord. @param {HTMLElement} panel @param {(fields: object) => void} edit */
export function wireChord(panel, edit) {
  panel.querySelector('[data-hold-chord]')?.addEventListener('submit', e => {
    e.preventDefault();
    const keys = [...new Set(lastKeys)].sort((a, b) => a - b);
    edit({kind: 'setShape', shape: 'pattern.chord', rows: keys.length < 2 ? '' : keys.map(k => k - keys[0]).join('; ')});
  });
}

/** Keys that are down, and those that went down while others were. */
const down = new Set();
let lastKeys = [];
player.on('played', ({key}) => {
  lastKeys = down.size === 0 ? [key] : [...lastKeys, key];
  down.add(key);
});
player.on('lifted', ({key}) => down.delete(key));

/** The lanes on the page, and the step that was due last, -1 while no pattern runs. @type {PatternSteps|null} */
let shown = null;
let due = -1;
player.on('meters', ({patternStep}) => {
  if (patternStep !== due) {
    due = patternStep;
    if (shown?.canvas.offsetParent) {
      shown.draw();
    }
  }
});

class PatternSteps {
  constructor(box, image, edit) {
    this.canvas = box.querySelector('canvas');
    this.words = box.querySelector('[data-steps-told]');
    this.shape = box.dataset.shape;
    this.most = Number(box.dataset.most);
    this.edit = edit;
    const drawn = [...LivePatch.shape(image(), Number(box.dataset.kind))];
    this.plain = drawn.length === 0;
    this.steps = this.plain ? Array.from({length: FIRST_STEPS}, () => LANES.map(lane => lane.rest))
      : Array.from({length: drawn.length / LANES.length}, (_, s) => drawn.slice(s * LANES.length, (s + 1) * LANES.length));
    left.step = Math.min(left.step, this.steps.length - 1);
  }

  /** Top and height of each lane. */
  lanes(h) {
    let top = 0;
    return LANES.map(lane => {
      const height = lane.part * h;
      const place = {...lane, top, height: height - GAP};
      top += height;
      return place;
    });
  }

  draw() {
    const space = fit(this.canvas);
    if (!space) {
      return;
    }
    const {g, w, h} = space;
    const each = (w - LEFT) / this.steps.length;
    const focused = document.activeElement === this.canvas;
    this.lanes(h).forEach((lane, l) => {
      const y = v => lane.top + (lane.high - Math.min(lane.high, v)) / (lane.high - lane.low) * lane.height;
      const ground = y(lane.low < 0 ? 0 : lane.low);
      g.fillStyle = colour('--wash');
      g.fillRect(LEFT, lane.top, w - LEFT, lane.height);
      g.fillStyle = colour('--rule');
      g.fillRect(LEFT, y(lane.rest), w - LEFT, 1);
      label(g, lane.name, 2, lane.top + 10, colour(focused && l === left.lane ? '--ember' : '--soft'), 'left', 10);
      this.steps.forEach((step, s) => {
        const chosen = focused && s === left.step && l === left.lane;
        g.fillStyle = colour(chosen ? '--ember' : this.plain ? '--soft' : l === 0 || step[0] > 0 ? '--tide' : '--soft');
        const top = Math.min(y(step[l]), ground);
        g.fillRect(LEFT + s * each + 1, top, Math.max(2, each - 2), Math.max(l === 1 || step[l] > lane.low ? 2 : 0, Math.abs(y(step[l]) - ground)));
        if (l === 0 && step[0] === 0) {
          label(g, '–', LEFT + (s + 0.5) * each, ground - 3, colour('--soft'), 'center', 10);
        }
      });
      if (focused && l === left.lane) {
        label(g, `${left.step + 1}: ${lane.told(this.steps[left.step][l])}`, 2, lane.top + 22, colour('--ink'), 'left', 10);
      }
    });
    for (let s = 4; s < this.steps.length; s += 4) {
      // Every fourth step begins a beat of sixteenths.
      g.fillStyle = colour('--rule');
      g.fillRect(LEFT + s * each, 0, 1, h);
    }
    if (due >= 0) {
      const s = due % this.steps.length;
      this.canvas.dataset.playing = String(s + 1);
      g.globalAlpha = 0.16;
      g.fillStyle = colour('--ember');
      g.fillRect(LEFT + s * each, 0, each, h);
      g.globalAlpha = 1;
    } else {
      delete this.canvas.dataset.playing;
    }
  }

  set(step, l, value) {
    const lane = LANES[l];
    const most = lane.name === 'length' ? MOST_LENGTH : lane.high;
    const least = lane.name === 'length' ? LEAST_LENGTH : lane.low;
    left.step = step;
    left.lane = l;
    this.plain = false;
    this.steps[step][l] = Math.max(least, Math.min(most, value));
    this.draw();
  }

  tell() {
    this.words.textContent = `Step ${left.step + 1} of ${this.steps.length}, ${LANES[left.lane].name} ${LANES[left.lane].told(this.steps[left.step][left.lane])}`;
  }

  resize(count) {
    const wanted = Math.max(1, Math.min(this.most, count));
    this.send(Array.from({length: wanted}, (_, s) => this.steps[s] ?? LANES.map(lane => lane.rest)));
  }

  send(steps = this.steps) {
    this.edit({kind: 'setShape', shape: this.shape, rows: steps.map(step => step.join(' ')).join('; ')});
  }

  press(e) {
    this.canvas.setPointerCapture(e.pointerId);
    this.canvas.focus();
    const box = this.canvas.getBoundingClientRect();
    const lanes = this.lanes(box.height);
    const inside = lanes.findIndex(lane => e.clientY - box.top < lane.top + lane.height + GAP);
    const l = inside < 0 ? lanes.length - 1 : inside;
    const before = JSON.stringify(this.steps);
    const at = move => {
      const s = Math.max(0, Math.min(this.steps.length - 1, Math.floor((move.clientX - box.left - LEFT) / (box.width - LEFT) * this.steps.length)));
      const lane = lanes[l];
      const part = Math.max(0, Math.min(1, (move.clientY - box.top - lane.top) / lane.height));
      const value = lane.high - part * (lane.high - lane.low);
      this.set(s, l, lane.name === 'length' ? Math.round(4 * value) / 4 : Math.round(value));
    };
    at(e);
    const stop = () => {
      this.canvas.removeEventListener('pointermove', at);
      if (JSON.stringify(this.steps) !== before) {
        this.send();
      }
    };
    this.canvas.addEventListener('pointermove', at);
    this.canvas.addEventListener('lostpointercapture', stop, {once: true});
  }

  key(e) {
    const lane = LANES[left.lane];
    const now = this.steps[left.step][left.lane];
    const move = by => {
      this.set(left.step, left.lane, Math.round((now + by * (e.shiftKey && lane.name !== 'length' ? 1 : lane.step)) * 100) / 100);
      this.send();
    };
    const act = {
      ArrowLeft: () => { left.step = Math.max(0, left.step - 1); },
      ArrowRight: () => { left.step = Math.min(this.steps.length - 1, left.step + 1); },
      PageUp: () => { left.lane = Math.max(0, left.lane - 1); },
      PageDown: () => { left.lane = Math.min(LANES.length - 1, left.lane + 1); },
      ArrowUp: () => move(1),
      ArrowDown: () => move(-1),
      Delete: () => { this.set(left.step, left.lane, left.lane === 0 && now > 0 ? 0 : lane.rest); this.send(); },
    }[e.key];
    if (act) {
      e.preventDefault();
      e.stopPropagation();
      act();
      this.draw();
      this.tell();
    }
  }
}
