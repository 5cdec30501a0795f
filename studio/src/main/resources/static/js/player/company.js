// Another patch of the collection that plays beside the one in focus, level-matched; no patch ever stores it.
import * as player from './player.js';
import {imageOf} from '../lib/parameters.js';
import {ask, say} from '../page/requests.js';

const PREFIX = 'patch';

/** Whether an entry of the list is a patch. @param {string} choice */
export const isCompany = choice => choice.startsWith(PREFIX);

/**
 * Fills a group of the list with the patches of the collection, when somebody turns to it; the collection may have changed since.
 * @param {HTMLSelectElement} list
 * @param {HTMLOptGroupElement} group
 */
export async function offerCompany(list, group) {
  const collection = document.getElementById('page').dataset.collection;
  if (!collection || group.dataset.collection === collection) {
    return;
  }
  group.dataset.collection = collection;
  const chosen = list.value;
  try {
    const known = await (await ask(`/find?collection=${collection}`)).json();
    group.replaceChildren(...known.places.filter(p => p.kind.startsWith('patch ')).map(p => new Option(`with ${p.text}`, PREFIX + p.url.slice('/patches/'.length))));
    list.value = chosen;
    if (list.selectedIndex < 0) {
      list.value = '';
      list.dispatchEvent(new Event('change'));
    }
  } catch (refusal) {
    delete group.dataset.collection;
    say(refusal.message);
  }
}

/** Lets a patch of the list play along, or nothing. @param {string} choice @param {number} tempo */
export async function keepCompany(choice, tempo) {
  if (!isCompany(choice)) {
    player.beside({notes: null});
    return;
  }
  const other = await (await ask(`/patches/${choice.slice(PREFIX.length)}/playable`)).json();
  await player.wake();
  await player.provideFor(other);
  player.beside({image: imageOf(other), notes: other.phrase.notes, beats: other.phrase.beats, tempo, gain: player.gainBeside(other.matchedDb)});
}
