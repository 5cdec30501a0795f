// The output of an effect, or of a layer's filters and drive, brought to the loudness of what enters it: by a button, or by G for the part in hand.
import {chosenPhrase} from '../player/audition.js';
import {hush, say} from '../page/requests.js';

/** The effect used last: layer and slot. @type {{layer: string, slot: string}|null} */
let inHand = null;

const buttonsIn = element => [...element.querySelectorAll('[data-match]')];
const isOf = hand => button => hand !== null && button.dataset.layerNumber === hand.layer && button.dataset.slot === hand.slot;

/**
 * @param {HTMLElement} element the bench
 * @param {(path: string, fields: object) => Promise<void>} post sends to an address of the patch
 */
export function wireMatch(element, post) {
  buttonsIn(element).forEach(button => {
    const hand = {layer: button.dataset.layerNumber, slot: button.dataset.slot};
    button.addEventListener('click', async () => {
      const words = button.textContent;
      button.textContent = '…';
      await post('match', {...hand, phrase: chosenPhrase()?.id ?? ''});
      button.textContent = words;
    });
    for (const event of ['focusin', 'pointerdown']) {
      button.closest('.effect-card')?.addEventListener(event, () => { inHand = hand; });
    }
  });
}

/** Matches the effect used last, or what else the stage has one of. @param {HTMLElement} panel the stage that is shown */
export function matchInHand(panel) {
  const shown = buttonsIn(panel).filter(button => button.offsetParent !== null);
  const chosen = shown.find(isOf(inHand)) ?? (shown.length === 1 ? shown[0] : null);
  if (chosen) {
    hush('match');
    chosen.click();
  } else {
    say(shown.length > 1 ? 'G matches the level around the effect used last: choose one first.' : 'G matches levels in the stages of filters and effects.', {key: 'match', calm: true});
  }
}
