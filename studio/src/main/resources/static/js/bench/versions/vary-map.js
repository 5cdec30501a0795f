// The map of variations: each stands where it measures along two measures, with its portrait beside the place.

/** The measures in the order of a row's places. Values of brightness and length are octaves. */
const MEASURES = {
  brightness: {unit: 'oct', label: 'Brightness', steps: [0.25, 0.5, 1, 2], tell: v => hertz(20 * Math.pow(2, v)), less: 'darker', more: 'brighter'},
  length: {unit: 'oct', label: 'Length', steps: [0.25, 0.5, 1, 2], tell: v => `${(Math.pow(2, v) / 1000).toPrecision(2)} s`, less: 'shorter', more: 'longer'},
  width: {unit: 'dB', label: 'Width', steps: [1, 2, 3, 6, 12], tell: v => `${v.toFixed(0)} dB`, less: 'narrower', more: 'wider'},
  roughness: {unit: 'dB', label: 'Roughness', steps: [1, 2, 3, 6, 12], tell: v => `${v.toFixed(0)} dB`, less: 'smoother', more: 'rougher'}};
const NAMES = Object.keys(MEASURES);
const MARGIN = {left: 58, right: 12, top: 12, bottom: 34};
const CARD = {width: 124, height: 42};
const GAP = 5;
const LAYOUT_STEP = 6;
/** Pixels of distance that a covered place is worth. */
const COVERED = 60;
const SHOWN_TICKS = 7;
const SVG = 'http://www.w3.org/2000/svg';

const hertz = v => v >= 1000 ? `${(v / 1000).toPrecision(3)} kHz` : `${v.toPrecision(3)} Hz`;

/** The unit in which steps of a measure count. @param {string} measure */
export const unitOf = measure => MEASURES[measure].unit;

function element(name, attributes, text) {
  const e = document.createElementNS(SVG, name);
  Object.entries(attributes).forEach(([k, v]) => e.setAttribute(k, v));
  if (text !== undefined) {
    e.textContent = text;
  }
  return e;
}

/** An axis over some values: from, to, and the places of its ticks. */
function axisOf(values, measure) {
  const {steps} = MEASURES[measure];
  const spare = Math.max(0.3 * steps[1], 0.12 * (Math.max(...values) - Math.min(...values)));
  const low = Math.min(...values) - spare;
  const high = Math.max(...values) + spare;
  const step = steps.find(s => (high - low) / s <= SHOWN_TICKS) ?? steps.at(-1) * Math.ceil((high - low) / steps.at(-1) / SHOWN_TICKS);
  const ticks = [];
  for (let t = Math.ceil(low / step) * step; t <= high; t += step) {
    ticks.push(t);
  }
  return {low, high, ticks, at: v => (v - low) / (high - low)};
}

/** Cards as near their places as there is room: none covers another one, nor, while it can be helped, a place. */
function layOut(points, width, height) {
  const cards = [];
  const beside = (c, x, y) => Math.abs(c.x - x) < CARD.width + GAP && Math.abs(c.y - y) < CARD.height + GAP;
  const covers = (p, x, y) => p.x > x - GAP && p.x < x + CARD.width + GAP && p.y > y - GAP && p.y < y + CARD.height + GAP;
  for (const p of points) {
    const wanted = {x: p.x + 10, y: p.y - CARD.height / 2};
    let best = {x: wanted.x, y: wanted.y, cost: Infinity};
    for (let x = MARGIN.left; x <= width - CARD.width - 4; x += LAYOUT_STEP) {
      for (let y = 4; y <= height - MARGIN.bottom - CARD.height - 2; y += LAYOUT_STEP) {
        const cost = Math.hypot(x - wanted.x, y - wanted.y) + COVERED * points.filter(q => covers(q, x, y)).length;
        if (cost < best.cost && !cards.some(c => beside(c, x, y))) {
          best = {x, y, cost};
        }
      }
    }
    cards.push(best);
  }
  return cards;
}

/**
 * Draws the map of a list of variations into its place; hides it where nothing has been measured.
 * @param {HTMLElement} list the variations
 * @param {string} across name of a measure @param {string} up name of another
 * @param {{pick: (id: string) => void, point: (id: string) => void, rest: () => void, picked: string|null}} hands
 */
export function drawMap(list, across, up, {pick, point, rest, picked}) {
  const map = list.querySelector('[data-map]');
  const rows = [...list.querySelectorAll('[data-place]')].map(row => ({id: row.dataset.row, name: row.cells[1].textContent, measured: row.cells[2].textContent,
    portrait: row.cells[0].querySelector('svg'), place: row.dataset.place.split(' ').map(Number), origin: row.dataset.origin?.split(' ').map(Number)}));
  map.hidden = rows.length === 0;
  if (map.hidden || map.closest('[hidden]')) {
    return;
  }
  const width = map.clientWidth;
  if (width === 0) {
    return;
  }
  const state = JSON.stringify([across, up, width, rows.map(r => [r.id, r.portrait !== null])]);
  if (map.dataset.state === state) {
    return;
  }
  map.dataset.state = state;
  const again = document.activeElement?.closest('[data-map]') === map ? document.activeElement.dataset.sound : null;
  const height = map.clientHeight;
  const [ix, iy] = [NAMES.indexOf(across), NAMES.indexOf(up)];
  const origin = rows.at(-1).origin;
  const all = [...rows.map(r => r.place), ...(origin ? [origin] : [])];
  const x = axisOf(all.map(p => p[ix]), across);
  const y = axisOf(all.map(p => p[iy]), up);
  const px = v => MARGIN.left + x.at(v) * (width - MARGIN.left - MARGIN.right - CARD.width * 0.7);
  const py = v => height - MARGIN.bottom - y.at(v) * (height - MARGIN.top - MARGIN.bottom);
  const svg = element('svg', {viewBox: `0 0 ${width} ${height}`, 'aria-hidden': 'true'});
  x.ticks.forEach(t => svg.append(element('line', {class: 'grid', x1: px(t), x2: px(t), y1: MARGIN.top, y2: height - MARGIN.bottom}),
    element('text', {x: px(t), y: height - MARGIN.bottom + 14, 'text-anchor': 'middle'}, MEASURES[across].tell(t))));
  y.ticks.filter(t => py(t) > MARGIN.top + 14).forEach(t => svg.append(element('line', {class: 'grid', x1: MARGIN.left, x2: width - MARGIN.right, y1: py(t), y2: py(t)}),
    element('text', {x: MARGIN.left - 6, y: py(t) + 4, 'text-anchor': 'end'}, MEASURES[up].tell(t))));
  svg.append(element('text', {class: 'axis', x: width - MARGIN.right, y: height - 5, 'text-anchor': 'end'}, `${MEASURES[across].label} of one note: ${MEASURES[across].more} →`),
    element('text', {class: 'axis', x: 6, y: 14}, `${MEASURES[up].label} of one note: ${MEASURES[up].more} ↑`));
  const points = rows.map(r => ({x: px(r.place[ix]), y: py(r.place[iy])}));
  const cards = layOut(points, width, height);
  cards.forEach((c, i) => svg.append(element('line', {class: 'lead', x1: points[i].x, y1: points[i].y, x2: Math.max(c.x, Math.min(c.x + CARD.width, points[i].x)),
    y2: Math.max(c.y, Math.min(c.y + CARD.height, points[i].y))}), element('circle', {class: 'place', cx: points[i].x, cy: points[i].y, r: 4})));
  if (origin) {
    svg.append(element('path', {class: 'origin', d: `M${px(origin[ix]) - 7} ${py(origin[iy])}h14m-7 -7v14`}), element('text', {class: 'origin-name', x: px(origin[ix]) - 9, y: py(origin[iy]) - 8, 'text-anchor': 'end'}, 'made from'));
  }
  const buttons = rows.map((r, i) => {
    const b = document.createElement('button');
    b.type = 'button';
    b.className = 'map-sound';
    b.dataset.sound = r.id;
    b.setAttribute('aria-label', `${r.name}, ${r.measured}`);
    b.setAttribute('aria-pressed', String(r.id === picked));
    Object.assign(b.style, {left: `${cards[i].x}px`, top: `${cards[i].y}px`, width: `${CARD.width}px`, height: `${CARD.height}px`});
    const name = document.createElement('span');
    name.textContent = r.name;
    b.append(r.portrait ? r.portrait.cloneNode(true) : '…', name);
    b.addEventListener('pointerenter', e => e.pointerType !== 'touch' && point(r.id));
    b.addEventListener('pointerleave', rest);
    b.addEventListener('focus', () => b.matches(':focus-visible') && point(r.id));
    b.addEventListener('blur', rest);
    b.addEventListener('click', () => pick(r.id));
    return b;
  });
  map.replaceChildren(svg, ...buttons);
  if (again) {
    map.querySelector(`[data-sound="${again}"]`)?.focus();
  }
}
