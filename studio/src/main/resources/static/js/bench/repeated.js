// What stands on the bench many times and is always the same: the server sends a mark, the page writes it out.

const TOOLS = {
  earOff: {source: ['mute', 'Not heard for now; never stored'], bypass: ['bypass', 'Bypassed for now; never stored']},
  earSolo: {source: ['solo', 'Hear this alone for now; never stored']},
};

function button(text, name, title, press = false) {
  const made = document.createElement('button');
  made.type = 'button';
  made.textContent = text;
  made.dataset[name] = '';
  if (title) {
    made.title = title;
  }
  if (press) {
    made.className = 'press';
    made.setAttribute('aria-pressed', 'false');
  }
  return made;
}

/** The buttons of a part: what is heard of it, copy, paste, ready parts. */
function fillTools(tools) {
  for (const [name, ofEar] of Object.entries(TOOLS)) {
    const known = ofEar[tools.dataset.ear];
    if (known) {
      tools.append(button(known[0], name, known[1], true));
    }
  }
  const parts = button('parts', 'readyParts', 'Ready parts: starting shapes, heard while choosing');
  parts.setAttribute('aria-haspopup', 'true');
  tools.append(button('copy', 'copyPart'), button('paste', 'pastePart'), parts);
}

/** Every modulator beside the one that is chosen, in the order in which they are offered. */
function fillModulators(choice) {
  const chosen = choice.value;
  const all = [...document.querySelectorAll('#modulators option')].map(o => new Option(o.textContent, o.dataset.id, false, o.dataset.id === chosen));
  choice.replaceChildren(choice.options[0], ...all);
  choice.value = chosen;
}

/** Writes out what a fresh piece of the bench has marks for; what has been written out stays. @param {HTMLElement} element */
export function writeOut(element) {
  element.querySelectorAll('.part-tools:empty').forEach(fillTools);
  element.querySelectorAll('select[data-modulators]').forEach(choice => choice.options.length <= 2 && fillModulators(choice));
}
