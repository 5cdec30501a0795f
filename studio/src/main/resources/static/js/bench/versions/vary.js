// Variations of the patch on the bench: asked for, shown on a map and in a table as they are made, heard by pointing at them, kept.
import * as player from '../../player/player.js';
import {ask, say} from '../../page/requests.js';
import {forget} from '../pieces.js';
import {drawMap, unitOf} from './vary-map.js';

const POLL_MS = 700;
const MOST_POLLS = 400;
const MIDDLE_KEY = 60;
const HOVER_VELOCITY = 100;

/** What was typed into the forms, so that an exchange of the stage loses nothing. */
const typed = new Map();
let polling = false;
/** The variation that is chosen on the map. */
let picked = null;

const box = () => document.getElementById('variations');

/** The forms keep what was typed into them. @param {HTMLElement} panel */
function keepTyped(panel) {
  panel.querySelectorAll('.vary-forms input, .vary-forms select').forEach(field => {
    const key = (field.form?.dataset.vary ?? '') + field.id + field.name + (field.type === 'checkbox' ? field.value : '');
    const last = typed.get(key);
    if (last !== undefined) {
      field.type === 'checkbox' ? field.checked = last : field.value = last;
    }
    field.addEventListener('input', () => typed.set(key, field.type === 'checkbox' ? field.checked : field.value));
  });
}

/** Each step has the unit of its measure. @param {HTMLElement} panel */
function showUnits(panel) {
  panel.querySelectorAll('[data-unit-of]').forEach(unit => {
    const choice = unit.closest('form').elements[unit.dataset.unitOf];
    const show = () => { unit.textContent = unitOf(choice.selectedOptions[0].dataset.measure ?? choice.value); };
    choice.addEventListener('change', show);
    show();
  });
}

/** The key that sounds while a pointer rests on a variation. */
function keyToHold() {
  const zones = player.playing()?.zones ?? [];
  const near = z => Math.max(z.lowKey, Math.min(z.highKey, MIDDLE_KEY));
  return zones.map(near).sort((a, b) => Math.abs(a - MIDDLE_KEY) - Math.abs(b - MIDDLE_KEY))[0] ?? MIDDLE_KEY;
}

/**
 * @param {import('../pieces.js').Fresh} bench
 * @param {{patch: () => number, post: (path: string, fields: object) => Promise<void>, flush: () => Promise<void>, hear: (reference: string) => Promise<object|null>, hearNow: () => void, shown: () => void}} hands
 */
export function wireVary(bench, hands) {
  const {patch, post, flush, hear, hearNow, shown} = hands;
  const panel = bench.querySelector('#versions-vary');
  const url = path => `/patches/${patch()}/variations${path}`;

  /** Takes over a fresh list. */
  const take = async answer => {
    const fresh = document.createElement('template');
    fresh.innerHTML = await answer.text();
    const list = fresh.content.querySelector('#variations');
    const focused = document.activeElement?.closest('#variations') ? document.activeElement : null;
    const again = focused?.dataset.sound ?? null;
    box().replaceWith(list);
    forget(panel);
    wireList();
    if (again !== null) {
      (list.querySelector(`[data-sound="${again}"]`) ?? panel.querySelector('[data-vary=map] button')).focus();
    } else if (focused) {
      (list.querySelector('[data-hear]') ?? panel.querySelector('[data-vary=map] button')).focus();
    }
    if (list.dataset.said) {
      say(list.dataset.said, {calm: true});
    }
    follow();
  };

  const send = async (path, fields) => {
    try {
      await flush();
      await take(await ask(url(path), {form: fields}));
    } catch (refusal) {
      say(refusal.message, {key: 'vary'});
    }
  };

  /** Goes on looking while some are being made, or have no portrait yet. */
  const follow = async () => {
    if (polling) {
      return;
    }
    polling = true;
    try {
      let asked = 0;
      for (let i = 0; i < MOST_POLLS && box() && (box().dataset.running === 'true' || waiting().length > 0); i++) {
        const without = waiting().length;
        if (without > asked || (without > 0 && asked === 0)) {
          await ask(`/patches/${patch()}/measure`, {method: 'POST'});
        }
        asked = without;
        await new Promise(resolve => setTimeout(resolve, POLL_MS));
        const known = await (await ask(url('/portraits'))).json();
        if (!box()) {
          return;
        }
        if (String(known.progress.made) !== box().dataset.made || String(known.progress.running) !== box().dataset.running) {
          asked = 0;
          await take(await ask(url('')));
        }
        waiting().forEach(cell => { cell.innerHTML = known.portraits[cell.dataset.portraitOf] ?? cell.innerHTML; });
        draw();
      }
    } catch (refusal) {
      if (!refusal.passing) {
        say(refusal.message, {key: 'vary', calm: true});
      }
    } finally {
      polling = false;
    }
  };

  const waiting = () => [...(box()?.querySelectorAll('[data-portrait-of]') ?? [])].filter(cell => !cell.querySelector('svg'));

  const pick = id => {
    picked = id;
    const row = box().querySelector(`[data-row="${id}"]`);
    const choice = box().querySelector('[data-map-choice]');
    choice.replaceChildren();
    if (row) {
      const words = document.createElement('span');
      words.textContent = `${row.cells[1].textContent}: ${row.cells[2].textContent}. `;
      choice.append(words, ...[...row.querySelectorAll('td:last-child button:not([data-hear])')].map(b => {
        const copy = b.cloneNode(true);
        copy.addEventListener('click', () => b.click());
        return copy;
      }));
    }
    box().querySelectorAll('[data-sound]').forEach(b => b.setAttribute('aria-pressed', String(b.dataset.sound === String(id))));
  };

  /** Pointing at one lets it sound: within the phrase that plays, or on a held key. */
  let over = null;
  let heldKey = null;
  const rest = () => {
    over = null;
    if (heldKey !== null) {
      player.noteOff(heldKey);
      heldKey = null;
    }
    hearNow();
  };
  const point = async id => {
    rest();
    over = id;
    await hear(`variation${id}`);
    if (over === id && !player.phraseRuns()) {
      heldKey = keyToHold();
      player.noteOn(heldKey, HOVER_VELOCITY);
    }
  };

  const draw = () => {
    const form = panel.querySelector('[data-vary=map]');
    drawMap(box(), form.elements.across.value, form.elements.up.value, {pick, point, rest, picked});
  };

  const goOn = async id => {
    rest();
    await post('bring-back', {with: `variation${id}`});
    document.querySelector('#versions-vary [data-vary=map]').requestSubmit();
  };

  const wireList = () => {
    const list = box();
    list.querySelectorAll('[data-hear]').forEach(b => b.addEventListener('click', () => hear(b.dataset.hear)));
    list.querySelectorAll('[data-use]').forEach(b => b.addEventListener('click', () => {
      rest();
      post('bring-back', {with: `variation${b.dataset.use}`});
    }));
    list.querySelectorAll('[data-go-on]').forEach(b => b.addEventListener('click', () => goOn(b.dataset.goOn)));
    list.querySelectorAll('[data-variation]').forEach(b => b.addEventListener('click', () => {
      rest();
      send(`/${b.dataset.variation}/${b.dataset.act}`, {});
    }));
    list.querySelector('[data-discard-all]')?.addEventListener('click', () => {
      rest();
      send('/discard', {});
    });
    list.querySelector('[data-stop-varying]').addEventListener('click', () => send('/stop', {}));
    draw();
    if (picked !== null) {
      pick(picked);
    }
    shown();
  };

  keepTyped(panel);
  showUnits(panel);
  panel.addEventListener('comet:shown', draw);
  panel.querySelectorAll('[data-vary=map] select').forEach(choice => choice.addEventListener('change', draw));
  panel.querySelectorAll('[data-vary]').forEach(form => form.addEventListener('submit', e => {
    e.preventDefault();
    const fields = new URLSearchParams(new FormData(form));
    fields.set('seed', panel.querySelector('#vary-seed').value);
    send({map: '/map', row: '/row', some: ''}[form.dataset.vary], fields);
  }));
  wireList();
  follow();
}
