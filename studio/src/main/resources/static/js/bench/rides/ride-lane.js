// One lane of a ride: where a hand stands over the beats of a phrase, drawn by hand or typed.

const HEIGHT = 84;
const REACH = 10;
const SVG = 'http://www.w3.org/2000/svg';
const BEAT_DIGITS = 3;

const rounded = (v, digits) => Number(v.toFixed(digits));

function element(name, attributes) {
  const e = document.createElementNS(SVG, name);
  Object.entries(attributes).forEach(([k, v]) => e.setAttribute(k, v));
  return e;
}

/** The points as text: "0 20; 4 80". @param {number[]} points beats and values in turn */
export const textOf = points => Array.from({length: points.length / 2}, (_, i) => `${rounded(points[2 * i], BEAT_DIGITS)} ${rounded(points[2 * i + 1], 1)}`).join('; ');

/**
 * @param {{name: string, least: number, points: number[], phrase: {beats: number, notes: number[][]}, change: (text: string) => Promise<void>, remove: () => void}} lane
 * @returns {{element: HTMLElement, at: (beat: number|null) => void}}
 */
export function rideLane({name, least, points: given, phrase, change, remove}) {
  const box = document.createElement('div');
  box.className = 'ride-lane';
  const head = document.createElement('div');
  head.className = 'line';
  const title = document.createElement('b');
  title.textContent = name;
  const text = document.createElement('input');
  text.className = 'num';
  text.value = textOf(given);
  text.setAttribute('aria-label', `${name}: beat and per cent of each point`);
  text.title = 'Beat and per cent of each point, for example 0 20; 4 80';
  const away = document.createElement('button');
  away.type = 'button';
  away.textContent = 'Remove';
  away.setAttribute('aria-label', `Remove the ride of ${name}`);
  away.addEventListener('click', remove);
  head.append(title, text, away);
  text.addEventListener('change', () => change(text.value));
  const picture = element('svg', {role: 'img', height: HEIGHT});
  picture.setAttribute('aria-label', `Ride of ${name}: ${textOf(given)}`);
  const cursor = element('line', {class: 'cursor', y1: 0, y2: HEIGHT, visibility: 'hidden'});
  box.append(head, picture);

  let points = Array.from({length: given.length / 2}, (_, i) => [given[2 * i], given[2 * i + 1]]);
  const width = () => picture.clientWidth || 800;
  const x = beat => beat / phrase.beats * width();
  const y = value => HEIGHT - 4 - (value - least) / (100 - least) * (HEIGHT - 8);
  const beatAt = px => Math.max(0, Math.min(phrase.beats, px / width() * phrase.beats));
  const valueAt = py => Math.max(least, Math.min(100, least + (HEIGHT - 4 - py) / (HEIGHT - 8) * (100 - least)));

  const draw = () => {
    const keys = phrase.notes.map(n => n[0]);
    const low = Math.min(...keys);
    const span = Math.max(1, Math.max(...keys) - low);
    const line = [[0, points[0]?.[1] ?? 0], ...points, [phrase.beats, points.at(-1)?.[1] ?? 0]];
    picture.replaceChildren(
      ...phrase.notes.map(([key, , start, length]) => element('rect', {class: 'note', x: x(start), width: Math.max(2, x(length) - 1), y: HEIGHT - 12 - (key - low) / span * (HEIGHT - 24), height: 5})),
      ...Array.from({length: Math.ceil(phrase.beats)}, (_, b) => element('line', {class: b % 4 === 0 ? 'bar-line' : 'beat-line', x1: x(b), x2: x(b), y1: 0, y2: HEIGHT})),
      ...(least < 0 ? [element('line', {class: 'bar-line', x1: 0, x2: width(), y1: y(0), y2: y(0)})] : []),
      element('polyline', {points: line.map(([b, v]) => `${x(b)},${y(v)}`).join(' ')}),
      ...points.map(([b, v]) => element('circle', {cx: x(b), cy: y(v), r: 5})), cursor);
  };
  const tell = () => change(textOf(points.flat()));
  const near = (px, py) => points.findIndex(([b, v]) => Math.hypot(x(b) - px, y(v) - py) <= REACH);
  const place = e => {
    const r = picture.getBoundingClientRect();
    return [e.clientX - r.left, e.clientY - r.top];
  };
  picture.addEventListener('pointerdown', e => {
    const [px, py] = place(e);
    let held = near(px, py);
    if (held < 0) {
      const point = [rounded(beatAt(px), BEAT_DIGITS), rounded(valueAt(py), 1)];
      points.push(point);
      points.sort((a, b) => a[0] - b[0]);
      held = points.indexOf(point);
    }
    picture.setPointerCapture(e.pointerId);
    draw();
    const drag = m => {
      const [mx, my] = place(m);
      // A point stays between its neighbours.
      const low = points[held - 1]?.[0] ?? 0;
      const high = points[held + 1]?.[0] ?? phrase.beats;
      points[held] = [rounded(Math.max(low, Math.min(high, beatAt(mx))), BEAT_DIGITS), rounded(valueAt(my), 1)];
      draw();
    };
    picture.addEventListener('pointermove', drag);
    picture.addEventListener('pointerup', () => {
      picture.removeEventListener('pointermove', drag);
      if (textOf(points.flat()) !== textOf(given)) {
        tell();
      }
    }, {once: true});
  });
  picture.addEventListener('dblclick', e => {
    const at = near(...place(e));
    if (at >= 0 && points.length > 1) {
      points = points.filter((_, i) => i !== at);
      draw();
      tell();
    }
  });
  new ResizeObserver(draw).observe(picture);
  return {element: box, at: beat => {
    cursor.setAttribute('visibility', beat === null ? 'hidden' : 'visible');
    if (beat !== null) {
      cursor.setAttribute('x1', x(beat));
      cursor.setAttribute('x2', x(beat));
    }
  }};
}
