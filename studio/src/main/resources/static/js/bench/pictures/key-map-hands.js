// Zones of the key map under the hand and under the keys: moved, sized, split.
import * as player from '../../player/player.js';
import {HIGH, LOW, at, base, keyPlayedLast, keyX, on, response, splitAt, velocityY, zone} from './key-map.js';

const NEAR = 7;

/** Edges and rectangles follow the hand; while a response is shown, a press inside plays that key at that velocity. */
export function keyMapHand(state, layer, box, from) {
  const bottom = base(box.height, true);
  const image = state.image;
  const edges = on(image).flatMap(l => {
    const z = zone(image, l);
    const inKeys = from.x >= keyX(z.lowKey, box.width) - NEAR && from.x <= keyX(z.highKey + 1, box.width) + NEAR;
    const inVelocities = from.y >= velocityY(z.highVelocity, bottom) - NEAR && from.y <= velocityY(z.lowVelocity - 1, bottom) + NEAR;
    return [
      {id: 'lowKey', l, across: true, d: inVelocities ? Math.abs(keyX(z.lowKey, box.width) - from.x) : 1e9},
      {id: 'highKey', l, across: true, d: inVelocities ? Math.abs(keyX(z.highKey + 1, box.width) - from.x) : 1e9},
      {id: 'lowVelocity', l, across: false, d: inKeys ? Math.abs(velocityY(z.lowVelocity - 1, bottom) - from.y) : 1e9},
      {id: 'highVelocity', l, across: false, d: inKeys ? Math.abs(velocityY(z.highVelocity, bottom) - from.y) : 1e9}];
  });
  const keyAt = x => Math.max(0, Math.min(127, Math.round(LOW + x / box.width * (HIGH - LOW))));
  const velocityAt = y => Math.max(0, Math.min(127, Math.round((bottom - y) / bottom * 127)));
  const least = Math.min(...edges.map(e => e.d));
  if (least <= NEAR) {
    const taken = edges.filter(e => e.d <= least + 0.5);
    return place => taken.forEach(e => {
      const value = e.across ? keyAt(place.x) : velocityAt(place.y);
      const set = {lowKey: Math.min(127, value), highKey: Math.max(0, value - 1), lowVelocity: Math.min(127, value + 1), highVelocity: Math.max(1, value)}[e.id];
      state.set(at(e.l, `zone.${e.id}`), set);
    });
  }
  if (response.shows && response.map) {
    const key = Math.floor(LOW + from.x / box.width * (HIGH - LOW));
    player.noteOn(key, Math.max(1, velocityAt(from.y)));
    document.addEventListener('pointerup', () => player.noteOff(key), {once: true});
    return null;
  }
  return rectangleHand(state, layer, from, keyAt, velocityAt);
}

function rectangleHand(state, layer, from, keyAt, velocityAt) {
  const z = zone(state.image, layer);
  const [key, velocity] = [keyAt(from.x), velocityAt(from.y)];
  if (state.image[at(layer, 'on')] !== 1 || key < z.lowKey || key > z.highKey || velocity < z.lowVelocity || velocity > z.highVelocity) {
    return null;
  }
  return place => put(state, layer, shifted(z, keyAt(place.x) - key, velocityAt(place.y) - velocity));
}

const within = (value, least, most) => Math.max(least, Math.min(most, value));

/** The whole zone moved by keys and velocities, as far as the keyboard goes. */
function shifted(z, keys, velocities) {
  const across = within(keys, -z.lowKey, 127 - z.highKey);
  const up = within(velocities, 1 - z.lowVelocity, 127 - z.highVelocity);
  return {lowKey: z.lowKey + across, highKey: z.highKey + across, lowVelocity: z.lowVelocity + up, highVelocity: z.highVelocity + up};
}

/** Steps of the arrow and page keys: semitones across, velocities up. */
const STEPS = {ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1], PageUp: [12, 0], PageDown: [-12, 0]};

/**
 * The map by keys: arrows move the shown layer's zone, with Shift its upper key and velocity, with Ctrl its lower ones; S splits at the
 * key played last. A double click splits the layer that lies there.
 * @param {HTMLCanvasElement} canvas
 * @param {import('../patch-state.js').PatchState} state
 * @param {() => number} shownLayer
 */
export function wireKeyMapKeys(canvas, state, shownLayer) {
  canvas.addEventListener('dblclick', e => {
    const box = canvas.getBoundingClientRect();
    if (!response.shows) {
      const key = within(Math.floor(LOW + (e.clientX - box.left) / box.width * (HIGH - LOW)), 1, 127);
      const there = on(state.image).filter(layer => key > zone(state.image, layer).lowKey && key <= zone(state.image, layer).highKey);
      splitAt(key, there.includes(shownLayer()) ? shownLayer() : there[0]);
    }
  });
  canvas.addEventListener('keydown', e => {
    const step = STEPS[e.key];
    if (!step && e.key.toLowerCase() === 's' && !e.ctrlKey && !e.metaKey && !e.altKey) {
      e.preventDefault();
      e.stopPropagation();
      const z = zone(state.image, shownLayer());
      splitAt(keyPlayedLast() ?? within(Math.ceil((z.lowKey + z.highKey) / 2), 1, 127));
    }
    if (!step || e.altKey || e.metaKey || state.image[at(shownLayer(), 'on')] !== 1) {
      return;
    }
    e.preventDefault();
    e.stopPropagation();
    if (!e.repeat) {
      state.beginGesture(true);
    }
    const moved = stepped(zone(state.image, shownLayer()), step, e.shiftKey ? 'high' : e.ctrlKey || e.metaKey ? 'low' : 'both');
    put(state, shownLayer(), moved);
  });
  canvas.addEventListener('keyup', e => STEPS[e.key] && state.endGesture());
}

/** The zone after a step of one edge or of the whole, inside of the keyboard. */
function stepped(z, [across, up], edge) {
  if (edge === 'high') {
    return {highKey: within(z.highKey + across, z.lowKey, 127), highVelocity: within(z.highVelocity + up, z.lowVelocity, 127)};
  }
  if (edge === 'low') {
    return {lowKey: within(z.lowKey + across, 0, z.highKey), lowVelocity: within(z.lowVelocity + up, 1, z.highVelocity)};
  }
  return shifted(z, across, up);
}

/** Sets what differs of a zone. */
function put(state, layer, zoneNow) {
  Object.entries(zoneNow).filter(([id, value]) => value !== state.image[at(layer, `zone.${id}`)]).forEach(([id, value]) => state.set(at(layer, `zone.${id}`), value));
}
