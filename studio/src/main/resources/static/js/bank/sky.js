// The sky: every sound of a collection as a point in a plane of two measures. Heard by pointing, chosen with a lasso, and from a hole a variation is made that lands there.
import {colour, fit, keepDrawn, label} from '../lib/canvas.js';
import {ask, say} from '../page/requests.js';
import {visit} from '../page/visit.js';
import * as player from '../player/player.js';
import {AXES, shownValue} from './sky-axes.js';
import {crowds, holes, inside} from './sky-shapes.js';
import {fillSide, showChosen, showRoom} from './sky-side.js';

const NEAR_PX = 15;
const MARGIN = {left: 58, right: 14, top: 12, bottom: 30};

/** What the page that is shown holds. */
let sky = null;

/** Brings the sky of a fresh page to life. @param {HTMLElement} root */
export async function wireSky(root) {
  const main = root.querySelector('[data-sky]');
  if (!main) {
    return;
  }
  const own = {main, canvas: main.querySelector('#sky'), stars: [], shown: [], chosen: new Set(), at: null, lasso: null, hole: null, across: 'brightness', up: 'tail', category: ''};
  sky = own;
  try {
    Object.assign(own, await (await ask(`/collections/${main.dataset.sky}/sky/stars`)).json());
  } catch (refusal) {
    say(refusal.message);
    return;
  }
  if (!own.canvas.isConnected) {
    return;
  }
  keepDrawn(own.canvas, draw);
  for (const [id, field] of [['across', 'across'], ['up', 'up'], ['category', 'category']]) {
    main.querySelector(`#sky-${id}`).addEventListener('change', e => { own[field] = e.target.value; own.hole = null; arrange(); });
  }
  wireHands(own.canvas);
  fillSide(sky, star => { goTo(star); hear(star); });
  arrange();
}

/** Which stars are shown, and from where to where the axes go. */
function arrange() {
  sky.shown = sky.stars.filter(s => sky.category === '' || s.category === sky.category);
  sky.range = {};
  for (const side of ['across', 'up']) {
    const axis = AXES[sky[side]];
    const all = sky.stars.map(s => axis.log ? Math.log(s[sky[side]]) : s[sky[side]]).filter(Number.isFinite);
    const [low, high] = [Math.min(...all), Math.max(...all)];
    const room = Math.max(0.08 * (high - low), axis.log ? 0.2 : 1);
    sky.range[side] = [low - room, high + room];
  }
  sky.places = null;
  draw();
  tell();
}

function place(star, box) {
  const part = side => {
    const axis = AXES[sky[side]];
    const v = axis.log ? Math.log(star[sky[side]]) : star[sky[side]];
    return (v - sky.range[side][0]) / (sky.range[side][1] - sky.range[side][0]);
  };
  return {x: box.x + part('across') * box.w, y: box.y + box.h - part('up') * box.h};
}

/** Where in the measures a point of the plane is. */
function valueAt(side, part) {
  const [low, high] = sky.range[side];
  const v = low + part * (high - low);
  return AXES[sky[side]].log ? Math.exp(v) : v;
}

const radius = star => Math.max(5, Math.min(13, 9 + (star.loudness + 18) * 0.5));

function draw() {
  const made = sky && sky.range && sky.canvas.isConnected ? fit(sky.canvas) : null;
  if (!made) {
    return;
  }
  const {g, w, h} = made;
  const box = {x: MARGIN.left, y: MARGIN.top, w: w - MARGIN.left - MARGIN.right, h: h - MARGIN.top - MARGIN.bottom};
  sky.box = box;
  sky.places = sky.shown.map(star => ({star, ...place(star, box)}));
  drawAxes(g, box);
  g.fillStyle = colour('--tide');
  for (const cell of crowds(sky.places, box)) {
    g.globalAlpha = Math.min(0.2, 0.045 * cell.count);
    g.fillRect(cell.x, cell.y, cell.w, cell.h);
  }
  g.globalAlpha = 1;
  g.setLineDash([4, 4]);
  g.strokeStyle = colour('--soft');
  sky.holes = holes(sky.places, box);
  for (const hole of sky.holes) {
    g.beginPath();
    g.arc(hole.x, hole.y, hole.r, 0, 2 * Math.PI);
    g.stroke();
  }
  g.setLineDash([]);
  sky.places.forEach(p => drawStar(g, p));
  if (sky.hole) {
    g.strokeStyle = colour('--ember');
    g.lineWidth = 2;
    g.beginPath();
    g.moveTo(sky.hole.x - 7, sky.hole.y);
    g.lineTo(sky.hole.x + 7, sky.hole.y);
    g.moveTo(sky.hole.x, sky.hole.y - 7);
    g.lineTo(sky.hole.x, sky.hole.y + 7);
    g.stroke();
  }
  if (sky.lasso) {
    g.strokeStyle = colour('--ember');
    g.lineWidth = 1.5;
    g.beginPath();
    sky.lasso.forEach((p, i) => i === 0 ? g.moveTo(p.x, p.y) : g.lineTo(p.x, p.y));
    g.closePath();
    g.stroke();
  }
}

function drawStar(g, {star, x, y}) {
  const chosen = sky.chosen.has(star.id);
  const r = radius(star);
  g.beginPath();
  g.arc(x, y, r, 0, 2 * Math.PI);
  g.fillStyle = colour(chosen ? '--ember' : '--card');
  g.fill();
  g.lineWidth = sky.at === star ? 3 : 1.5;
  g.strokeStyle = colour(sky.at === star ? '--ember' : '--tide');
  g.stroke();
  label(g, star.mark, x, y + 3.5, colour(chosen ? '--on-accent' : '--ink'), 'center', 10);
}

function drawAxes(g, box) {
  g.strokeStyle = colour('--rule');
  g.lineWidth = 1;
  g.strokeRect(box.x, box.y, box.w, box.h);
  for (const side of ['across', 'up']) {
    const axis = AXES[sky[side]];
    for (const tick of axis.ticks) {
      const v = axis.log ? Math.log(tick) : tick;
      const part = (v - sky.range[side][0]) / (sky.range[side][1] - sky.range[side][0]);
      if (part < 0 || part > 1) {
        continue;
      }
      g.beginPath();
      if (side === 'across') {
        const x = box.x + part * box.w;
        g.moveTo(x, box.y);
        g.lineTo(x, box.y + box.h);
        label(g, axis.text(tick), x, box.y + box.h + 14, colour('--soft'), 'center');
      } else {
        const y = box.y + box.h - part * box.h;
        g.moveTo(box.x, y);
        g.lineTo(box.x + box.w, y);
        label(g, axis.text(tick), box.x - 5, y + 4, colour('--soft'), 'right');
      }
      g.stroke();
    }
  }
  label(g, `${AXES[sky.across].words} →`, box.x + box.w, box.y + box.h + 27, colour('--ink'), 'right');
  label(g, `↑ ${AXES[sky.up].words}`, box.x + 6, box.y + 14, colour('--ink'));
}

const words = star => `${star.name}: ${AXES[sky.across].words} ${shownValue(star, sky.across)}, ${AXES[sky.up].words} ${shownValue(star, sky.up)}`;

function tell() {
  const line = sky.main.querySelector('#sky-words');
  line.textContent = sky.at ? words(sky.at) : `${sky.shown.length} sounds by ${AXES[sky.across].words} and ${AXES[sky.up].words}${sky.unmeasured > 0 ? `; ${sky.unmeasured} are not measured yet` : ''}.`;
}

let cardAsked = 0;

/** Goes to a star: it is told, and its portrait shown beside it. */
async function goTo(star) {
  sky.at = star;
  draw();
  tell();
  const card = sky.main.querySelector('#sky-card');
  const own = ++cardAsked;
  if (!star) {
    card.hidden = true;
    return;
  }
  const p = sky.places.find(q => q.star === star);
  card.innerHTML = '<b></b><span class="portrait-box"></span><span class="soft num"></span>';
  card.querySelector('b').textContent = star.name;
  card.querySelector('.soft').textContent = `${shownValue(star, 'brightness')}, tail ${shownValue(star, 'tail')}, ${star.loudness.toFixed(1)} LUFS`;
  card.hidden = false;
  card.style.left = `${p.x > sky.box.w / 2 ? p.x - card.offsetWidth - 18 : p.x + 22}px`;
  card.style.top = `${Math.max(4, Math.min(sky.canvas.clientHeight - card.offsetHeight - 4, p.y - card.offsetHeight / 2))}px`;
  try {
    const svg = await (await ask(`/patches/${star.id}/portrait`)).text();
    if (own === cardAsked) {
      card.querySelector('.portrait-box').innerHTML = svg;
    }
  } catch {
    // The numbers are there; a portrait that does not come is not missed.
  }
}

function nearest(x, y) {
  let best = null;
  let least = NEAR_PX;
  for (const p of sky.places ?? []) {
    const d = Math.hypot(p.x - x, p.y - y);
    if (d < least) {
      least = d;
      best = p.star;
    }
  }
  return best;
}

let hearing = false;

function wireHands(canvas) {
  const point = e => {
    const box = canvas.getBoundingClientRect();
    return {x: e.clientX - box.left, y: e.clientY - box.top};
  };
  canvas.addEventListener('pointermove', e => {
    const p = point(e);
    if (sky.lasso) {
      sky.lasso.push(p);
      draw();
      return;
    }
    const star = nearest(p.x, p.y);
    if (star !== sky.at) {
      goTo(star);
      if (star && hearing) {
        hear(star);
      }
    }
  });
  canvas.addEventListener('pointerdown', e => {
    if (e.button !== 0) {
      return;
    }
    canvas.setPointerCapture(e.pointerId);
    sky.lasso = [point(e)];
  });
  canvas.addEventListener('pointerup', e => {
    const p = point(e);
    const drawn = sky.lasso ?? [];
    sky.lasso = null;
    const reach = Math.max(...drawn.map(q => Math.hypot(q.x - p.x, q.y - p.y)), 0);
    if (reach > 12) {
      choose(sky.places.filter(q => inside(q, drawn)).map(q => q.star), e.shiftKey);
    } else {
      const star = nearest(p.x, p.y);
      if (star) {
        goTo(star);
        hear(star);
      } else {
        showHole(p);
      }
    }
    draw();
  });
  canvas.addEventListener('dblclick', () => sky.at && visit(`/patches/${sky.at.id}`));
  canvas.addEventListener('keydown', keys);
}

document.addEventListener('keydown', e => {
  if (e.key.toLowerCase() === 'h' && sky?.canvas.isConnected && !e.repeat && !e.target.closest('input, textarea, select')) {
    hearing = true;
    if (sky.at) {
      hear(sky.at);
    }
  }
});
document.addEventListener('keyup', e => { hearing = hearing && e.key.toLowerCase() !== 'h'; });

const hear = star => player.playPatch(star.id, true).catch(refusal => say(refusal.message, {key: 'sky'}));

function keys(e) {
  const way = {ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1]}[e.key];
  const act = way ? () => step(way) : {
    ' ': () => sky.at && hear(sky.at),
    Enter: () => sky.at && visit(`/patches/${sky.at.id}`),
    s: () => sky.at && choose([sky.at], true, true),
    Escape: sky.chosen.size > 0 ? () => choose([], false) : null,
  }[e.key];
  if (act) {
    e.preventDefault();
    e.stopPropagation();
    act();
  }
}

/** To the nearest star in a direction: what lies ahead counts, what lies aside counts twice. */
function step([dx, dy]) {
  const here = sky.places.find(p => p.star === sky.at) ?? {x: sky.box.x + sky.box.w / 2, y: sky.box.y + sky.box.h / 2};
  let best = null;
  let least = Infinity;
  for (const p of sky.places) {
    const ahead = (p.x - here.x) * dx + (p.y - here.y) * dy;
    const aside = Math.abs((p.x - here.x) * dy) + Math.abs((p.y - here.y) * dx);
    if (p.star !== sky.at && ahead > 0.5 && ahead + 2 * aside < least) {
      least = ahead + 2 * aside;
      best = p.star;
    }
  }
  if (best) {
    goTo(best);
  }
}

function choose(stars, more, turn = false) {
  if (!more) {
    sky.chosen.clear();
  }
  stars.forEach(s => turn && sky.chosen.has(s.id) ? sky.chosen.delete(s.id) : sky.chosen.add(s.id));
  draw();
  showChosen(sky);
}

/** A place without a sound: which patch is nearest, and what a variation of it would have to be to land here. */
function showHole(p) {
  const {box} = sky;
  if (p.x < box.x || p.x > box.x + box.w || p.y < box.y || p.y > box.y + box.h || sky.places.length === 0) {
    return;
  }
  sky.hole = p;
  const near = sky.places.reduce((a, b) => Math.hypot(a.x - p.x, a.y - p.y) < Math.hypot(b.x - p.x, b.y - p.y) ? a : b).star;
  const target = {across: valueAt('across', (p.x - box.x) / box.w), up: valueAt('up', (box.y + box.h - p.y) / box.h)};
  showRoom(sky, near, target);
}
