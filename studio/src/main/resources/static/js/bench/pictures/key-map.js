// The key map: zones of layers over keys and velocities, moved by hand, and the measured response behind them.
import {LivePatch} from '../../../engine/engine.js';
import * as player from '../../player/player.js';
import {ask, say} from '../../page/requests.js';
import {colour, label, layerColour} from '../../lib/canvas.js';
import {format, keyName, middleOctave, setMiddleOctave, tellKeys} from '../../lib/key-names.js';

export const LOW = 24;
export const HIGH = 109;
const KEYS = 26;
const POLL_MS = 700;
const SHOWN = {
  loudness: {text: v => `${v.toFixed(1).replace('-', '−')} LUFS`, of: c => c.loudness},
  brightness: {text: v => `${Math.round(Math.pow(2, v))} Hz`, of: c => Math.log2(Math.max(20, c.brightness))},
  cents: {text: v => `${v > 0 ? '+' : v < 0 ? '−' : ''}${Math.abs(v).toFixed(1)} ct`, of: c => c.cents},
  attack: {text: v => `${Math.round(v * 1000)} ms`, of: c => c.attack},
  tail: {text: v => `${v.toFixed(2)} s`, of: c => c.tail},
};

export const at = (layer, id) => LivePatch.indexOf(`layer${layer + 1}.${id}`);
export const on = image => [0, 1, 2, 3].filter(l => image[at(l, 'on')] === 1);
export const keyX = (key, w) => Math.max(0, Math.min(w, (key - LOW) / (HIGH - LOW) * w));
export const base = (h, large) => (large ? h - KEYS : h);
export const velocityY = (velocity, h) => h - velocity / 127 * h;

/** What is shown behind the zones: the patch it belongs to, the map as far as it has come, and which of its figures. */
export const response = {patch: 0, map: null, shows: '', timer: null};
let edit = null;

export function zone(image, layer) {
  const v = id => image[at(layer, `zone.${id}`)];
  return {lowKey: v('lowKey'), highKey: v('highKey'), lowVelocity: v('lowVelocity'), highVelocity: v('highVelocity'), lowKeyFade: v('lowKeyFade'),
    highKeyFade: v('highKeyFade'), lowVelocityFade: v('lowVelocityFade'), highVelocityFade: v('highVelocityFade')};
}

/** Draws the map. `data.sounding` has a bit for each layer that sounds. */
export function keyMapPicture(g, w, h, image, layer, large, data) {
  const bottom = base(h, large);
  const {sounding} = data;
  if (large) {
    keys(g, w, h, bottom);
    heat(g, w, bottom);
  }
  const shaded = !(large && response.shows && response.map);
  on(image).forEach(l => {
    const z = zone(image, l);
    const [x0, x1] = [keyX(z.lowKey, w), keyX(z.highKey + 1, w)];
    const [y0, y1] = [velocityY(z.highVelocity, bottom), velocityY(z.lowVelocity - 1, bottom)];
    const lit = (sounding >> l) & 1;
    g.fillStyle = layerColour(l);
    if (shaded || lit) {
      g.globalAlpha = lit ? 0.5 : l === layer ? 0.3 : 0.16;
      g.fillRect(x0, y0, x1 - x0, y1 - y0);
      g.globalAlpha = 1;
    }
    g.strokeStyle = layerColour(l);
    g.lineWidth = l === layer ? 2.2 : 1.2;
    g.strokeRect(x0 + 1, y0 + 1, Math.max(2, x1 - x0 - 2), Math.max(2, y1 - y0 - 2));
    if (large) {
      fades(g, w, bottom, z, [x0, x1, y0, y1]);
      const range = `${format(at(l, 'zone.lowKey'), z.lowKey)} to ${format(at(l, 'zone.highKey'), z.highKey)}`;
      const velocities = z.lowVelocity > 1 || z.highVelocity < 127 ? `, velocity ${z.lowVelocity} to ${z.highVelocity}` : '';
      tag(g, `Layer ${l + 1}: ${range}${velocities}`, x0 + 8, Math.min(y1 - 8, Math.max(y0, 0) + 18 + 18 * (on(image).filter(o => o < l && Math.abs(keyX(zone(image, o).lowKey, w) - x0) < 200).length)), w);
    }
  });
}

function tag(g, text, x, y, w) {
  const width = text.length * 6.6;
  const left = Math.max(2, Math.min(x, w - width - 6));
  g.globalAlpha = 0.82;
  g.fillStyle = colour('--card');
  g.fillRect(left - 3, y - 12, width + 4, 16);
  g.globalAlpha = 1;
  label(g, text, left, y, colour('--ink'), 'left', 12);
}

function keys(g, w, h, bottom) {
  for (let key = LOW; key < HIGH; key++) {
    if (key % 12 === 0) {
      g.fillStyle = colour('--rule');
      g.fillRect(keyX(key, w), 0, 1, bottom);
      if (keyX(key, w) < w - 20) {
        label(g, keyName(key), keyX(key, w) + 3, h - 3, colour('--soft'));
      }
    }
    g.fillStyle = [1, 3, 6, 8, 10].includes(key % 12) ? '#1B2430' : '#FFFDF8';
    g.fillRect(keyX(key, w) + 0.5, bottom + 1, keyX(key + 1, w) - keyX(key, w) - 1, 11);
  }
}

/** Crossfades as slopes: from nothing at the edge of the zone to all of it. */
function fades(g, w, bottom, z, [x0, x1, y0, y1]) {
  g.lineWidth = 1.2;
  g.setLineDash([4, 3]);
  const line = (ax, ay, bx, by) => {
    g.beginPath();
    g.moveTo(ax, ay);
    g.lineTo(bx, by);
    g.stroke();
  };
  if (z.lowKeyFade > 0) {
    line(x0, y1, keyX(z.lowKey + z.lowKeyFade, w), y0);
  }
  if (z.highKeyFade > 0) {
    line(x1, y1, keyX(z.highKey + 1 - z.highKeyFade, w), y0);
  }
  if (z.lowVelocityFade > 0) {
    line(x0, y1, x1, velocityY(z.lowVelocity - 1 + z.lowVelocityFade, bottom));
  }
  if (z.highVelocityFade > 0) {
    line(x0, y0, x1, velocityY(z.highVelocity - z.highVelocityFade, bottom));
  }
  g.setLineDash([]);
}

function heat(g, w, bottom) {
  const shown = SHOWN[response.shows];
  if (!shown || !response.map) {
    return;
  }
  const measured = Object.keys(response.map.keys).map(Number).sort((a, b) => a - b);
  const [least, most] = rangeOf(shown);
  measured.forEach((key, i) => {
    const next = Math.min(measured[i + 1] ?? key + 1, key + 3);
    response.map.keys[key].forEach((cell, v) => {
      const value = cell ? shown.of(cell) : null;
      const top = velocityY(response.map.velocities[v], bottom);
      const under = v === 0 ? bottom : velocityY(response.map.velocities[v - 1], bottom);
      const x = keyX(key, w);
      const width = Math.max(1, keyX(next, w) - x);
      if (value === null || value === undefined) {
        g.fillStyle = colour('--rule');
        g.fillRect(x, top, width, 1);
        return;
      }
      g.fillStyle = response.shows === 'cents' ? colour(value < 0 ? '--tide' : '--rose') : colour('--tide');
      g.globalAlpha = response.shows === 'cents' ? Math.min(0.9, Math.abs(value) / 20) : 0.06 + 0.84 * (most > least ? (value - least) / (most - least) : 0.5);
      g.fillRect(x, top, width, under - top);
      g.globalAlpha = 1;
    });
  });
}

function rangeOf(shown) {
  const values = Object.values(response.map.keys).flat().filter(c => c).map(shown.of).filter(v => v !== null);
  return values.length ? [Math.min(...values), Math.max(...values)] : [0, 0];
}

/**
 * Wires what stands around the map.
 * @param {HTMLElement} element the bench
 * @param hands id() of the patch, edit(fields), post(path, fields), flush(), redraw()
 */
export function wireKeyMap(element, {id, edit: send, post, flush, redraw}) {
  edit = send;
  if (response.patch !== id()) {
    Object.assign(response, {patch: id(), map: null, shows: ''});
  }
  const stage = element.querySelector('[data-stage-panel="keymap"]');
  if (!stage) {
    // It has not changed, so the one on the page stays as it is wired.
    return;
  }
  const chooser = stage.querySelector('#response-shows');
  chooser.value = response.shows;
  chooser.addEventListener('change', () => {
    response.shows = chooser.value;
    fetchMap(stage, id(), redraw);
  });
  stage.querySelector('[data-measure-response]').addEventListener('click', async () => {
    if (!response.shows) {
      response.shows = 'loudness';
      chooser.value = 'loudness';
    }
    await flush();
    try {
      await ask(`/patches/${id()}/response`, {method: 'POST'});
      fetchMap(stage, id(), redraw, true);
      const splits = await (await ask(`/patches/${id()}/splits`)).json();
      stage.querySelector('#split-steps').replaceChildren(...splits.map(words => {
        const line = document.createElement('li');
        line.textContent = words;
        return line;
      }));
      tellKeys(stage);
    } catch (refusal) {
      say(refusal.message);
    }
  });
  const called = stage.querySelector('[data-middle-octave]');
  called.value = String(middleOctave());
  called.addEventListener('change', () => {
    setMiddleOctave(Number(called.value));
    if (response.shows && response.map) {
      table(stage, response.map);
    }
  });
  const even = stage.querySelector('[data-even]');
  even.addEventListener('submit', e => {
    e.preventDefault();
    const button = even.querySelector('button');
    const words = button.textContent;
    button.textContent = 'Rendering …';
    flush().then(() => post('even', {slope: even.elements.slope.value})).finally(() => { button.textContent = words; });
  });
  stage.querySelector('[data-split-next]').addEventListener('click', e => {
    splitNext = !splitNext;
    e.currentTarget.setAttribute('aria-pressed', String(splitNext));
  });
  if (response.shows) {
    fetchMap(stage, id(), redraw);
  }
}

let splitNext = false;
let lastPlayed = null;

/** Splits a layer at a key. @param {number} key 1 to 127 @param {number} [layer] else the shown one */
export function splitAt(key, layer = Number(document.querySelector('.layer-choice [data-layer][aria-pressed=true]')?.dataset.layer ?? 0)) {
  edit?.({kind: 'split', layer: String(layer), key: String(key)});
}

/** The key played last, or null. @returns {number|null} */
export const keyPlayedLast = () => lastPlayed;

player.on('played', ({key}) => {
  lastPlayed = key;
  const button = document.querySelector('[data-split-next]');
  if (splitNext && button && edit) {
    splitNext = false;
    splitAt(key);
  }
});

/** The sound has changed: what was measured is of an earlier state. */
export function responseOutdated(stage, id, redraw) {
  if (response.shows && response.map) {
    fetchMap(stage, id, redraw);
  }
}

async function fetchMap(stage, id, redraw, growing = false) {
  clearTimeout(response.timer);
  const state = stage.querySelector('#response-state');
  if (!response.shows) {
    state.textContent = '';
    redraw();
    return;
  }
  try {
    const map = await (await ask(`/patches/${id}/response`)).json();
    const done = Object.keys(map.keys).length;
    response.map = map;
    redraw();
    table(stage, map);
    if (done === 0 && !growing) {
      state.textContent = 'not measured as it stands';
    } else if (done < map.total) {
      state.textContent = `${done} of ${map.total} keys`;
    } else {
      const [least, most] = rangeOf(SHOWN[response.shows]);
      state.textContent = `${SHOWN[response.shows].text(least)} to ${SHOWN[response.shows].text(most)}; press a cell to hear it`;
    }
    if (done < map.total && (growing || done > 0)) {
      response.timer = setTimeout(() => document.contains(stage) && fetchMap(stage, id, redraw, true), POLL_MS);
    }
  } catch (refusal) {
    if (!refusal.passing) {
      say(refusal.message);
    }
  }
}

/** The same as numbers, every measured key a row. */
function table(stage, map) {
  const shown = SHOWN[response.shows];
  const row = (cells, kind) => {
    const tr = document.createElement('tr');
    tr.append(...cells.map((text, i) => {
      const cell = document.createElement(kind === 'th' || i === 0 ? 'th' : 'td');
      cell.textContent = text;
      cell.className = 'num';
      return cell;
    }));
    return tr;
  };
  stage.querySelector('#response-table').replaceChildren(row(['key', ...map.velocities.map(String)], 'th'),
    ...Object.entries(map.keys).map(([k, cells]) => row([keyName(Number(k)), ...cells.map(c => {
      const value = c ? shown.of(c) : null;
      return value === null ? '–' : shown.text(value);
    })])));
}
