// The list of rounds: how many patches a choice has, remarks kept ready, final words, and what was said beside the bench.
import {ask, say} from '../page/requests.js';

const ASK_AFTER_MS = 250;

/** Brings the pages around listening to life. @param {HTMLElement} root */
export function wireRoundsPage(root) {
  const form = root.querySelector('#new-round');
  if (form) {
    wireChoice(form);
  }
  root.querySelectorAll('[data-save-on-change]').forEach(field => field.addEventListener('change', () => {
    const told = root.querySelector(`#${field.dataset.told}`);
    ask(field.dataset.saveOnChange, {form: {[field.name]: field.value}}).then(() => { told.textContent = 'Saved'; }, refusal => say(refusal.message));
  }));
  root.querySelectorAll('[data-final-word]').forEach(list => list.addEventListener('change', () => decide(list)));
  root.querySelectorAll('[data-fill]').forEach(fill);
}

/** The owner's word on a patch. @param {HTMLSelectElement} list */
async function decide(list) {
  try {
    const standing = await (await ask(list.dataset.finalWord, {form: {verdict: list.value || 'none'}})).text();
    const counts = list.closest('tr').querySelector('[data-standing]');
    counts.textContent = standing;
    counts.className = `labelled verdict-${standing}`;
    list.nextElementSibling.textContent = 'Saved';
  } catch (refusal) {
    say(refusal.message);
  }
}

/** Fetches what belongs into a box, once. @param {HTMLElement} box */
async function fill(box) {
  const url = box.dataset.fill;
  delete box.dataset.fill;
  try {
    const part = document.createElement('template');
    part.innerHTML = await (await ask(url)).text();
    box.replaceChildren(...part.content.querySelector('[data-filling]')?.childNodes ?? []);
  } catch (refusal) {
    say(refusal.message, {key: 'fill', calm: true});
  }
}

function wireChoice(form) {
  const count = form.querySelector('#round-choice');
  let timer = null;
  const tell = async () => {
    try {
      count.textContent = await (await ask(`${form.dataset.choice}?${new URLSearchParams(new FormData(form))}`)).text();
    } catch (refusal) {
      count.textContent = refusal.message;
    }
  };
  const fold = () => {
    form.querySelector('#round-phrases').hidden = form.elements.play.value !== 'chosen';
    const pairs = form.elements.question.value === 'pair';
    form.elements.order.disabled = pairs;
  };
  for (const event of ['input', 'change']) {
    form.addEventListener(event, () => {
      fold();
      clearTimeout(timer);
      timer = setTimeout(tell, ASK_AFTER_MS);
    });
  }
  fold();
  tell();
}
