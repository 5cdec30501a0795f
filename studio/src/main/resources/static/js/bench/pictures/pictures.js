// The bench's pictures, drawn from the engine's own curves.
import {LivePatch, LivePictures} from '../../../engine/engine.js';
import {colour, curve, fit, frequencyGrid, handle, label, layerColour} from '../../lib/canvas.js';
import {divisionSeconds} from '../../lib/divisions.js';
import {effectPictures} from './effect-pictures.js';
import {keyMapPicture} from './key-map.js';
import {keyName} from '../../lib/key-names.js';
import {recordingPicture} from './recording-picture.js';
import {touchPictures} from '../performance.js';

const MIN_DB = -48;
const MAX_DB = 40;
/** Part of a source's picture that shows its wave; its harmonics stand below. */
const WAVE_SHARE = 0.62;
const HARMONICS = 32;
const at = (id) => LivePatch.indexOf(id);
const layerId = (layer, id) => at(`layer${layer + 1}.${id}`);

const ENVELOPES = ['amplitude', 'envelope2', 'envelope3', 'envelope4'];

/** Start of the ids of an envelope's parameters; 0 is the amplitude envelope. */
export function envelopeId(which) {
  return ENVELOPES[which];
}

/** Time span that shows a whole envelope, with the moment the key goes up. */
function envelopeSpan(image, layer, which) {
  const v = id => LivePatch.sounding(image, layerId(layer, `${ENVELOPES[which]}.${id}`));
  const tempo = image[at('performance.tempo')];
  const time = id => divisionSeconds(layerId(layer, `${ENVELOPES[which]}.${id}Division`), image, tempo) ?? v(id);
  const [delay, attack, hold, decay, release] = ['delay', 'attack', 'hold', 'decay', 'release'].map(time);
  const held = delay + attack + hold + decay + 0.15 * (attack + decay) + 0.02;
  return {held, seconds: held + release * 1.05, delay, attack, hold, decay, sustain: v('sustain') / 100, release};
}

/** Frequency at a place 0 to 1 across, 20 Hz to 20 kHz. */
export function frequencyAt(part) {
  return 20 * Math.pow(1000, part);
}

const drawers = {
  keymap: keyMapPicture,

  source(g, w, h, image, layer, large, data) {
    const source = Number(data.source ?? 0);
    const off = LivePatch.sounding(image, layerId(layer, `source${source + 1}.level`)) <= -72;
    g.fillStyle = colour('--rule');
    g.fillRect(0, (large ? h * WAVE_SHARE : h) / 2, w, 1);
    if (off) {
      label(g, 'off', w / 2, h / 2 - 5, colour('--soft'), 'center');
      return;
    }
    const wave = LivePictures.wave(image, layer, source, Math.round(w));
    let peak = 1e-6;
    wave.forEach(v => { peak = Math.max(peak, Math.abs(v)); });
    const scale = Math.max(peak, 0.02);
    const top = large ? h * WAVE_SHARE : h;
    curve(g, wave, 0, w, v => top / 2 - v / scale * (top / 2 - 5), layerColour(layer), 1.4);
    if (large) {
      label(g, `peak ${(20 * Math.log10(peak)).toFixed(1)} dB`, w - 4, top - 3, colour('--soft'), 'right', 10);
      harmonics(g, w, h, top, LivePictures.harmonics(image, layer, source, HARMONICS));
    }
  },

  sources(g, w, h, image, layer) {
    for (let s = 0; s < 3; s++) {
      g.save();
      g.translate(0, s * h / 3);
      drawers.source(g, w, h / 3, image, layer, false, {source: s});
      g.restore();
    }
  },

  filter(g, w, h, image, layer, large, data) {
    const id = `filter${Number(data.filter ?? 0) + 1}`;
    const y = db => h * (MAX_DB - Math.max(MIN_DB, Math.min(MAX_DB, db))) / (MAX_DB - MIN_DB);
    if (large) {
      frequencyGrid(g, w, h);
      for (const db of [-36, -24, -12, 0, 12, 24]) {
        g.fillStyle = colour('--rule');
        g.fillRect(0, y(db), w, 1);
        label(g, `${db} dB`, 3, y(db) - 3, colour('--soft'), 'left', 10);
      }
    }
    const off = image[layerId(layer, `${id}.type`)] === 0;
    const heard = sounded(image, layer, ['cutoff', 'resonance', 'combTune', 'combFeedback', 'vowel'].map(p => `${id}.${p}`));
    const response = LivePictures.filter(heard, layer, Number(data.filter ?? 0), Math.round(w / 2));
    curve(g, response, 0, w, y, off ? colour('--soft') : layerColour(layer), large ? 2.2 : 1.5);
    if (off) {
      label(g, 'off', w / 2, y(0) - 6, colour('--soft'), 'center');
    } else if (large && LivePatch.relevant(image, layerId(layer, `${id}.cutoff`))) {
      const cutoffAt = layerId(layer, `${id}.cutoff`);
      const cutoff = LivePatch.sounding(image, cutoffAt);
      const x = Math.log(cutoff / 20) / Math.log(1000) * w;
      const amount = LivePatch.sounding(image, layerId(layer, `${id}.envelopeAmount`));
      if (amount !== 0) {
        const reach = Math.log(cutoff * Math.pow(2, amount) / 20) / Math.log(1000) * w;
        g.fillStyle = colour('--plum');
        g.fillRect(Math.min(x, reach), 6, Math.abs(reach - x), 3);
        label(g, `envelope 2 to ${LivePatch.format(cutoffAt, Math.min(20000, Math.max(20, cutoff * Math.pow(2, amount))))}`, Math.max(4, Math.min(w - 150, Math.min(x, reach))), 22, colour('--plum'));
      }
      handle(g, x, y(response[Math.max(0, Math.min(response.length - 1, Math.round(x / w * (response.length - 1))))]));
    }
  },

  /** Both filters as they are joined, measured through the engine. */
  filters(g, w, h, image, layer, large) {
    const y = db => h * (MAX_DB - Math.max(MIN_DB, Math.min(MAX_DB, db))) / (MAX_DB - MIN_DB);
    if (large) {
      frequencyGrid(g, w, h);
      for (const db of [-36, -12, 0, 12]) {
        g.fillStyle = colour('--rule');
        g.fillRect(0, y(db), w, 1);
        label(g, `${db} dB`, 3, y(db) - 3, colour('--soft'), 'left', 10);
      }
      label(g, `both filters together, at ${keyName(60)} without envelopes`, w - 4, 12, colour('--soft'), 'right', 10);
    }
    if (image[layerId(layer, 'filter1.type')] === 0 && image[layerId(layer, 'filter2.type')] === 0) {
      label(g, 'off', w / 2, y(0) - 6, colour('--soft'), 'center');
      g.fillStyle = colour('--soft');
      g.fillRect(0, y(0), w, 1.5);
      return;
    }
    const heard = sounded(image, layer, [1, 2].flatMap(f => ['cutoff', 'resonance', 'combTune', 'combFeedback', 'vowel', 'mix'].map(p => `filter${f}.${p}`)));
    curve(g, LivePictures.filters(heard, layer, Math.round(w)), 0, w, y, layerColour(layer), large ? 2.2 : 1.5);
  },

  envelope(g, w, h, image, layer, large, data) {
    return envelope(g, w, h, image, layer, Number(data.envelope ?? 0), large);
  },

  envelopes(g, w, h, image, layer) {
    envelope(g, w, h, image, layer, 1, false, colour('--plum'));
    envelope(g, w, h, image, layer, 0, false);
  },

  lfo(g, w, h, image, layer, large, data) {
    const which = Number(data.lfo ?? 0);
    const id = p => layerId(layer, `lfo${which + 1}.${p}`);
    const tempo = image[at('performance.tempo')];
    const cycle = divisionSeconds(id('division'), image, tempo) ?? 1 / LivePatch.sounding(image, id('rate'));
    const seconds = LivePatch.sounding(image, id('delay')) + LivePatch.sounding(image, id('fade')) + 3 * cycle;
    const heard = sounded(image, layer, ['rate', 'delay', 'fade', 'phase', 'pulseWidth', 'smooth'].map(p => `lfo${which + 1}.${p}`));
    const values = LivePictures.lfo(heard, layer, which, seconds, Math.round(w * 2));
    g.fillStyle = colour('--rule');
    g.fillRect(0, h / 2, w, 1);
    curve(g, values, 0, w, v => h / 2 - v * (h / 2 - 6), layerColour(layer), large ? 1.8 : 1.2);
    if (large) {
      label(g, 'key down', 4, h - 5, colour('--soft'), 'left', 10);
      label(g, `${seconds.toFixed(2)} s`, w - 4, h - 5, colour('--soft'), 'right', 10);
    }
    const start = LivePatch.sounding(image, id('delay')) + LivePatch.sounding(image, id('fade'));
    return note => {
      if (!Number.isNaN(note.lfos[which])) {
        const t = note.seconds < seconds ? note.seconds : start + (note.seconds - start) % (3 * cycle);
        dot(g, t / seconds * w, h / 2 - note.lfos[which] * (h / 2 - 6));
      }
    };
  },

  ...effectPictures,

  recording: recordingPicture,

  ...touchPictures,

  macros(g, w, h, image) {
    for (let m = 0; m < 8; m++) {
      const value = image[at('macro1') + m] / 100;
      const x = 4 + m * (w - 8) / 8;
      g.fillStyle = colour('--rule');
      g.fillRect(x, 4, (w - 8) / 8 - 3, h - 8);
      g.fillStyle = colour('--ember');
      g.fillRect(x, 4 + (h - 8) * (1 - value), (w - 8) / 8 - 3, (h - 8) * value);
    }
  },

  level(g, w, h, image) {
    const trim = image[at('levelTrim')];
    g.fillStyle = colour('--rule');
    g.fillRect(w / 2, 4, 1, h - 8);
    g.fillStyle = colour('--tide');
    const x = trim / 36 * w / 2;
    g.fillRect(Math.min(w / 2, w / 2 + x), h / 2 - 5, Math.max(2, Math.abs(x)), 10);
    label(g, LivePatch.format(at('levelTrim'), trim), w / 2, h - 3, colour('--soft'), 'center', 10);
  },
};

/** Levels of the first harmonics as bars from -72 dB up, counted from the strongest. */
function harmonics(g, w, h, top, levels) {
  const strongest = Math.max(-100, ...levels);
  const step = w / levels.length;
  levels.forEach((db, n) => {
    const height = Math.max(0, (db - strongest + 72) / 72) * (h - top - 4);
    g.fillStyle = n === 0 ? colour('--ember') : colour('--tide');
    g.fillRect(n * step + 1, h - height, Math.max(1, step - 2), height);
  });
  g.fillStyle = colour('--rule');
  g.fillRect(0, top, w, 1);
}

/** Where the newest note stands. */
function dot(g, x, y) {
  g.beginPath();
  g.arc(x, y, 4.5, 0, 2 * Math.PI);
  g.fillStyle = colour('--ember');
  g.fill();
}

/** What of a picture stands still while notes sound, and what draws the rest on top of it. @type {WeakMap<HTMLCanvasElement, {copy: OffscreenCanvas, moving: (now: object) => void}>} */
const still = new WeakMap();

/**
 * Draws one picture.
 * @param {HTMLCanvasElement} canvas
 * @param {Float64Array} image
 * @param {number} layer the layer shown
 * @param {number} [sounding] a bit for each layer that sounds, for the key map
 * @returns {((now: object) => void)|undefined} draws what moves on top of it, where anything does
 */
export function draw(canvas, image, layer, sounding = 0) {
  const space = fit(canvas);
  if (!space) {
    return undefined;
  }
  still.delete(canvas);
  const shown = canvas.dataset.ofLayer === undefined ? layer : Number(canvas.dataset.ofLayer);
  const large = canvas.dataset.large !== undefined || canvas.classList.contains('picture');
  return drawers[canvas.dataset.picture](space.g, space.w, space.h, image, shown, large, {...canvas.dataset, sounding});
}

/**
 * Draws where something stands now: on a copy of the picture, which is made anew only after the picture has changed.
 * @param {HTMLCanvasElement} canvas
 * @param {Float64Array} image
 * @param {number} layer
 * @param {object|null} now where the newest note stands, or the level before and behind an effect; null for the picture alone
 */
export function drawMoving(canvas, image, layer, now) {
  if (still.get(canvas)?.copy.width === canvas.width) {
    const space = fit(canvas);
    if (space) {
      space.g.drawImage(still.get(canvas).copy, 0, 0, space.w, space.h);
    }
  } else {
    const moving = draw(canvas, image, layer);
    if (!moving) {
      return;
    }
    const copy = new OffscreenCanvas(canvas.width, canvas.height);
    copy.getContext('2d').drawImage(canvas, 0, 0);
    still.set(canvas, {copy, moving});
  }
  if (now) {
    still.get(canvas).moving(now);
  }
}

/** Places of an envelope's draggable points. */
export function envelopePoints(image, layer, which, w, h) {
  const e = envelopeSpan(image, layer, which);
  const x = t => 8 + t / e.seconds * (w - 16);
  const y = v => h - 18 - v * (h - 30);
  return {span: e, x, y, points: [
    {id: 'attack', x: x(e.delay + e.attack), y: y(1)},
    {id: 'decay', x: x(e.delay + e.attack + e.hold + e.decay), y: y(e.sustain)},
    {id: 'release', x: x(e.held + e.release), y: y(0)}]};
}

function envelope(g, w, h, image, layer, which, large, stroke) {
  const {span, x, y, points} = envelopePoints(image, layer, which, w, h);
  const group = ENVELOPES[which];
  const heard = sounded(image, layer, ['delay', 'attack', 'hold', 'decay', 'sustain', 'release', 'attackCurve', 'decayCurve', 'releaseCurve'].map(id => `${group}.${id}`));
  const values = LivePictures.envelope(heard, layer, which, span.held, span.seconds, Math.max(200, Math.round(w)));
  if (large) {
    g.fillStyle = colour('--rule');
    g.fillRect(x(span.held), y(1), 1, y(0) - y(1));
    g.fillRect(8, y(0), w - 16, 1);
    if (x(span.held) < w - 90) {
      label(g, 'key up', x(span.held) + 3, h - 5, colour('--soft'), 'left', 10);
    }
    label(g, `${span.seconds.toFixed(2)} s`, w - 8, h - 5, colour('--soft'), 'right', 10);
  }
  const shown = large ? y : v => h - 4 - v * (h - 8);
  curve(g, values, 8, w - 16, shown, stroke ?? layerColour(layer), large ? 2.2 : 1.5);
  if (large) {
    points.forEach(p => handle(g, p.x, p.y));
  }
  return note => {
    const at = envelopeTime(note.envelopes[which][0], span);
    if (at !== null) {
      dot(g, x(Math.min(at, span.seconds)), shown(Math.max(0, note.envelopes[which][1])));
    }
  };
}

/** Time on the picture of a place that the audio thread reports: 1000 x stage + seconds within it. */
function envelopeTime(place, span) {
  const stage = Math.floor(place / 1000);
  const seconds = place - 1000 * stage;
  const begins = {1: 0, 2: span.delay, 3: span.delay + span.attack, 4: span.delay + span.attack + span.hold, 5: span.held}[stage];
  return begins === undefined ? null : stage === 5 ? begins + seconds : Math.min(begins + seconds, span.held);
}

/** The image with some parameters where their macros put them, so that pictures show what is heard. */
function sounded(image, layer, ids) {
  const copy = Float64Array.from(image);
  ids.forEach(id => {
    const index = layerId(layer, id);
    copy[index] = LivePatch.sounding(image, index);
  });
  return copy;
}
