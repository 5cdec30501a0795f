// Editing on the pictures: envelope points, the filter's peak, edges of the key map.
import {LivePatch} from '../../../engine/engine.js';
import {DELAY_SPAN, bandSplits, bankBands, bodyPoints, delayPoints, equaliserPoints, frequencyPlace, ofSlot} from './effect-pictures.js';
import {nearestDivision} from '../../lib/divisions.js';
import {keyMapHand, wireKeyMapKeys} from './key-map-hands.js';
import {recordingHand} from './recording-picture.js';
import {envelopeId, envelopePoints, frequencyAt} from './pictures.js';
import {say} from '../../page/requests.js';

const NEAR = 18;
/** A double click that has just added a band is not meant to take it away. */
const JUST_ADDED_MS = 700;

/**
 * Lets a picture be edited by hand.
 * @param {HTMLCanvasElement} canvas
 * @param {import('../patch-state.js').PatchState} state
 * @param {() => number} shownLayer
 */
export function wirePicture(canvas, state, shownLayer) {
  const kind = canvas.dataset.picture;
  const begin = {envelope: envelopeHand, filter: filterHand, keymap: keyMapHand, equaliser: equaliserHand, delay: delayHand, compressor: compressorHand,
    reverb: reverbHand, response: responseHand, bands: bandsHand, bank: bankHand, body: bodyHand, recording: recordingHand}[kind];
  if (!begin || canvas.dataset.large === undefined && canvas.dataset.first === undefined) {
    return;
  }
  if (kind === 'equaliser') {
    canvas.addEventListener('wheel', e => widthHand(e, canvas, state), {passive: false});
    canvas.addEventListener('dblclick', e => giveBack(e, canvas, state));
  }
  if (kind === 'keymap') {
    wireKeyMapKeys(canvas, state, shownLayer);
  }
  canvas.addEventListener('pointerdown', e => {
    const box = canvas.getBoundingClientRect();
    const place = event => ({x: event.clientX - box.left, y: event.clientY - box.top});
    const layer = canvas.dataset.ofLayer === undefined ? shownLayer() : Number(canvas.dataset.ofLayer);
    const move = begin(state, layer, box, place(e), Number(canvas.dataset.envelope ?? canvas.dataset.filter ?? canvas.dataset.source ?? canvas.dataset.first ?? 0));
    if (!move) {
      return;
    }
    canvas.setPointerCapture(e.pointerId);
    state.beginGesture(true);
    if (move.added) {
      canvas.dataset.added = String(performance.now());
      move(place(e));
    }
    const follow = event => move(place(event));
    const end = () => {
      canvas.removeEventListener('pointermove', follow);
      canvas.removeEventListener('pointerup', end);
      state.endGesture();
    };
    canvas.addEventListener('pointermove', follow);
    canvas.addEventListener('pointerup', end);
  });
}

const clamp = v => Math.max(0, Math.min(1, v));
const find = (layer, id) => LivePatch.indexOf(`layer${layer + 1}.${id}`);

/** Moves a time: from division to division where it keeps the tempo, otherwise freely up to the most that it can be. */
function setTime(state, time, division, seconds, most = Infinity) {
  if (state.image[division] === 0) {
    state.set(time, Math.min(most, seconds));
  } else {
    state.set(division, nearestDivision(seconds, state.image[LivePatch.indexOf('performance.tempo')]));
  }
}

/** The nearest point follows the hand; the time axis stays as it was when the drag began. */
function envelopeHand(state, layer, box, from, which) {
  const {span, points} = envelopePoints(state.image, layer, which, box.width, box.height);
  const point = nearest(points, from);
  if (point.d > NEAR) {
    return null;
  }
  const group = envelopeId(which);
  const scale = span.seconds / (box.width - 16);
  const time = find(layer, `${group}.${point.id}`);
  const division = find(layer, `${group}.${point.id}Division`);
  return place => {
    setTime(state, time, division, Math.max(0, span[point.id] + (place.x - point.x) * scale));
    if (point.id === 'decay') {
      state.set(find(layer, `${group}.sustain`), 100 * clamp((box.height - 18 - place.y) / (box.height - 30)));
    }
  };
}

const filterHand = (state, layer, box, from, which) =>
  cutoffHand(state, box, from, find(layer, `filter${which + 1}.cutoff`), find(layer, `filter${which + 1}.resonance`), {most: 60, span: 88});

const responseHand = (state, layer, box, from, first) =>
  cutoffHand(state, box, from, ofSlot(first, 'filter.cutoff'), ofSlot(first, 'filter.resonance'), {most: 36, span: 90});

/** Across is cutoff, up is resonance: to its most in dB, on a picture that spans so many. */
function cutoffHand(state, box, from, cutoff, resonance, {most, span}) {
  if (!LivePatch.relevant(state.image, cutoff)) {
    return null;
  }
  const start = state.sounding(resonance);
  return place => {
    state.set(cutoff, frequencyAt(clamp(place.x / box.width)));
    state.set(resonance, Math.max(0, Math.min(most, start + (from.y - place.y) * span / box.height)));
  };
}

/** The nearest split follows the hand across; within a band the hand sets its drive. */
function bandsHand(state, layer, box, from, first) {
  const splits = bandSplits(state.image, first);
  const places = splits.map(hz => frequencyPlace(hz) * box.width);
  const near = places.findIndex(x => Math.abs(x - from.x) < NEAR / 2);
  if (near >= 0) {
    return place => state.set(ofSlot(first, `bands.split${near + 1}`), frequencyAt(clamp(place.x / box.width)));
  }
  const band = places.filter(x => x < from.x).length;
  return place => state.set(ofSlot(first, `bands.amount${band + 1}`), 48 * clamp((box.height - 4 - place.y) / (box.height - 26)));
}

/** The outer splits follow the hand across; anywhere else the hand pulls what is heard along the bands. */
function bankHand(state, layer, box, from, first) {
  const {edges, shift} = bankBands(state.image, first, box.width);
  for (const [id, x] of [['low', edges[1]], ['high', edges[edges.length - 2]]]) {
    if (Math.abs(x - from.x) < NEAR / 2 && from.y > box.height / 2) {
      return place => state.set(ofSlot(first, `bank.${id}`), frequencyAt(clamp(place.x / box.width)));
    }
  }
  const wide = edges[2] - edges[1];
  return place => state.set(ofSlot(first, 'bank.shift'), Math.max(-8, Math.min(8, Math.round(4 * (shift + (place.x - from.x) / wide)) / 4)));
}

/** A resonance of a drawn body follows the hand: across is its frequency, up its level; at the bottom it is off. */
function bodyHand(state, layer, box, from, first) {
  const points = bodyPoints(state.image, first, box.width, box.height);
  const point = points.length > 0 ? nearest(points, from) : null;
  if (!point || point.d > NEAR) {
    return null;
  }
  return place => {
    state.set(point.ratio, Math.max(0.25, Math.min(32, frequencyAt(clamp(place.x / box.width)) / point.tune)));
    state.set(point.level, Math.max(-48, Math.min(6, 6 - 54 * clamp((place.y - 6) / (box.height - 12)))));
  };
}

const nearest = (points, from) => points.map(p => ({...p, d: Math.hypot(p.x - from.x, p.y - from.y)})).sort((a, b) => a.d - b.d)[0];

/** The nearest shelf or bell follows the hand, away from all of them the first bell that is not in use: across is its frequency, up its gain. */
function equaliserHand(state, layer, box, from, first) {
  const points = equaliserPoints(state.image, first, box.width, box.height);
  const near = nearest(points, from);
  const point = near.d <= NEAR ? near : points.find(p => p.q !== undefined && !p.used);
  if (!point) {
    say('All four bells are in use. Double-click one to give it back.', {key: 'equaliser', calm: true});
    return null;
  }
  const move = place => {
    state.set(point.hz, frequencyAt(clamp(place.x / box.width)));
    state.set(point.gain, Math.max(-24, Math.min(24, (box.height / 2 - place.y) / (box.height / 2 - 4) * 26)));
  };
  move.added = point !== near;
  return move;
}

/** A band that is double-clicked is out of use again. */
function giveBack(e, canvas, state) {
  const box = canvas.getBoundingClientRect();
  const point = nearest(equaliserPoints(state.image, Number(canvas.dataset.first), box.width, box.height), {x: e.clientX - box.left, y: e.clientY - box.top});
  if (point.d <= NEAR && point.used && performance.now() - Number(canvas.dataset.added ?? -JUST_ADDED_MS) > JUST_ADDED_MS) {
    state.beginGesture(true);
    state.set(point.gain, 0);
    state.endGesture();
  }
}

/** The wheel over a bell makes it narrower or wider. */
function widthHand(e, canvas, state) {
  const box = canvas.getBoundingClientRect();
  const point = nearest(equaliserPoints(state.image, Number(canvas.dataset.first), box.width, box.height), {x: e.clientX - box.left, y: e.clientY - box.top});
  if (point.d < NEAR && point.q !== undefined) {
    e.preventDefault();
    state.set(point.q, state.sounding(point.q) * (e.deltaY < 0 ? 1.08 : 1 / 1.08));
  }
}

/** The first repeat of a side follows the hand. */
function delayHand(state, layer, box, from, first) {
  const point = nearest(delayPoints(state.image, first, box.width, box.height), from);
  if (point.d > NEAR) {
    return null;
  }
  return place => setTime(state, point.time, point.division, Math.max(0.001, place.x / box.width * DELAY_SPAN), 2);
}

/** Across moves the threshold. */
function compressorHand(state, layer, box, from, first) {
  const threshold = ofSlot(first, 'compressor.threshold');
  const side = Math.min(box.width, box.height * 1.6);
  return place => state.set(threshold, Math.max(-60, Math.min(0, place.x / side * 66 - 60)));
}

/** Across moves the decay: eight seconds over the picture. */
function reverbHand(state, layer, box, from, first) {
  const decay = ofSlot(first, 'reverb.decay');
  return place => state.set(decay, Math.max(0.1, place.x / box.width * 8));
}
