// Beside the sky: what is chosen, where there is room, which sounds are alike, and the plan.
import {ask, say} from '../page/requests.js';
import {visit} from '../page/visit.js';
import {AXES, stepTo} from './sky-axes.js';

/** Measures in which a variation can be made, and the steps of the map that makes it. */
const VARIED = {brightness: 'brightness', tail: 'length', width: 'width'};

/** The longest step of the map, in octaves, of width in dB. */
const FARTHEST = {brightness: 3, length: 3, width: 24};

/** The chosen ones by their banks, from where they are worked on. */
export function showChosen(sky) {
  const box = sky.main.querySelector('#sky-chosen');
  sky.main.querySelector('#sky-count').textContent = String(sky.chosen.size);
  const stars = sky.stars.filter(s => sky.chosen.has(s.id));
  if (stars.length === 0) {
    box.textContent = 'Draw a line around sounds with the pointer, or press S on one.';
    return;
  }
  const banks = Map.groupBy ? Map.groupBy(stars, s => s.bank) : stars.reduce((m, s) => m.set(s.bank, [...(m.get(s.bank) ?? []), s]), new Map());
  box.replaceChildren(...[...banks].map(([bank, some]) => {
    const button = document.createElement('button');
    button.type = 'button';
    button.textContent = `Work on ${some.length} in their bank`;
    button.addEventListener('click', () => {
      sessionStorage.setItem('comet-chosen', JSON.stringify(some.map(s => s.id)));
      visit(`/banks/${bank}`);
    });
    return button;
  }), Object.assign(document.createElement('p'), {textContent: stars.slice(0, 30).map(s => s.name).join(', ') + (stars.length > 30 ? ` and ${stars.length - 30} more` : '')}));
}

/**
 * A place without a sound: which patch is nearest, and what a variation of it would have to be to land here.
 * @param near the nearest star
 * @param {{across: number, up: number}} target the measures of the place
 */
export function showRoom(sky, near, target) {
  const part = sky.main.querySelector('#sky-hole-part');
  part.hidden = false;
  const list = sky.main.querySelector('#sky-hole');
  const steps = ['across', 'up'].map(side => ({measure: VARIED[sky[side]], step: stepTo(sky[side], near[sky[side]], target[side])}));
  const sentence = document.createElement('p');
  sentence.textContent = `${AXES[sky.across].words} ${AXES[sky.across].text(Number(target.across.toPrecision(2)))}, ${AXES[sky.up].words} ${AXES[sky.up].text(Number(target.up.toPrecision(2)))}. The nearest is “${near.name}”.`;
  const button = document.createElement('button');
  button.type = 'button';
  button.textContent = `Vary “${near.name}” so that one lands here`;
  button.disabled = steps.some(s => !s.measure);
  button.title = button.disabled ? 'Variations are made in brightness, tail and width' : '';
  button.addEventListener('click', () => vary(near, steps));
  list.replaceChildren(sentence, button);
}

async function vary(star, [across, up]) {
  const far = [across, up].some(s => Math.abs(s.step) > FARTHEST[s.measure]);
  const taken = ({measure, step}) => String(Math.max(0.1, Math.min(FARTHEST[measure], Math.abs(step))));
  try {
    await ask(`/patches/${star.id}/variations/map`, {form: {across: across.measure, acrossStep: taken(across), up: up.measure, upStep: taken(up), seed: String(Math.floor(Math.random() * 1e6))}});
    await visit(`/patches/${star.id}`);
    document.querySelector('[data-stage=versions]')?.click();
    say(`Neighbours of “${star.name}” are being made; the one that goes ${up.step > 0 ? 'up' : 'down'} and to the ${across.step > 0 ? 'right' : 'left'} ${far ? 'goes as far towards the hole as variations go' : 'lands in the hole'}.`, {key: 'sky', calm: true});
  } catch (refusal) {
    say(refusal.message, {key: 'sky'});
  }
}

/** The pairs and the plan. @param {(star: object) => void} hear goes to a star and plays it */
export function fillSide(sky, hear) {
  const byId = new Map(sky.stars.map(s => [s.id, s]));
  sky.main.querySelector('#sky-pairs').replaceChildren(...sky.pairs.map(pair => {
    const item = document.createElement('li');
    for (const id of [pair.one, pair.other]) {
      const button = document.createElement('button');
      button.type = 'button';
      button.className = 'plain';
      button.textContent = byId.get(id)?.name ?? '?';
      button.addEventListener('click', () => hear(byId.get(id)));
      item.append(button, id === pair.one ? ' and ' : '');
    }
    item.append(Object.assign(document.createElement('span'), {className: 'soft num', textContent: ` ${pair.distance.toFixed(1)} dB apart`}));
    return item;
  }));
  sky.main.querySelector('#sky-plan').replaceChildren(...sky.plan.map(part => {
    const item = document.createElement('li');
    const missing = part.planned - part.made;
    item.textContent = `${part.name}: ${part.made} of ${part.planned}${missing > 0 ? `, ${missing} to make` : ''}`;
    item.className = missing > 0 ? 'ember' : '';
    return item;
  }));
}
