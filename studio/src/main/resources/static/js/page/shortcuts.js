// The sheet of shortcuts for the page that is shown.

const EVERYWHERE = [['Ctrl+K', 'find any patch, page, parameter or action'], ['Space', 'play or stop the phrase'], ['`', 'computer keys play notes: A S D F … white, W E T Y … black, Z X octave'], ['Esc', 'all notes off'], ['P', 'player slim or full'], ['?', 'this sheet']];
const BENCH = [['1 to 9', 'key map, sources, filter, envelopes, modulation, effects, performance, level, versions'], ['F', 'flip between the state on the bench and the version heard before'], ['Q', 'quick line: a whole setting typed, such as source 1 saw 7 voices detune 18 ct; filter 1 lp24 cutoff 800; amplitude 5 300 50 400; delay 1/8D mix 25; lfo 1 > cutoff 1 oct two-sided; macro 1 holds cutoff 300 2k; macro 1 named Wind, calm to wild. Tab takes a suggestion, Enter sets the line as one step'], ['G', 'match the level around the effect used last, or around the filters'], ['Ctrl+Z, Ctrl+Shift+Z', 'undo, redo'], ['Ctrl+S', 'save a revision'],
  ['Arrows, Page', 'move the value bar in focus; Shift is fine'], ['Enter or a digit', 'type a value: 1.2k, -6 dB, 1/8D, C#4, off'], ['Delete', 'default value'], ['Arrows on the key map', 'move the layer; Shift sizes its upper key and velocity, Ctrl its lower ones; S splits at the key played last'], ['M', 'macros, routes, copy and paste of a value; M and a number routes from that modulator: type how far, or use arrows'], ['L', 'lock or unlock a value: edits and variations leave it alone']];
const BANK = [['Arrows, Page, Home, End', 'from cell to cell'], ['Shift+↑ Shift+↓', 'choose a stretch; Ctrl+Space one more, Ctrl+A all that are shown, Esc none'], ['Letters', 'to the next name that begins so'], ['Space', 'play'],
  ['Enter', 'type in the cell; on slot and portrait: open on the bench'], ['Tab while typing', 'on to the same cell of the next patch; Esc takes back'], ['F2', 'rename; with several chosen, all of them'], ['Alt+↑ Alt+↓', 'move what is chosen'],
  ['Ctrl+C, Ctrl+V', 'copy names, categories, tags and authors; paste cells'], ['Ctrl+D', 'duplicate'], ['Ctrl+S', 'save revisions'], ['Delete', 'into the trash'], ['Ctrl+Z, Ctrl+Shift+Z', 'undo, redo'], ['/', 'filter'], ['Menu key, Shift+F10', 'menu of the row']];
const SOUNDCHECK = [['↓ ↑, Page, Home, End', 'from finding to finding'], ['Shift+↑ Shift+↓', 'choose a stretch; Ctrl+click one more, Ctrl+A all that are shown, Esc one again'], ['P', 'play what is heard of it'], ['R', 'try the repair, then apply it; of all that are chosen'],
  ['W', 'let it stand, with a reason; all that are chosen'], ['Enter', 'open on the bench']];
const LISTENING = [['K F C', 'keep, fix, cut'], ['1 to 5', 'the rating'], ['1 2 0', 'the first, the second, no difference'], ['N', 'note, pinned to this moment and to the key played last; Enter saves it, Shift+Enter begins a line, Escape leaves it'],
  ['Shift+1 to 9', 'a ready remark'], ['U, Ctrl+Z', 'take the last answer back, again and again'], ['→ ←', 'skip, back'], ['V', 'hear the other, and this one again'], ['R', 'the next thing to hold it against'],
  ['T', 'blind trials: A, B and X are heard, 1 says X is A, 2 says X is B, Esc leaves them'], ['O D H J', 'octaves, soft to hard, held and released, chord; again for the phrase'], ['M S B', 'in mono, small loudspeaker, with drums']];

/** Opens the sheet. */
export function openShortcuts() {
  const sheet = document.getElementById('sheet');
  const parts = [['On every page', EVERYWHERE]];
  if (document.getElementById('bench')) {
    parts.unshift(['Bench', BENCH]);
  } else if (document.getElementById('desk')) {
    parts.unshift(['Bank', BANK]);
  } else if (document.getElementById('check-list')) {
    parts.unshift(['Soundcheck', SOUNDCHECK]);
  } else if (document.getElementById('round')) {
    parts.unshift(['Listening', LISTENING]);
  }
  sheet.replaceChildren(...parts.flatMap(([title, keys]) => {
    const heading = document.createElement('h2');
    heading.textContent = title;
    const list = document.createElement('dl');
    for (const [key, what] of keys) {
      const term = document.createElement('dt');
      const kbd = document.createElement('kbd');
      kbd.textContent = key;
      term.append(kbd);
      const words = document.createElement('dd');
      words.textContent = what;
      list.append(term, words);
    }
    return [heading, list];
  }));
  const close = document.createElement('button');
  close.textContent = 'Close';
  close.addEventListener('click', () => sheet.close());
  sheet.append(close);
  sheet.showModal();
}
