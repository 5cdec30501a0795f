// Pictures of effects: equaliser, compressor, delay, reverb, and the chain as a whole.
import {LivePatch, LivePictures} from '../../../engine/engine.js';
import {colour, curve, frequencyGrid, handle, label} from '../../lib/canvas.js';
import {divisionSeconds} from '../../lib/divisions.js';

const SLOTS = 10;
/** Seconds across the picture of a delay. */
export const DELAY_SPAN = 3;
/** The choice of a reverb that swells. */
const BLOOM = 4;
const at = id => LivePatch.indexOf(id);

/** Registry index of a slot's parameter. @param {number} first index of the slot's first parameter */
export function ofSlot(first, id) {
  return first + at(`effect1.${id}`) - at('effect1.type');
}

export const effectPictures = {
  equaliser(g, w, h, image, layer, large, data) {
    const y = db => h / 2 - Math.max(-26, Math.min(26, db)) / 26 * (h / 2 - 4);
    frequencyGrid(g, w, h);
    for (const db of [-12, 0, 12]) {
      g.fillStyle = colour('--rule');
      g.fillRect(0, y(db), w, 1);
      label(g, `${db} dB`, 3, y(db) - 3, colour('--soft'), 'left', 10);
    }
    curve(g, LivePictures.effect(heard(image, Number(data.first)), Number(data.first), Math.round(w / 2)), 0, w, y, colour('--tide'), 2);
    equaliserPoints(image, Number(data.first), w, h).forEach(p => {
      if (p.used) {
        handle(g, p.x, p.y);
      } else {
        g.fillStyle = colour('--rule');
        g.beginPath();
        g.arc(p.x, p.y, 4, 0, 2 * Math.PI);
        g.fill();
      }
      label(g, p.name, p.x, p.y - 9, colour('--soft'), 'center', 9);
    });
  },

  response(g, w, h, image, layer, large, data) {
    const first = Number(data.first);
    const y = db => h * (36 - Math.max(-54, Math.min(36, db))) / 90;
    frequencyGrid(g, w, h);
    for (const db of [-36, -12, 0, 12, 24]) {
      g.fillStyle = colour('--rule');
      g.fillRect(0, y(db), w, 1);
      label(g, `${db} dB`, 3, y(db) - 3, colour('--soft'), 'left', 10);
    }
    const response = LivePictures.effect(heard(image, first), first, Math.round(w / 2));
    curve(g, response, 0, w, y, colour('--tide'), 2);
    const cutoff = ofSlot(first, 'filter.cutoff');
    if (LivePatch.relevant(image, cutoff)) {
      const x = frequencyPlace(LivePatch.sounding(image, cutoff)) * w;
      handle(g, x, y(response[Math.max(0, Math.min(response.length - 1, Math.round(x / w * (response.length - 1))))]));
    }
  },

  bands(g, w, h, image, layer, large, data) {
    const first = Number(data.first);
    const v = id => LivePatch.sounding(image, ofSlot(first, id));
    const splits = bandSplits(image, first);
    frequencyGrid(g, w, h);
    const edges = [0, ...splits.map(hz => frequencyPlace(hz) * w), w];
    for (let b = 0; b < edges.length - 1; b++) {
      const drive = v(`bands.amount${b + 1}`);
      const share = v(`bands.mix${b + 1}`) / 100;
      const height = drive / 48 * (h - 26);
      g.globalAlpha = 0.25 + 0.75 * share;
      g.fillStyle = colour('--tide');
      g.fillRect(edges[b] + 2, h - 4 - height, Math.max(1, edges[b + 1] - edges[b] - 4), height);
      g.globalAlpha = 1;
      label(g, `${LivePatch.format(ofSlot(first, `bands.amount${b + 1}`), drive)}, ${LivePatch.format(ofSlot(first, `bands.level${b + 1}`), v(`bands.level${b + 1}`))}`,
        (edges[b] + edges[b + 1]) / 2, Math.min(h - 22, h - 8 - height), colour('--ink'), 'center', 10);
    }
    splits.forEach(hz => {
      g.fillStyle = colour('--ink');
      g.fillRect(frequencyPlace(hz) * w, 0, 1, h);
      handle(g, frequencyPlace(hz) * w, 8);
    });
  },

  body(g, w, h, image, layer, large, data) {
    const first = Number(data.first);
    const y = bodyPlace(h);
    frequencyGrid(g, w, h);
    for (const db of [-36, -24, -12, 0]) {
      g.fillStyle = colour('--rule');
      g.fillRect(0, y(db), w, 1);
      label(g, `${db} dB`, 3, y(db) - 3, colour('--soft'), 'left', 10);
    }
    curve(g, LivePictures.effect(heard(image, first), first, Math.round(w)), 0, w, y, colour('--tide'), 2);
    bodyPoints(image, first, w, h).forEach(p => handle(g, p.x, p.y));
    if (LivePatch.sounding(image, ofSlot(first, 'body.keyTracking')) > 0) {
      label(g, 'at middle C', w - 4, 12, colour('--soft'), 'right', 10);
    }
  },

  bank(g, w, h, image, layer, large, data) {
    const first = Number(data.first);
    const {edges, shift} = bankBands(image, first, w);
    const depth = LivePatch.sounding(image, ofSlot(first, 'bank.depth')) / 100;
    frequencyGrid(g, w, h);
    const row = 18;
    const middle = k => (edges[k] + edges[k + 1]) / 2;
    for (let k = 0; k < edges.length - 1; k++) {
      for (const y of [4, h - 4 - row]) {
        g.fillStyle = colour('--rule');
        g.fillRect(edges[k] + 1, y, Math.max(1, edges[k + 1] - edges[k] - 2), row);
      }
      // Where what is heard in this band takes its level: from one band, or from two in parts.
      const from = k - shift;
      for (const [source, share] of [[Math.floor(from), 1 - from + Math.floor(from)], [Math.floor(from) + 1, from - Math.floor(from)]]) {
        if (share > 0 && source >= 0 && source < edges.length - 1) {
          g.globalAlpha = share * depth;
          g.strokeStyle = colour('--tide');
          g.lineWidth = 2;
          g.beginPath();
          g.moveTo(middle(source), h - 4 - row);
          g.lineTo(middle(k), 4 + row);
          g.stroke();
          g.fillStyle = colour('--tide');
          g.fillRect(edges[k] + 1, 4, Math.max(1, edges[k + 1] - edges[k] - 2), row);
          g.globalAlpha = 1;
        }
      }
    }
    handle(g, edges[1], h - 4 - row / 2);
    handle(g, edges[edges.length - 2], h - 4 - row / 2);
    label(g, 'what is heard', 6, 4 + row + 12, colour('--soft'), 'left', 10);
    label(g, 'takes its level from', 6, h - 4 - row - 6, colour('--soft'), 'left', 10);
  },

  compressor(g, w, h, image, layer, large, data) {
    const side = Math.min(w, h * 1.6);
    const y = db => h - 4 - (Math.max(-60, Math.min(6, db)) + 60) / 66 * (h - 8);
    g.strokeStyle = colour('--rule');
    g.beginPath();
    g.moveTo(0, y(-60));
    g.lineTo(side * 60 / 66, y(0));
    g.stroke();
    curve(g, LivePictures.effect(heard(image, Number(data.first)), Number(data.first), 120), 0, side * 60 / 66, y, colour('--tide'), 2);
    label(g, 'in −60 to 0 dB, out upward', w - 4, h - 4, colour('--soft'), 'right', 10);
    const threshold = LivePatch.sounding(image, ofSlot(Number(data.first), 'compressor.threshold'));
    handle(g, side * (threshold + 60) / 66, y(threshold));
    return peaks => {
      const [before, after] = peaks.map(v => 20 * Math.log10(Math.max(1e-6, v)));
      g.beginPath();
      g.arc(side * (Math.max(-60, Math.min(6, before)) + 60) / 66, y(after), 4.5, 0, 2 * Math.PI);
      g.fillStyle = colour('--ember');
      g.fill();
    };
  },

  delay(g, w, h, image, layer, large, data) {
    const first = Number(data.first);
    const v = id => LivePatch.sounding(image, ofSlot(first, id));
    const tempo = image[at('performance.tempo')];
    const span = DELAY_SPAN;
    const mix = v('mix') / 100;
    const feedback = v('delay.feedback') / 100;
    g.fillStyle = colour('--rule');
    for (let beat = 0; beat * 60 / tempo < span; beat++) {
      g.fillRect(beat * 60 / tempo / span * w, 0, 1, h);
    }
    g.fillRect(0, h / 2, w, 1);
    const bar = (t, level, left) => {
      const height = level * (h / 2 - 6);
      g.fillRect(t / span * w, left ? h / 2 - height : h / 2, 3, height);
    };
    g.fillStyle = colour('--ink');
    bar(0, 1 - mix, true);
    bar(0, 1 - mix, false);
    g.fillStyle = colour('--tide');
    const [left, right] = ['Left', 'Right'].map(side => divisionSeconds(ofSlot(first, `delay.division${side}`), image, tempo) ?? v(`delay.time${side}`));
    if (image[ofSlot(first, 'delay.pingPong')] === 1) {
      let level = mix;
      for (let t = 0; t < span && level > 0.01 && left + right > 0.01; level *= feedback) {
        t += left;
        bar(t, level, true);
        t += right;
        bar(t, level, false);
      }
    } else {
      for (const [time, side] of [[left, true], [right, false]]) {
        for (let t = time, level = mix; t < span && level > 0.01; t += time, level *= feedback) {
          bar(t, level, side);
        }
      }
    }
    delayPoints(image, first, w, h).forEach(p => handle(g, p.x, p.y));
    label(g, 'L', 4, 12, colour('--soft'), 'left', 10);
    label(g, 'R', 4, h - 4, colour('--soft'), 'left', 10);
    label(g, `lines: beats at ${tempo} BPM`, w - 4, h - 4, colour('--soft'), 'right', 10);
  },

  reverb(g, w, h, image, layer, large, data) {
    const first = Number(data.first);
    const v = id => LivePatch.sounding(image, ofSlot(first, id));
    const tempo = image[at('performance.tempo')];
    const span = 8;
    const pre = divisionSeconds(ofSlot(first, 'reverb.division'), image, tempo) ?? v('reverb.preDelay');
    const decay = v('reverb.decay');
    // A bloom swells for about a tenth of a second at no size, a third at full size; a gate shuts what comes out after its time.
    const swell = image[ofSlot(first, 'reverb.kind')] === BLOOM ? 0.1 + 0.25 * v('reverb.size') / 100 : 0;
    const gated = image[ofSlot(first, 'reverb.gate')] !== 0 ? v('reverb.gateHold') : Infinity;
    const values = new Float64Array(400).map((_, i) => {
      const t = i / 399 * span - pre;
      return t < 0 || t + pre > gated ? 0 : v('mix') / 100 * Math.min(1, swell > 0 ? t / swell : 1) * Math.max(0, 1 - Math.max(0, t - swell) / decay);
    });
    curve(g, values, 0, w, x => h - 4 - x * (h - 12), colour('--tide'));
    label(g, `to −60 dB in ${LivePatch.format(ofSlot(first, 'reverb.decay'), decay)}`, w - 4, 12, colour('--soft'), 'right', 10);
  },

  effects(g, w, h, image) {
    const used = [...Array(SLOTS).keys()].map(s => at(`effect${s + 1}.type`)).filter(first => image[first] !== 0);
    const step = Math.min(12, (h - 6) / Math.max(1, used.length));
    used.forEach((first, i) => {
      g.fillStyle = colour('--rule');
      g.fillRect(4, 4 + i * step, w - 8, step - 3);
      g.fillStyle = colour('--tide');
      g.fillRect(4, 4 + i * step, (w - 8) * LivePatch.sounding(image, ofSlot(first, 'mix')) / 100, step - 3);
    });
  },
};

/** Where a frequency from 20 Hz to 20 kHz stands, from 0 to 1. */
export const frequencyPlace = hz => Math.log(hz / 20) / Math.log(1000);

/** Frequencies at which a drive by band is split, in Hz. */
export function bandSplits(image, first) {
  const count = 1 + image[ofSlot(first, 'bands.count')];
  return [...Array(count).keys()].map(s => LivePatch.sounding(image, ofSlot(first, `bands.split${s + 1}`)));
}

const bodyPlace = h => db => 6 + (6 - Math.max(-48, Math.min(6, db))) / 54 * (h - 12);
const BODY_DRAWN = 4;

/** The resonances of a drawn body where they stand; none where the body is not drawn. */
export function bodyPoints(image, first, w, h) {
  if (image[ofSlot(first, 'body.kind')] !== BODY_DRAWN) {
    return [];
  }
  const tune = LivePatch.sounding(image, ofSlot(first, 'body.tune'));
  return [...Array(8).keys()].map(k => {
    const ratio = ofSlot(first, `body.ratio${k + 1}`);
    const level = ofSlot(first, `body.level${k + 1}`);
    return {ratio, level, tune, x: frequencyPlace(tune * LivePatch.sounding(image, ratio)) * w, y: bodyPlace(h)(LivePatch.sounding(image, level))};
  });
}

/** Edges of the bands of a filter bank across a picture, and by how many bands it is shifted. */
export function bankBands(image, first, w) {
  const v = id => LivePatch.sounding(image, ofSlot(first, `bank.${id}`));
  const bands = Math.round(v('bands'));
  const [low, high] = [v('low'), Math.max(2 * v('low'), v('high'))];
  const splits = [...Array(bands - 1).keys()].map(s => frequencyPlace(low * (high / low) ** (s / (bands - 2))) * w);
  return {edges: [0, ...splits, w], shift: v('shift')};
}

/** The points by which an equaliser is drawn: shelves and bells, at their frequency and gain. */
export function equaliserPoints(image, first, w, h) {
  const point = (name, hz, gain, q) => ({name, hz: ofSlot(first, hz), gain: ofSlot(first, gain), q: q && ofSlot(first, q), used: LivePatch.sounding(image, ofSlot(first, gain)) !== 0,
    x: Math.log(LivePatch.sounding(image, ofSlot(first, hz)) / 20) / Math.log(1000) * w,
    y: h / 2 - Math.max(-26, Math.min(26, LivePatch.sounding(image, ofSlot(first, gain)))) / 26 * (h / 2 - 4)});
  return [point('low', 'equaliser.lowShelf', 'equaliser.lowGain'), ...[1, 2, 3, 4].map(b => point(String(b), `equaliser.bell${b}`, `equaliser.gain${b}`, `equaliser.q${b}`)),
    point('high', 'equaliser.highShelf', 'equaliser.highGain')];
}

/** The points by which a delay is drawn: the first repeat of each side on a ruler of beats. */
export function delayPoints(image, first, w, h) {
  const tempo = image[at('performance.tempo')];
  return ['Left', 'Right'].map((side, i) => {
    const division = ofSlot(first, `delay.division${side}`);
    const time = ofSlot(first, `delay.time${side}`);
    const seconds = divisionSeconds(division, image, tempo) ?? LivePatch.sounding(image, time);
    return {division, time, x: seconds / DELAY_SPAN * w + 1.5, y: i === 0 ? 8 : h - 8};
  });
}

/** The image with a slot's parameters where their macros put them. */
function heard(image, first) {
  const copy = Float64Array.from(image);
  for (let i = first; i < first + at('effect2.type') - at('effect1.type'); i++) {
    copy[i] = LivePatch.sounding(image, i);
  }
  return copy;
}
