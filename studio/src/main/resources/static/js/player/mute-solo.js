// What is muted, bypassed or heard alone for now. Only the audio thread hears of it: nothing here is ever stored in a patch.
import {LivePatch} from '../../engine/engine.js';

const ROUTE_NUMBERS = 8;
const OFF_DB = -72;
const LAYERS = 4;
const off = new Set();
const solo = new Set();
const routesOff = new Set();
let changed = () => {};

/** Calls back when what is heard changes. */
export function onEars(callback) {
  changed = callback;
}

/** Mutes or bypasses a part, or lets it be heard again. @param {string} part start of its parameters' ids */
function toggleOff(part) {
  toggle(off, part);
}

/** Hears a part alone, or all again. */
function toggleSolo(part) {
  toggle(solo, part);
}

/** Takes a route out, or in again. @param {number} route */
function toggleRoute(route) {
  toggle(routesOff, route);
}

/** Everything is heard again. */
export function hearAll() {
  off.clear();
  solo.clear();
  routesOff.clear();
  changed();
}

const isOff = part => off.has(part);
const isSolo = part => solo.has(part);
const isRouteOff = route => routesOff.has(route);

/** How many parts are set aside for now. */
function earCount() {
  return off.size + solo.size + routesOff.size;
}

function toggle(set, entry) {
  if (!set.delete(entry)) {
    set.add(entry);
  }
  changed();
}

/** The image as it is to be heard. @param {Float64Array} image @returns {Float64Array} the same when nothing is set aside */
export function masked(image) {
  if (earCount() === 0) {
    return image;
  }
  const pins = new Map();
  const pin = (id, value) => pins.set(LivePatch.indexOf(id), value);
  off.forEach(part => silence(part, pin));
  soloed(pin);
  const heard = LivePatch.pinned(image, Float64Array.from(pins.keys()), Float64Array.from(pins.values()));
  const routes = LivePatch.parameterCount();
  routesOff.forEach(route => {
    if (route < heard[routes]) {
      heard[routes + 1 + ROUTE_NUMBERS * route + 2] = 0;
    }
  });
  return heard;
}

function silence(part, pin) {
  if (/^layer\d\.$/.test(part)) {
    pin(part + 'zone.level', OFF_DB);
  } else if (/source\d\.$|noise\.$/.test(part)) {
    pin(part + 'level', OFF_DB);
  } else if (/filter\d\.$|drive\.$/.test(part)) {
    pin(part + 'type', 0);
  } else if (/effect\d+\.$/.test(part)) {
    pin(part + 'on', 1);
  }
}

/** Layers stand against layers, the sources and the noise of a layer against each other. */
function soloed(pin) {
  const layers = [...solo].filter(part => /^layer\d\.$/.test(part));
  const sources = [...solo].filter(part => !layers.includes(part));
  for (let l = 1; l <= LAYERS; l++) {
    const here = `layer${l}.`;
    const mine = sources.filter(part => part.startsWith(here));
    const others = sources.length > 0 && mine.length === 0;
    if (layers.length > 0 ? !layers.includes(here) && mine.length === 0 : others) {
      silence(here, pin);
    } else if (mine.length > 0) {
      ['source1.', 'source2.', 'source3.', 'noise.'].map(s => here + s).filter(s => !mine.includes(s)).forEach(s => silence(s, pin));
    }
  }
}

/** Brings the buttons of fresh pieces of a bench to life. @param {import('../bench/pieces.js').Fresh} bench */
export function wireEars(bench) {
  bench.querySelectorAll('[data-part]').forEach(tools => {
    tools.querySelector('[data-ear-off]')?.addEventListener('click', () => toggleOff(tools.dataset.part));
    tools.querySelector('[data-ear-solo]')?.addEventListener('click', () => toggleSolo(tools.dataset.part));
  });
  bench.querySelectorAll('[data-ear-route]').forEach(b => b.addEventListener('click', () => toggleRoute(Number(b.dataset.earRoute))));
}

/** Shows what is set aside. */
export function showEars(bench) {
  bench.querySelectorAll('[data-part]').forEach(tools => {
    tools.querySelector('[data-ear-off]')?.setAttribute('aria-pressed', String(isOff(tools.dataset.part)));
    tools.querySelector('[data-ear-solo]')?.setAttribute('aria-pressed', String(isSolo(tools.dataset.part)));
  });
  bench.querySelectorAll('[data-ear-route]').forEach(b => b.setAttribute('aria-pressed', String(isRouteOff(Number(b.dataset.earRoute)))));
  const line = bench.querySelector('#ears');
  const count = earCount();
  line.hidden = count === 0;
  if (count > 0) {
    const all = document.createElement('button');
    all.type = 'button';
    all.textContent = 'Hear everything';
    all.addEventListener('click', hearAll);
    const names = [...[...off].map(p => `${words(p)} out`), ...[...solo].map(p => `${words(p)} alone`), ...[...routesOff].map(r => `route ${r + 1} out`)];
    line.replaceChildren(`For now, and never stored: ${names.join(', ')}. `, all);
  }
}

function words(part) {
  return part.replace(/\.$/, '').replaceAll('.', ' ').replace(/([a-z])(\d)/g, '$1 $2');
}
