// Chains of effects as lanes of tiles: one is open below, and tiles are dragged to order and to copy.
import {walkTabs} from '../lib/tabs.js';

/** The effect that is open, as layer and slot; it stays open when the bench is exchanged. */
let open = '';
/** The lanes and tiles that were there, to see which one is new. @type {Set<string>} */
let known = new Set();
let patchShown = 0;

const placeOf = element => element.dataset.tile ?? `${element.dataset.chain}:${element.dataset.slot}`;

function show(stage) {
  const tiles = [...stage.querySelectorAll('.lane-tile')];
  const shown = tiles.filter(tile => !tile.closest('[data-for-layer]')?.hidden);
  const chosen = shown.find(tile => placeOf(tile) === open) ?? shown.findLast(tile => placeOf(tile).startsWith('-1:')) ?? shown[0];
  tiles.forEach(tile => {
    tile.setAttribute('aria-selected', String(tile === chosen));
    tile.tabIndex = tile === chosen || tile === tile.parentElement.querySelector('.lane-tile') ? 0 : -1;
  });
  stage.querySelectorAll('.effect-card').forEach(card => { card.hidden = !chosen || placeOf(card) !== placeOf(chosen); });
}

/** Opens the effect in which something stands. @param {HTMLElement|null} element */
export function openEffectOf(element) {
  const card = element?.closest('.effect-card');
  if (card) {
    open = placeOf(card);
    show(card.closest('[data-stage-panel]'));
  }
}

/** Another layer is shown: its own effects stand in the first lane. @param {HTMLElement} bench */
export function showLanes(bench) {
  const stage = bench.querySelector('[data-stage-panel="effects"]');
  if (stage) {
    known = new Set([...stage.querySelectorAll('.lane-tile, .lane')].map(part => part.dataset.lane ?? placeOf(part)));
    show(stage);
  }
}

/**
 * @param {import('./pieces.js').Fresh} fresh
 * @param hands id() of the patch, edit(fields), redraw()
 */
export function wireLanes(fresh, {id, edit, redraw}) {
  const lanes = fresh.querySelectorAll('.lane');
  if (lanes.length === 0) {
    return;
  }
  const stage = lanes[0].closest('[data-stage-panel]');
  const tiles = fresh.querySelectorAll('.lane-tile');
  const added = tiles.filter(tile => known.has(tile.closest('.lane').dataset.lane) && !known.has(placeOf(tile)));
  if (patchShown === id() && added.length === 1) {
    open = placeOf(added[0]);
  } else if (patchShown !== id()) {
    open = '';
  }
  patchShown = id();
  // What is behind or before a changed chain is as loud as it was no longer.
  stage.querySelectorAll('.lane-loudness').forEach(told => told.replaceChildren());
  const choose = tile => {
    open = placeOf(tile);
    show(stage);
    redraw();
  };
  const move = (tile, to) => {
    const [layer, slot] = placeOf(tile).split(':');
    if (to !== undefined && to !== slot) {
      open = `${layer}:${to}`;
      edit({kind: 'moveEffect', layer, slot, to});
    }
  };
  tiles.forEach(tile => {
    tile.addEventListener('click', () => choose(tile));
    tile.addEventListener('dragstart', e => {
      e.dataTransfer.setData('text/x-comet-effect', placeOf(tile));
      e.dataTransfer.effectAllowed = 'copyMove';
    });
  });
  lanes.forEach(lane => {
    const dragged = e => e.dataTransfer.types.includes('text/x-comet-effect');
    lane.addEventListener('keydown', e => {
      const tile = e.target.closest('.lane-tile');
      if (tile && e.altKey && (e.key === 'ArrowLeft' || e.key === 'ArrowRight')) {
        e.preventDefault();
        e.stopPropagation();
        const own = [...lane.querySelectorAll('.lane-tile')];
        const other = own[own.indexOf(tile) + (e.key === 'ArrowRight' ? 1 : -1)];
        move(tile, other && placeOf(other).split(':')[1]);
      } else if (tile) {
        walkTabs(e, choose);
      }
    });
    lane.addEventListener('dragover', e => {
      if (dragged(e)) {
        e.preventDefault();
        lane.classList.add('over');
        lane.querySelectorAll('.lane-tile').forEach(tile => tile.classList.toggle('over', tile === e.target.closest('.lane-tile')));
      }
    });
    const leave = () => [lane, ...lane.querySelectorAll('.over')].forEach(part => part.classList.remove('over'));
    lane.addEventListener('dragleave', e => lane.contains(e.relatedTarget) || leave());
    lane.addEventListener('drop', e => {
      if (!dragged(e)) {
        return;
      }
      e.preventDefault();
      leave();
      const from = e.dataTransfer.getData('text/x-comet-effect');
      const tile = stage.querySelector(`[data-tile="${from}"]`);
      const target = e.target.closest('.lane-tile');
      if (e.ctrlKey || from.split(':')[0] !== lane.dataset.lane) {
        edit({kind: 'copyEffect', part: tile.dataset.part, layer: lane.dataset.lane});
      } else if (target) {
        move(tile, placeOf(target).split(':')[1]);
      }
    });
  });
}
