// Phrases of the house on the rules page: typed, played or taken from a MIDI file, heard, named and removed. They are kept with the rules.
import * as player from '../player/player.js';
import {FIRST_MACRO} from '../player/rides.js';
import {ask, say} from '../page/requests.js';

const LONGEST_MS = 60000;
const PRESSURE = 0xD0;
const BEND = 0xE0;
const CONTROL = 0xB0;
const NOTE = 0x80;

/** What is being recorded, or null. */
let take = null;

const beat = () => (performance.now() - take.began) / 1000 * take.tempo / 60;
const round = value => Math.round(value * 1000) / 1000;

player.on('played', ({key, velocity}) => {
  if (take) {
    take.began ??= performance.now();
    lift(key);
    take.down.set(key, {velocity, start: round(beat())});
  }
});

player.on('lifted', ({key}) => take && lift(key));

player.on('midi', ({status, first, second}) => {
  if (take?.began !== undefined && (status & 0xE0) !== NOTE && status < 0xF0 && (status & 0xF0) !== 0xC0) {
    take.moves.push({start: round(beat()), status: status & 0xF0, first, second});
  }
});

player.on('moved', ({hand, value, midi}) => {
  if (take?.began !== undefined && hand && !midi) {
    take.moves.push({start: round(beat()), ...message(hand, value)});
  }
});

/** A move of the page's hands as MIDI. @param {number} value in per cent */
function message(hand, value) {
  const seven = Math.round(1.27 * value);
  const bend = Math.max(0, Math.min(16383, Math.round(8192 + 81.92 * value)));
  return hand === 'pressure' ? {status: PRESSURE, first: seven, second: 0}
    : hand === 'bend' ? {status: BEND, first: bend & 0x7F, second: bend >> 7}
    : {status: CONTROL, first: hand === 'wheel' ? 1 : FIRST_MACRO - 1 + Number(hand.slice(5)), second: seven};
}

function lift(key) {
  const note = take.down.get(key);
  if (note) {
    take.down.delete(key);
    take.notes.push({key, velocity: note.velocity, start: note.start, length: Math.max(0.01, round(beat() - note.start)), release: 64});
  }
}

/** @param {HTMLFormElement} form the rules @param {() => void} look shows what the form would break */
export function wireOwnPhrases(form, look) {
  const find = name => form.querySelector(`[data-phrase-${name}]`);
  const rows = form.querySelector('[data-phrase-rows]');
  const tempo = () => Number(find('tempo').value.replace(',', '.'));
  const name = () => find('name').value.trim() || `Phrase ${rows.children.length + 1}`;
  take = null;

  async function add(url, request) {
    try {
      const made = await (await ask(url, request)).json();
      if (rows.querySelector(`[data-phrase="${made.phrase.id}"]`)) {
        say('This phrase is there already.', {key: 'phrase', calm: true});
        return;
      }
      rows.append(row(made));
      form.querySelector('[data-own-phrases]').hidden = false;
      form.querySelectorAll('select[name=categoryPhrase]').forEach(list => list.prepend(Object.assign(document.createElement('option'), {value: made.phrase.id, textContent: made.phrase.name})));
      find('name').value = '';
      find('notes').value = '';
      say([`${made.phrase.name} is in the list of every category; apply the rules to keep it.`, ...made.phrase.remarks].join(' '), {key: 'phrase', calm: true});
      look();
    } catch (refusal) {
      say(refusal.message, {key: 'phrase'});
    }
  }

  function record() {
    const button = find('record');
    if (take) {
      const {notes, moves, down} = take;
      [...down.keys()].forEach(lift);
      const end = Math.max(0, ...notes.map(n => n.start + n.length));
      const beats = Math.max(1, Math.ceil(end - 0.05), end);
      const played = {name: name(), tempo: take.tempo, beats, notes, moves: moves.filter(m => m.start <= beats)};
      clearTimeout(take.limit);
      take = null;
      button.setAttribute('aria-pressed', 'false');
      button.textContent = 'Record';
      if (notes.length === 0) {
        say('No key was played.', {key: 'phrase', calm: true});
      } else {
        add('/phrases/played', {form: new URLSearchParams({played: JSON.stringify(played)})});
      }
    } else if (!(tempo() >= 20 && tempo() <= 300)) {
      say('The tempo is from 20 to 300 beats a minute.', {key: 'phrase'});
      find('tempo').focus();
    } else {
      take = {tempo: tempo(), notes: [], moves: [], down: new Map(), limit: setTimeout(() => take && record(), LONGEST_MS)};
      button.setAttribute('aria-pressed', 'true');
      button.textContent = 'Stop';
    }
  }

  find('add').addEventListener('click', () => add('/phrases/typed', {form: new URLSearchParams({name: name(), tempo: find('tempo').value.replace(',', '.'), notes: find('notes').value})}));
  find('notes').addEventListener('keydown', e => {
    if (e.key === 'Enter') {
      e.preventDefault();
      find('add').click();
    }
  });
  find('record').addEventListener('click', record);
  find('file').addEventListener('change', e => {
    const data = new FormData();
    data.append('name', find('name').value);
    data.append('file', e.target.files[0]);
    e.target.value = '';
    add('/phrases/file', {data});
  });
  rows.addEventListener('input', e => {
    const {phrase} = e.target.closest('tr').dataset;
    form.querySelectorAll(`select[name=categoryPhrase] option[value="${phrase}"]`).forEach(option => { option.textContent = e.target.value; });
  });
  rows.addEventListener('click', e => {
    const line = e.target.closest('tr');
    if (e.target.matches('[data-phrase-remove]')) {
      remove(line);
    } else if (e.target.matches('[data-phrase-play]')) {
      const {tempo: own, beats, notes, moves} = JSON.parse(line.querySelector('[name=phraseContent]').value);
      player.togglePhrase(own, {id: line.dataset.phrase, tempo: own, beats, notes: notes.map(n => [n.key, n.velocity, n.start, n.length, n.release]), moves: moves.map(m => [m.start, m.status, m.first, m.second]), tempoChanges: []});
    }
  });

  function remove(line) {
    const options = [...form.querySelectorAll(`select[name=categoryPhrase] option[value="${line.dataset.phrase}"]`)];
    const heard = options.filter(o => o.selected).map(o => o.closest('tr').querySelector('[name=categoryName]').value);
    if (heard.length > 0) {
      say(`${heard.join(', ')} ${heard.length === 1 ? 'is' : 'are'} heard by it; choose another phrase there first.`, {key: 'phrase'});
      return;
    }
    options.forEach(option => option.remove());
    const next = line.nextElementSibling ?? line.previousElementSibling;
    line.remove();
    form.querySelector('[data-own-phrases]').hidden = rows.children.length === 0;
    (next?.querySelector('[data-phrase-remove]') ?? find('name')).focus();
    look();
  }
}

/** A row of the table, as the server draws it. */
function row({phrase, content}) {
  const line = document.createElement('tr');
  line.dataset.phrase = phrase.id;
  line.innerHTML = '<td><button type="button" data-phrase-play>▶</button><input type="hidden" name="phraseContent"></td><td><input name="phraseName" maxlength="40" required></td><td class="num"></td><td class="num"></td><td class="num"></td><td class="soft"></td><td><button type="button" data-phrase-remove>Remove</button></td>';
  line.querySelector('[name=phraseContent]').value = content;
  line.querySelector('[name=phraseName]').value = phrase.name;
  line.querySelector('[name=phraseName]').setAttribute('aria-label', `Name of phrase ${phrase.name}`);
  line.querySelector('[data-phrase-play]').setAttribute('aria-label', `Play ${phrase.name}`);
  line.querySelector('[data-phrase-remove]').setAttribute('aria-label', `Remove ${phrase.name}`);
  const cells = line.querySelectorAll('td.num');
  cells[0].textContent = String(Math.round(phrase.tempo * 10) / 10);
  cells[1].textContent = String(Math.round(phrase.beats * 100) / 100);
  cells[2].textContent = String(phrase.notes.length);
  return line;
}
