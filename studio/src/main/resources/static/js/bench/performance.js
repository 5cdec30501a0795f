// How a patch answers to hands: what macros and wheels do over their travel, velocity as wished, measured and played, aftertouch, glide.
import {LivePatch, LivePictures} from '../../engine/engine.js';
import * as player from '../player/player.js';
import {ask, say} from '../page/requests.js';
import {colour, curve, label} from '../lib/canvas.js';

const FLOOR_DB = -48;
const DOTS = 16;
const FIT_NOTES = 10;
const POINTS = 127;
const at = id => LivePatch.indexOf(id);
const played = [];
const measured = {patch: 0, points: null};
let fitting = null;
let redrawBench = () => {};

/** Velocity across, level down from full; the measured line is moved to meet the wished one at full velocity. */
function velocityPicture(g, w, h, image) {
  const y = db => 8 + Math.min(1, Math.max(0, db / FLOOR_DB)) * (h - 24);
  const x = v => (v - 1) / 126 * w;
  for (const db of [0, -12, -24, -36, -48]) {
    g.fillStyle = colour('--rule');
    g.fillRect(0, y(db), w, 1);
    // The curve rises from the lower left to the upper right; the numbers stand where it is not.
    const aside = db === 0 || db === FLOOR_DB;
    label(g, `${db} dB`, aside ? 3 : w - 4, y(db) + 11, colour('--soft'), aside ? 'left' : 'right', 10);
  }
  for (const v of [32, 64, 96]) {
    g.fillStyle = colour('--rule');
    g.fillRect(x(v), 0, 1, h - 14);
    label(g, String(v), x(v), h - 3, colour('--soft'), 'center', 10);
  }
  label(g, 'velocity', w - 4, h - 3, colour('--soft'), 'right', 10);
  const wished = LivePictures.velocity(image, POINTS);
  curve(g, wished, 0, w, y, colour('--tide'), 2.2);
  if (measured.points) {
    const full = measured.points[measured.points.length - 1];
    const line = (of, stroke) => {
      g.beginPath();
      measured.points.forEach((p, i) => (i === 0 ? g.moveTo : g.lineTo).call(g, x(p.velocity), y(of(p))));
      g.strokeStyle = stroke;
      g.lineWidth = 1.6;
      g.setLineDash([5, 4]);
      g.stroke();
      g.setLineDash([]);
    };
    line(p => p.loudness - full.loudness, colour('--ember'));
    line(p => 12 * Math.log2(p.brightness / full.brightness), colour('--plum'));
    label(g, 'dashed: measured loudness,', w - 46, h - 32, colour('--soft'), 'right', 10);
    label(g, 'brightness (12 dB to the octave)', w - 46, h - 20, colour('--soft'), 'right', 10);
  }
  played.forEach((v, i) => {
    g.beginPath();
    g.arc(x(v), y(wished[Math.round((v - 1) / 126 * (POINTS - 1))]), 4.5, 0, 2 * Math.PI);
    g.fillStyle = colour('--ember');
    g.globalAlpha = 0.25 + 0.75 * (i + 1) / played.length;
    g.fill();
    g.globalAlpha = 1;
  });
}

/** Pressure across, what it becomes upward, with a dot where the newest note stands. */
function touchPicture(g, w, h, image) {
  const y = v => h - 14 - v * (h - 22);
  g.fillStyle = colour('--rule');
  g.fillRect(0, y(0), w, 1);
  g.fillRect(0, y(1), w, 1);
  const line = LivePictures.touch(image, 101);
  curve(g, line, 0, w, y, colour('--tide'), 2.2);
  label(g, 'pressure', w - 4, h - 3, colour('--soft'), 'right', 10);
  const [rise, fall] = ['performance.touchRise', 'performance.touchFall'].map(id => LivePatch.format(at(id), image[at(id)]));
  const at0 = [rise, fall].map(t => (t.startsWith('0.00') ? 'at once' : `in ${t}`));
  label(g, `rises ${at0[0]}, falls ${at0[1]}`, 4, h - 3, colour('--soft'), 'left', 10);
  return ({touch}) => {
    if (touch > 0.001) {
      g.fillStyle = colour('--ember');
      g.fillRect(0, y(touch) - 1, w, 2);
      label(g, `${Math.round(touch * 100)} %`, w - 4, y(touch) - 4, colour('--ember'), 'right', 10);
    }
  };
}

/** A glide of one octave and one of two, over time. */
function glidePicture(g, w, h, image) {
  const seconds = image[at('performance.glideTime')];
  if (seconds === 0) {
    label(g, 'no glide', w / 2, h / 2, colour('--soft'), 'center');
    return;
  }
  const perOctave = image[at('performance.glideBy')] === 1;
  const span = (perOctave ? 2 : 1) * seconds * 1.25;
  const y = octaves => h - 14 - octaves / 2 * (h - 24);
  for (const [octaves, stroke] of [[1, colour('--tide')], [2, colour('--plum')]]) {
    const time = perOctave ? seconds * octaves : seconds;
    g.beginPath();
    g.moveTo(0, y(0));
    g.lineTo(time / span * w, y(octaves));
    g.lineTo(w, y(octaves));
    g.strokeStyle = stroke;
    g.lineWidth = 2;
    g.stroke();
    label(g, `${octaves} oct in ${LivePatch.format(at('performance.glideTime'), time)}`, w - 4, y(octaves) + 12, stroke, 'right', 10);
  }
  label(g, image[at('performance.glideMode')] === 1 ? 'every note glides' : 'glides when notes overlap', 4, h - 3, colour('--soft'), 'left', 10);
}

/** Pictures of the stage by their names. */
export const touchPictures = {velocity: velocityPicture, aftertouch: touchPicture, glide: glidePicture};

/**
 * Wires the stage.
 * @param {HTMLElement} element the bench
 * @param hands id() of the patch, edit(fields), flush(), redraw()
 */
export function wireTouch(element, {id, edit, flush, redraw}) {
  redrawBench = redraw;
  if (measured.patch !== id()) {
    Object.assign(measured, {patch: id(), points: null});
    played.length = 0;
  }
  const stage = element.querySelector('[data-stage-panel="performance"]');
  if (!stage) {
    // It has not changed, so the one on the page stays as it is wired.
    return;
  }
  stage.querySelector('[data-measure-velocity]').addEventListener('click', async e => {
    const button = e.currentTarget;
    const words = button.textContent;
    button.textContent = 'Rendering …';
    try {
      await flush();
      measured.points = await (await ask(`/patches/${id()}/velocity`)).json();
      redraw();
    } catch (refusal) {
      say(refusal.message);
    }
    button.textContent = words;
  });
  const fit = stage.querySelector('[data-fit-velocity]');
  fit.addEventListener('click', () => {
    fitting = fitting ? null : {notes: [], done: notes => edit({kind: 'fitVelocity', played: notes.join(' ')}), button: fit};
    fit.setAttribute('aria-pressed', String(fitting !== null));
    fit.textContent = fitting ? `Play ${FIT_NOTES} notes from soft to hard: 0` : 'Fit to ten notes';
  });
  stage.querySelector('[data-check-macros]').addEventListener('click', e => checkControls(e.currentTarget, stage, id, flush));
}

player.on('played', ({velocity}) => {
  played.push(velocity);
  played.splice(0, played.length - DOTS);
  if (fitting) {
    fitting.notes.push(velocity);
    fitting.button.textContent = `Play ${FIT_NOTES} notes from soft to hard: ${fitting.notes.length}`;
    if (fitting.notes.length >= FIT_NOTES) {
      const {notes, done} = fitting;
      fitting = null;
      done(notes);
    }
  }
  redrawBench();
});

/** Renders each control at eleven positions, one after the other, and writes what it does beside it. */
async function checkControls(button, stage, id, flush) {
  button.disabled = true;
  const boxes = [...stage.querySelectorAll('[data-sweep]')];
  try {
    await flush();
    for (const [i, box] of boxes.entries()) {
      button.textContent = `Rendering ${i + 1} of ${boxes.length} …`;
      const sweep = await (await ask(`/patches/${id()}/sweep/${box.dataset.sweep}`)).json();
      if (!document.contains(box)) {
        return;
      }
      show(box, sweep);
    }
  } catch (refusal) {
    say(refusal.message);
  }
  button.disabled = false;
  button.textContent = 'Check macros and wheels';
}

function show(box, sweep) {
  // A line that hardly moves is drawn as one: less than this fills a part of the height only.
  const line = (values, kind, full) => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const half = Math.max(high - low, full) / 2;
    const [least, most] = [(low + high) / 2 - half, (low + high) / 2 + half];
    const path = document.createElementNS('http://www.w3.org/2000/svg', 'polyline');
    path.setAttribute('points', values.map((v, i) => `${i * 10},${(22 - (most > least ? (v - least) / (most - least) : 0.5) * 20).toFixed(1)}`).join(' '));
    path.setAttribute('class', kind);
    return path;
  };
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  svg.setAttribute('viewBox', '0 0 100 24');
  svg.setAttribute('class', 'sweep-plot');
  svg.setAttribute('role', 'img');
  svg.setAttribute('aria-label', `${sweep.name}: loudness and brightness over its travel`);
  svg.append(line(sweep.loudness.map(v => Math.max(-70, v)), 'loud', 6), line(sweep.brightness.map(v => Math.log2(Math.max(20, v))), 'bright', 1));
  const words = document.createElement('span');
  words.className = 'num';
  words.textContent = sweep.words;
  const verdict = document.createElement('span');
  const unused = sweep.faults[0]?.startsWith('dead') && !box.dataset.sweep.startsWith('macro');
  verdict.className = unused ? 'soft' : sweep.faults.length ? 'fault' : 'good';
  verdict.textContent = unused ? 'not used by this patch' : sweep.faults.length ? sweep.faults.join('; ') : 'moves smoothly';
  const text = document.createElement('div');
  text.append(words, document.createElement('br'), verdict);
  box.replaceChildren(svg, text);
}
