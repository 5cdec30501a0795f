// The bench: ties value bars, pictures and forms to the patch in hand.
import {LivePatch} from '../../engine/engine.js';
import * as player from '../player/player.js';
import {say} from '../page/requests.js';
import {PatchState} from './patch-state.js';
import {isShown, showBar, showLock, showNow, wireBar, wireChoice} from './value-bar.js';
import {draw, drawMoving} from './pictures/pictures.js';
import {wirePicture} from './pictures/picture-hands.js';
import {openBarMenu} from './bar-menu.js';
import {matchInHand} from './gain-match.js';
import {format, tellKeys} from '../lib/key-names.js';
import {responseOutdated} from './pictures/key-map.js';
import {drawLive} from './pictures/live-pictures.js';
import {showSlots, showStages, slotsOf} from './slot-meters.js';
import {showEars} from '../player/mute-solo.js';
import {afterDrawing, isDrawn} from '../lib/canvas.js';
import {writeOut} from './repeated.js';
import {flip, showHistory} from './versions/versions.js';
import {wireBench, wireFrameOf} from './bench-forms.js';
import {allowLevelling, besideSoon, measureSoon, restWith} from './at-rest.js';
import {Fresh} from './pieces.js';
import {setUpPieces} from '../page/pages.js';
import {openEffectOf, showLanes} from './effects-lane.js';
import {exchanges} from './exchange.js';
import {walkTabs} from '../lib/tabs.js';
import {idOf, indexOf} from '../lib/parameters.js';

/** @type {PatchState|null} */
let state = null;
let stage = 'sources';
let layer = 0;
let drawing = false;
/** Whether the pictures show a dot that has to go when the note has ended. */
let followed = false;

/** How long a hand rests before pictures that it did not move are drawn again. */
const REST_MS = 140;
/** How long layers that are not shown may wait to be fetched. */
const LAYERS_WITHIN_MS = 1000;
const MACROS = 8;
const macroIndex = LivePatch.indexOf('macro1');
let restTimer = null;
let moved = null;
let movedDrawing = false;
let movedAt = 0;
let turn = 0;
let watchedBars = [];
let layersLit = 0;
/** A state that is tried out: the pictures show it, the bars do not. @type {Float64Array|null} */
let previewed = null;

const bench = () => document.getElementById('bench');

/** The patch on the bench, or null on other pages. */
export function benchState() {
  return bench() ? state : null;
}

const {exchange, refresh, bringMore} = exchanges(() => state, (fresh, settle) => takeUp(fresh, () => {
  setUpPieces(fresh);
  tellKeys(fresh);
  settle();
  allowLevelling();
}));
restWith({state: benchState, edit, openPlace});

/** Brings a bench to life that came with its page. */
export function setUpBench(root) {
  const element = root.id === 'bench' ? root : root.querySelector?.('#bench');
  if (element) {
    takeUp(new Fresh([element]), () => {});
    const wanted = location.hash.slice(1);
    if (wanted) {
      openPlace(wanted);
    }
    if (layersToCome()) {
      requestIdleCallback(() => benchState() && layersToCome() && refresh(), {timeout: LAYERS_WITHIN_MS});
    }
  }
}

/** A page comes with its first layer; the others are fetched once it stands. */
const layersToCome = () => bench().querySelector('[data-for-layer][data-piece]:empty') !== null;

/** The patch that the bench tells of: the state that stands goes on with it, as bars that stay are wired to it, or a new one begins. */
function takePatch() {
  const focus = document.getElementById('focus');
  const playable = JSON.parse(focus.dataset.playable);
  if (state?.id === playable.id) {
    state.take(focus);
  } else {
    state = new PatchState(focus, answered, () => refresh(), edit);
  }
  bench().dataset.version = String(state.version);
  if (player.playing()?.id === playable.id) {
    player.change(playable);
  } else {
    player.load(playable, false);
  }
}

/**
 * Brings fresh pieces of the bench to life.
 * @param {Fresh} fresh
 * @param {() => void} settle puts pieces that stay back into those that have come
 */
function takeUp(fresh, settle) {
  const whole = fresh.querySelector('#bench') !== null;
  takePatch();
  writeOut(fresh);
  const openMenu = bar => openBarMenu(bar, state, edit);
  const bars = fresh.querySelectorAll('.bar[role=slider], .bar-choice');
  bars.forEach(bar => bar.dataset.decides === undefined && wireBar(bar, state, openMenu));
  bars.filter(bar => bar.matches('.bar-choice')).forEach(choice => wireChoice(choice, openMenu));
  const canvases = fresh.querySelectorAll('canvas[data-picture]');
  canvases.forEach(canvas => {
    wirePicture(canvas, state, () => layer);
    new ResizeObserver(() => isDrawn(canvas) || redraw()).observe(canvas);
  });
  fresh.querySelectorAll('[data-layer]').forEach(tab => tab.addEventListener('click', () => chooseLayer(Number(tab.dataset.layer))));
  const set = (index, value) => {
    state.beginGesture();
    state.set(index, value);
  };
  const hands = {id: () => state.id, image: () => state.image, set, edit, post, save, flush: () => state.flush(), openPlace, redraw, layer: () => layer, preview, sounding: index => state.sounding(index)};
  wireBench(fresh, hands);
  if (whole) {
    wireFrame(hands);
  }
  showStage(fresh);
  settle();
  showLayer(fresh);
  showEars(bench());
  bars.forEach(bar => state.locked.has(indexOf(bar)) && showLock(bar, true));
  watch();
  showAll();
  responseOutdated(bench().querySelector('[data-stage-panel="keymap"]'), state.id, redraw);
  besideSoon(bench());
  const said = fresh.querySelector('#focus')?.dataset.said;
  if (said) {
    say(said, {calm: true});
  }
  // However this bench came here: the server does not measure a state until the hand has come to rest on it.
  if (bench().querySelector('#measured .working')) {
    measureSoon();
  }
  state.release();
}

/** What stands around the pieces, for as long as the bench stands. */
function wireFrame(hands) {
  const element = bench();
  element.querySelectorAll('[data-stage]').forEach(tab => tab.addEventListener('click', () => chooseStage(tab.dataset.stage)));
  element.querySelector('.ribbon').addEventListener('keydown', e => walkTabs(e, tab => chooseStage(tab.dataset.stage)));
  wireFrameOf(element, hands);
  const mono = document.getElementById('hear-mono');
  mono.setAttribute('aria-pressed', String(player.hearsMono()));
  mono.addEventListener('click', () => {
    player.hearMono(!player.hearsMono());
    mono.setAttribute('aria-pressed', String(player.hearsMono()));
  });
}

/** Tells the audio thread what the bars, meters and pictures of the bench want to know. */
function watch() {
  watchedBars = [...bench().querySelectorAll('.bar[data-brackets]')].filter(b => b.dataset.brackets);
  player.watch(watchedBars.map(b => indexOf(b)), slotsOf(bench()), layer);
}

/** An address of the patch that answers with a new bench. */
function post(path, fields) {
  return exchange(`/patches/${state.id}/${path}`, fields);
}

/**
 * An edit that changes the page: sent after everything that is waiting, answered with a new bench.
 * @param {Record<string, string>} fields
 * @param {HTMLElement} [field] the one that is marked when the edit is refused; what was typed stays in it
 */
async function edit(fields, field) {
  await exchange(`/patches/${state.id}/edits`, fields, field);
}

/** Saves a revision of what is heard now. */
export async function save() {
  await exchange(`/patches/${state.id}/save`, {note: ''});
}

function answered(answer) {
  if (!document.getElementById('undo')) {
    return;
  }
  showHistory(answer);
  bench().dataset.version = answer.version;
  if (answer.brings) {
    bringMore();
  }
  measureSoon();
  responseOutdated(bench().querySelector('[data-stage-panel="keymap"]'), state.id, redraw);
  besideSoon(bench());
}

export function chooseStage(name) {
  stage = name;
  showStage(bench());
  redraw();
  if (name === 'versions' && (state.unsent || state.version !== Number(document.getElementById('focus').dataset.version))) {
    // Moved values are steps of the history too.
    refresh();
  }
}

/** @param {HTMLElement|Fresh} part of the bench: it shows the stage that is chosen */
function showStage(part) {
  bench().dataset.shows = stage;
  part.querySelectorAll('[data-stage]').forEach(tab => {
    tab.setAttribute('aria-selected', String(tab.dataset.stage === stage));
    tab.tabIndex = tab.dataset.stage === stage ? 0 : -1;
  });
  part.querySelectorAll('[data-stage-panel]').forEach(panel => { panel.hidden = panel.dataset.stagePanel !== stage; });
  part.querySelectorAll('.layer-choice').forEach(choice => { choice.hidden = ['performance', 'level', 'versions'].includes(stage); });
}

function chooseLayer(which) {
  layer = which;
  if (layersToCome()) {
    refresh();
  }
  showLayer(bench());
  watch();
  redraw();
}

/** @param {HTMLElement|Fresh} part of the bench: it shows the layer that is chosen */
function showLayer(part) {
  part.querySelectorAll('[data-layer]').forEach(tab => tab.setAttribute('aria-pressed', String(Number(tab.dataset.layer) === layer)));
  part.querySelectorAll('[data-shown-layer]').forEach(field => { field.value = String(layer); });
  part.querySelectorAll('[data-for-layer]').forEach(piece => { piece.hidden = Number(piece.dataset.forLayer) !== layer; });
  showLanes(bench());
}

/** Opens the stage and layer of a parameter, as findings link to it. */
export function openPlace(id) {
  const target = document.getElementById(id) ?? bench().querySelector(`[data-macro-card="${id.replace('macro', '')}"]`);
  if (!target && layersToCome()) {
    refresh().then(() => benchState() && !layersToCome() && openPlace(id));
    return;
  }
  const panel = target?.closest('[data-stage-panel]');
  const forLayer = target?.closest('[data-for-layer]');
  chooseLayer(forLayer ? Number(forLayer.dataset.forLayer) : layer);
  chooseStage(panel ? panel.dataset.stagePanel : stage);
  const fold = target?.closest('details.fold');
  if (fold) {
    fold.open = true;
  }
  openEffectOf(target);
  target?.focus();
}

/** Shows the state in hand. @param {boolean} [told] whether values may be told by other words than before */
function showAll(told = false) {
  const values = LivePatch.soundings(state.image);
  bench()?.querySelectorAll('.bar[role=slider], .bar-choice').forEach(bar => (told || !isShown(bar, values[indexOf(bar)])) && showBar(bar, values[indexOf(bar)]));
  bench()?.querySelectorAll('[data-now-of]').forEach(box => {
    const index = LivePatch.indexOf(box.dataset.nowOf);
    box.textContent = `now ${format(index, values[index])}`;
  });
  redraw();
}

/** Draws the pictures: those of the stage with the next frame, the small ones of all stages with the one after it. */
function redraw() {
  if (!drawing) {
    drawing = true;
    requestAnimationFrame(() => {
      drawing = false;
      drawEach(`[data-stage-panel="${stage}"] canvas[data-picture]`);
      requestAnimationFrame(() => drawEach('.ribbon canvas[data-picture]'));
    });
  }
}

function drawEach(selector) {
  if (bench() && state?.image) {
    bench().querySelectorAll(selector).forEach(canvas => draw(canvas, previewed ?? state.image, layer));
  }
}

/** Draws the pictures of another state, until null brings the present one back. @param {Float64Array|null} image */
function preview(image) {
  if (previewed !== image) {
    previewed = image;
    redraw();
  }
}

/** After a move only what shows the moved value is drawn at once; everything else follows when the hand rests. */
function showMoved(index) {
  movedAt = performance.now();
  const bars = bench().querySelectorAll(`#${CSS.escape(idOf(index))}`);
  bars.forEach(bar => showBar(bar, LivePatch.sounding(state.image, index)));
  moved = bars[0]?.closest('.source, .two > div, .lfos > div, .effect-card') ?? bench().querySelector(`[data-stage-panel="${stage}"]`);
  if (!movedDrawing) {
    movedDrawing = true;
    requestAnimationFrame(() => {
      movedDrawing = false;
      if (benchState()) {
        [...moved.querySelectorAll('canvas[data-picture]'), ...bench().querySelectorAll(`[data-stage="${stage}"] canvas, canvas.together`)]
          .forEach(canvas => draw(canvas, state.image, layer));
      }
    });
  }
  clearTimeout(restTimer);
  restTimer = setTimeout(() => benchState() && showAll(), REST_MS);
}

player.on('parameter', index => {
  if (!benchState()) {
    return;
  }
  if (index < 0 || index >= macroIndex && index < macroIndex + MACROS) {
    showAll();
  } else {
    showMoved(index);
  }
});

document.addEventListener('comet:theme', redraw);
document.addEventListener('comet:keys', () => benchState() && showAll(true));

player.on('ears', () => {
  if (benchState()) {
    showEars(bench());
  }
});

/** Matches the level around the part in hand of the shown stage. */
export function matchLevel() {
  matchInHand(bench().querySelector(`[data-stage-panel="${stage}"]`));
}

/** Flips between the state on the bench and the version heard before. */
export function flipVersions() {
  flip(state.id);
}

document.addEventListener('comet:macro', ({detail}) => {
  if (benchState() && player.playing()?.id === state.id) {
    state.set(detail.index, detail.value);
  } else if (player.heard()) {
    // Away from the bench a macro is only tried out; nothing is stored.
    player.setParameter(detail.index, detail.value, LivePatch.edited(player.heard(), detail.index, detail.value));
  }
});

player.on('meters', meters => {
  if (!benchState()) {
    return;
  }
  const bars = watchedBars;
  afterDrawing(() => {
    if (bench()) {
      bars.forEach((bar, i) => showNow(bar, meters.voices > 0 ? meters.values[i] ?? null : null));
      showSlots(bench(), meters);
      showStages(bench(), meters);
    }
  });
  // While a hand moves a value, its picture comes first: what only accompanies the sound is drawn every third time.
  turn = performance.now() - movedAt < REST_MS ? (turn + 1) % 3 : 0;
  if (turn === 0) {
    drawLive(meters);
    follow(meters);
  }
});

/** The dots of the newest note, on the large pictures that are shown. */
function follow(meters) {
  if (stage === 'keymap' && meters.layers !== layersLit) {
    layersLit = meters.layers;
    bench().querySelectorAll('canvas[data-picture="keymap"]').forEach(canvas => draw(canvas, state.image, layer, layersLit));
  }
  const kinds = {envelopes: 'envelope', modulation: 'lfo', performance: 'aftertouch'}[stage];
  if (kinds && (meters.note || followed)) {
    bench().querySelectorAll(`[data-stage-panel="${stage}"] canvas[data-picture="${kinds}"]`).forEach(canvas => drawMoving(canvas, state.image, layer, meters.note));
    followed = Boolean(meters.note);
  } else if (stage === 'effects' && meters.slots) {
    bench().querySelectorAll('canvas[data-picture="compressor"]').forEach(canvas => {
      const card = canvas.closest('.effect-card');
      const at = [...bench().querySelectorAll('[data-meter]')].findIndex(m => m.dataset.meter === `${card.dataset.chain}:${card.dataset.slot}`);
      drawMoving(canvas, state.image, layer, meters.slots[at] ?? null);
    });
  }
}
