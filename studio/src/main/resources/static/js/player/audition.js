// What the Play button plays: the category's phrase, one of ours, a test of octaves or velocities, a held chord, or a MIDI file; and the backing.
import * as player from './player.js';
import {isCompany, keepCompany, offerCompany} from './company.js';
import {ask, say} from '../page/requests.js';

/** Ways to try a sound that need no phrase of their own; notes are key, velocity, start and length in beats. */
const TRIALS = [
  {id: 'octaves', name: 'octaves, low to high', tempo: 90, beats: 7, notes: [24, 36, 48, 60, 72, 84].map((key, i) => [key, 96, i, 0.9])},
  {id: 'velocities', name: 'velocities 16 to 127', tempo: 90, beats: 6, notes: [16, 32, 48, 64, 80, 100, 127].map((v, i) => [60, v, i * 0.75, 0.65])},
  {id: 'chord', name: 'five-note chord', tempo: 60, beats: 4, notes: [48, 55, 60, 64, 71].map(key => [key, 90, 0, 3])},
  {id: 'held', name: 'held note', tempo: 60, beats: 9, notes: [[48, 96, 0, 8]]}];
const BACKING_DB = -8;

let offer = null;
let imported = null;
/** Phrases of the house whose pages are shown. */
let house = [];
let repeats = false;

const id = name => document.getElementById(name);

/** Fills the choices; they come from the server once. */
export async function setUpAudition(tempo) {
  id('player-repeat').addEventListener('click', () => {
    repeats = !repeats;
    id('player-repeat').setAttribute('aria-pressed', String(repeats));
  });
  id('player-choice').addEventListener('change', choose);
  id('player-backing').addEventListener('change', () => startBacking(tempo()));
  id('player-tempo').addEventListener('change', () => {
    startBacking(tempo());
    startArp(tempo());
  });
  id('player-arp').addEventListener('change', () => startArp(tempo()));
  id('player-midi').addEventListener('change', takeMidi);
  try {
    offer = await (await ask('/phrases')).json();
  } catch (refusal) {
    say(refusal.message);
    return;
  }
  const option = (value, text) => Object.assign(document.createElement('option'), {value, textContent: text});
  const group = (label, options) => {
    const box = document.createElement('optgroup');
    box.label = label;
    box.append(...options);
    return box;
  };
  const houses = group('Phrases of the house', []);
  houses.hidden = true;
  id('player-choice').append(houses, group('Phrases', offer.phrases.map((p, i) => option(`phrase${i}`, p.name))),
    group('Trials', TRIALS.map((t, i) => option(`trial${i}`, t.name))), group('Your own', [option('midi', 'a MIDI file …')]));
  for (const event of ['pointerenter', 'focus']) {
    id('player-choice').addEventListener(event, () => offerHouse(houses, option));
  }
  const company = group('Another patch', []);
  id('player-backing').append(group('Drums and bass', offer.backings.map((b, i) => option(String(i), `backing: ${b.name.toLowerCase()}`))), company);
  for (const event of ['pointerenter', 'focus']) {
    id('player-backing').addEventListener(event, () => offerCompany(id('player-backing'), company));
  }
}

/** The phrases of the collection that is shown; one that has been chosen stays until another is. */
async function offerHouse(group, option) {
  const {collection} = document.getElementById('page').dataset;
  const chosen = chosenPhrase();
  try {
    house = await (await ask(`/collections/${collection}/phrases`)).json();
  } catch {
    return;
  }
  if (id('player-choice').value.startsWith('house') && !house.some(p => p.id === chosen.id)) {
    house.push(chosen);
  }
  const before = id('player-choice').value.startsWith('house') ? house.findIndex(p => p.id === chosen.id) : -1;
  const names = house.map(p => p.name).join('\n');
  if (names !== group.dataset.names) {
    group.dataset.names = names;
    group.replaceChildren(...house.map((p, i) => option(`house${i}`, p.name)));
    group.hidden = house.length === 0;
    if (before >= 0) {
      id('player-choice').value = `house${before}`;
    }
  }
}

/** One of the ways to try a sound. @param {string} name id of it */
export const trial = name => TRIALS.find(t => t.id === name);

/** Lets a loop of drums and bass play, or none. @param {string} name its id, empty for none */
export function chooseBacking(name) {
  const place = offer?.backings.findIndex(b => b.id === name) ?? -1;
  const list = id('player-backing');
  const wanted = place < 0 ? '' : String(place);
  if (list.value !== wanted) {
    list.value = wanted;
    list.dispatchEvent(new Event('change'));
  }
}

/** The loop that is offered first. */
export const firstBacking = () => offer?.backings[0]?.id ?? '';

/** The phrase that Play is to play, or null for the category's own. */
export function chosenPhrase() {
  const choice = id('player-choice').value;
  if (choice.startsWith('phrase')) {
    return offer.phrases[Number(choice.slice(6))];
  }
  if (choice.startsWith('house')) {
    return house[Number(choice.slice(5))];
  }
  return choice.startsWith('trial') ? TRIALS[Number(choice.slice(5))] : choice === 'midi' ? imported : null;
}

/** Whether it goes round and round. */
export function phraseRepeats() {
  return repeats;
}

function choose(e) {
  if (e.target.value === 'midi') {
    id('player-midi').click();
  } else {
    id('player-tempo').value = Math.round(chosenPhrase()?.tempo ?? player.playing()?.phrase.tempo ?? 120);
  }
}

async function takeMidi(e) {
  const file = e.target.files[0];
  e.target.value = '';
  if (!file) {
    return;
  }
  const data = new FormData();
  data.append('file', file);
  try {
    imported = await (await ask('/phrases', {data})).json();
    id('player-tempo').value = Math.round(imported.tempo);
    const moved = imported.moves.length > 0 ? `, ${imported.moves.length} ${imported.moves.length === 1 ? 'move' : 'moves'} of wheels and pedals` : '';
    say([`${file.name}: ${imported.notes.length} notes${moved}, ${Math.round(imported.beats)} beats.`, ...imported.remarks].join(' '), {key: 'midi', calm: true, stays: imported.remarks.length > 0});
  } catch (refusal) {
    imported = null;
    id('player-choice').value = 'own';
    say(refusal.message);
  }
}

async function startBacking(tempo) {
  const choice = id('player-backing').value;
  await player.wake();
  try {
    await keepCompany(choice, tempo);
  } catch (refusal) {
    say(refusal.message);
  }
  const loop = choice === '' || isCompany(choice) ? null : offer.backings[Number(choice)];
  player.backing(loop && {image: Float64Array.from(offer.kit), notes: loop.notes, beats: loop.beats, tempo, gain: Math.pow(10, BACKING_DB / 20)});
}

async function startArp(tempo) {
  await player.wake();
  player.arpeggio(id('player-arp').value, 0.25, tempo);
}
