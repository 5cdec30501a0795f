// Ready parts: starting shapes for a part, heard while choosing; and keeping a part under a name.
import {placeNear} from '../../lib/place-near.js';
import {ask, say} from '../../page/requests.js';
import {refuse} from '../../page/refused.js';
import {playChosen} from '../../player/strip.js';
import {leaveTry, tryOut} from './try-out.js';

const playing = () => document.getElementById('player-phrase').ariaPressed === 'true';

/**
 * @param {HTMLElement} bench
 * @param hands id() of the patch, edit(fields), flush()
 */
export function wireReadyParts(bench, hands) {
  bench.querySelectorAll('[data-ready-parts]').forEach(button => button.addEventListener('click', () => open(button, hands)));
}

async function open(button, {id, edit, flush}) {
  document.querySelector('.parts-menu')?.remove();
  const part = button.closest('[data-part]').dataset.part;
  let offers;
  try {
    await flush();
    offers = await (await ask(`/patches/${id()}/parts?${new URLSearchParams({part})}`)).json();
  } catch (refusal) {
    say(refusal.message);
    return;
  }
  const menu = document.createElement('div');
  menu.className = 'bar-menu parts-menu';
  menu.setAttribute('role', 'group');
  menu.setAttribute('aria-label', 'Ready parts');
  const begun = !playing();
  let heard = null;
  const leave = () => {
    if (heard) {
      heard = null;
      leaveTry();
    }
  };
  const close = () => {
    leave();
    menu.remove();
    document.removeEventListener('pointerdown', outside, true);
    if (begun && playing()) {
      playChosen();
    }
  };
  const outside = e => menu.contains(e.target) || e.target.closest('#player') || close();
  const hear = offer => {
    if (heard !== offer) {
      heard = offer;
      tryOut(id(), offer.edit, fault => fault && say(fault, {key: 'parts', calm: true}));
      if (!playing()) {
        playChosen();
      }
    }
  };
  const list = document.createElement('div');
  list.className = 'parts-list';
  offers.forEach(offer => {
    const row = document.createElement('div');
    row.className = 'row';
    const take = document.createElement('button');
    take.type = 'button';
    take.textContent = offer.name;
    take.className = offer.kept ? 'own' : '';
    take.title = offer.kept ? 'Kept in this collection' : 'Comes with the program';
    take.addEventListener('pointerenter', () => hear(offer));
    take.addEventListener('focus', () => hear(offer));
    take.addEventListener('click', () => {
      close();
      edit(offer.edit);
    });
    row.append(take);
    if (offer.kept) {
      const remove = document.createElement('button');
      remove.type = 'button';
      remove.textContent = '×';
      remove.setAttribute('aria-label', `Remove the kept part ${offer.name}`);
      remove.addEventListener('click', async () => {
        try {
          await ask(`/patches/${id()}/parts/${offer.kept}/remove`, {method: 'POST'});
          row.remove();
        } catch (refusal) {
          say(refusal.message);
        }
      });
      row.append(remove);
    }
    list.append(row);
  });
  const keep = document.createElement('form');
  keep.className = 'line tight';
  const name = document.createElement('input');
  name.placeholder = 'keep this as …';
  name.maxLength = 60;
  name.setAttribute('aria-label', 'Name under which this part is kept');
  const keepButton = document.createElement('button');
  keepButton.textContent = 'Keep';
  keep.append(name, keepButton);
  keep.addEventListener('submit', async e => {
    e.preventDefault();
    try {
      await flush();
      await ask(`/patches/${id()}/parts`, {form: {part, name: name.value}});
      close();
      button.focus();
      say(`Kept as "${name.value.trim()}" for every patch of this collection.`, {key: 'parts', calm: true});
    } catch (refusal) {
      refuse(name, refusal.message);
    }
  });
  menu.append(list, keep);
  list.addEventListener('pointerleave', () => list.contains(document.activeElement) || leave());
  menu.addEventListener('keydown', e => {
    e.stopPropagation();
    const buttons = [...list.querySelectorAll('.row > :first-child')];
    const step = {ArrowDown: 1, ArrowUp: -1}[e.key];
    if (e.key === 'Escape') {
      close();
      button.focus();
    } else if (step && buttons.length > 0) {
      e.preventDefault();
      const at = buttons.indexOf(document.activeElement);
      buttons[(at + step + buttons.length + (at < 0 && step < 0 ? 1 : 0)) % buttons.length].focus();
    }
  });
  document.body.append(menu);
  placeNear(menu, button.getBoundingClientRect(), 'right');
  (list.querySelector('button') ?? name).focus();
  document.addEventListener('pointerdown', outside, true);
}
