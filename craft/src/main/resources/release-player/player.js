// A player of one collection: its patches, its engine, nothing else. It knows no server and asks no network.
const kit = JSON.parse(document.getElementById('kit').textContent);
const id = name => document.getElementById(name);
const NOTES = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
const ROW = {KeyA: 0, KeyW: 1, KeyS: 2, KeyE: 3, KeyD: 4, KeyF: 5, KeyT: 6, KeyG: 7, KeyY: 8, KeyH: 9, KeyU: 10, KeyJ: 11, KeyK: 12, KeyO: 13, KeyL: 14, KeyP: 15};
const LOWEST = 36;
const HIGHEST = 96;

let context = null;
let node = null;
let starting = null;
let current = null;
let octave = 48;
let playing = false;
/** Bank select as it has come; it counts with the next program change. */
let bank = [0, 0];
const down = new Map();

/** The text that the audio thread runs, as an address. */
const engineUrl = () => 'data:text/javascript;base64,' + btoa(unescape(encodeURIComponent(id('worklet').textContent)));

async function wake() {
  starting ??= (async () => {
    context = new AudioContext({sampleRate: 48000, latencyHint: 'interactive'});
    await context.audioWorklet.addModule(engineUrl());
    node = new AudioWorkletNode(context, 'player', {numberOfInputs: 0, outputChannelCount: [2]});
    node.connect(context.destination);
    node.port.onmessage = ({data}) => {
      if (data.ended) {
        showPlaying(false);
      } else if (data.program) {
        control(...data.program);
      } else {
        id('peak').textContent = data.peak > 1e-5 ? `${(20 * Math.log10(data.peak)).toFixed(1).replace('-', '−')} dB` : '−∞ dB';
      }
    };
    for (const [key, r] of Object.entries(kit.recordings)) {
      const left = floats(r.left);
      send({do: 'provide', key: Number(key), left, right: r.right ? floats(r.right) : left, rate: r.rate});
    }
    if (current) {
      send({do: 'load', image: image(current)});
    }
    id('state').textContent = 'Sound is on.';
  })().catch(error => {
    id('state').textContent = 'Sound could not be started in this browser: ' + error.message;
    starting = null;
  });
  await starting;
  await context?.resume();
}

const send = message => node?.port.postMessage(message);

function floats(base64) {
  const bytes = Uint8Array.from(atob(base64), c => c.charCodeAt(0));
  return new Float32Array(bytes.buffer);
}

/** A patch as the engine takes it: defaults, what differs from them, and what comes after the parameters. */
function image(patch) {
  const whole = new Float64Array(kit.defaults.length + patch.tail.length);
  whole.set(kit.defaults);
  for (let i = 0; i < patch.values.length; i += 2) {
    whole[patch.values[i]] = patch.values[i + 1];
  }
  whole.set(patch.tail, kit.defaults.length);
  return whole;
}

/** Sixteen characters: what does not fit is cut, what a display does not have is a question mark. */
const display = name => name.normalize('NFD').replace(/[\u0300-\u036f]/g, '').replace(/[^\x20-\x7e]/g, '?').slice(0, 16).padEnd(16);

function choose(patch, plays = false) {
  current = patch;
  send({do: plays ? 'program' : 'load', image: image(patch)});
  showPlaying(plays);
  id('display').textContent = display(patch.name);
  id('portrait').innerHTML = patch.portrait;
  id('about').textContent = [patch.category, patch.tags.join(', '), patch.pattern && `held keys: ${patch.pattern}`, patch.loudness].filter(Boolean).join(' · ');
  id('notes').textContent = patch.notes;
  id('msb').value = patch.msb;
  id('lsb').value = patch.lsb;
  id('program').value = patch.slot;
  bank = [patch.msb, patch.lsb];
  document.querySelectorAll('#patches [role=option]').forEach(li => li.setAttribute('aria-selected', String(kit.patches[li.dataset.n] === patch)));
  const chosen = document.querySelector('#patches [aria-selected=true]');
  chosen?.scrollIntoView({block: 'nearest'});
  id('patches').setAttribute('aria-activedescendant', chosen?.id ?? '');
  id('macros').replaceChildren(...patch.macros.map(macro => {
    const label = document.createElement('label');
    const name = Object.assign(document.createElement('span'), {textContent: macro.name});
    const range = Object.assign(document.createElement('input'), {type: 'range', min: 0, max: 100, step: 0.5, value: macro.value});
    label.title = `${macro.low || 'low'} to ${macro.high || 'high'}`;
    const told = Object.assign(document.createElement('output'), {textContent: macro.value.toFixed(0)});
    range.addEventListener('input', () => {
      send({do: 'set', index: macro.index, value: Number(range.value)});
      told.textContent = Number(range.value).toFixed(0);
    });
    label.append(name, range, told);
    return label;
  }));
  for (const hand of ['bend', 'wheel', 'pressure']) {
    id(hand).value = 0;
  }
}

/** Bank select and program change as a device takes them (MIDI 1.0): the bank counts with the next program. */
function control(status, first, second) {
  if ((status & 0xF0) === 0xC0) {
    const found = kit.patches.find(p => p.msb === bank[0] && p.lsb === bank[1] && p.slot === first + 1);
    id('said').textContent = found ? '' : `There is no program ${first + 1} in bank ${bank[0]}/${bank[1]}.`;
    if (found && found !== current) {
      choose(found, playing);
    }
  } else if (first === 0) {
    bank[0] = second;
  } else {
    bank[1] = second;
  }
}

function midi([status, first = 0, second = 0]) {
  const kind = status & 0xF0;
  if (status >= 0xF0) {
    return;
  }
  wake().then(() => {
    if (kind === 0xC0 || kind === 0xB0 && (first === 0 || first === 32)) {
      control(status, first, second);
    } else {
      send({do: 'midi', status, first, second});
      if (kind === 0xB0) {
        showMacro(first, second / 1.27);
      }
      light(first, kind === 0x90 && second > 0 ? true : kind === 0x80 || kind === 0x90 ? false : null);
    }
  });
}

/** Shows where a controller has moved a macro to. */
function showMacro(controller, value) {
  const label = id('macros').children[current.macros.findIndex(m => m.controller === controller)];
  if (label) {
    label.querySelector('input').value = value;
    label.querySelector('output').textContent = value.toFixed(0);
  }
}

function light(key, on) {
  if (on !== null) {
    document.querySelector(`#keys [data-key="${key}"]`)?.classList.toggle('down', on);
  }
}

const showPlaying = on => {
  playing = on;
  id('play').setAttribute('aria-pressed', String(on));
};

async function play(messages, seconds) {
  await wake();
  send({do: 'play', messages, seconds, repeats: id('loop').getAttribute('aria-pressed') === 'true'});
  showPlaying(true);
}

function togglePhrase() {
  if (playing) {
    send({do: 'stop'});
  } else {
    const phrase = kit.phrases[current.phrase];
    play([...phrase.messages, ...current.rides].sort((a, b) => a[0] - b[0]), phrase.seconds);
  }
}

function drawKeys() {
  const whites = [];
  for (let key = LOWEST; key <= HIGHEST; key++) {
    if (!NOTES[key % 12].includes('#')) {
      whites.push(key);
    }
  }
  const width = 100 / whites.length;
  for (let key = LOWEST; key <= HIGHEST; key++) {
    const black = NOTES[key % 12].includes('#');
    const box = document.createElement('div');
    const place = black ? whites.indexOf(key - 1) + 0.68 : whites.indexOf(key);
    box.className = black ? 'black' : 'white';
    box.dataset.key = key;
    box.style.left = `${place * width}%`;
    box.style.width = `${black ? 0.64 * width : width}%`;
    id('keys').append(box);
  }
}

let pointed = null;
function point(e) {
  const box = document.elementFromPoint(e.clientX, e.clientY)?.closest('#keys div');
  const key = box ? Number(box.dataset.key) : null;
  if (key !== pointed) {
    if (pointed !== null) {
      midi([0x80, pointed, 64]);
    }
    pointed = key;
    if (key !== null) {
      const area = box.getBoundingClientRect();
      midi([0x90, key, Math.round(Math.min(127, 40 + 87 * (e.clientY - area.top) / area.height))]);
    }
  }
}

id('keys').addEventListener('pointerdown', e => {
  id('keys').setPointerCapture(e.pointerId);
  point(e);
});
id('keys').addEventListener('pointermove', e => e.buttons && point(e));
for (const event of ['pointerup', 'pointercancel']) {
  id('keys').addEventListener(event, () => {
    if (pointed !== null) {
      midi([0x80, pointed, 64]);
      pointed = null;
    }
  });
}

function shift(by) {
  octave = Math.min(84, Math.max(24, octave + 12 * by));
  id('octave').textContent = `C${octave / 12 - 1}`;
}

function step(by) {
  const shown = [...document.querySelectorAll('#patches [role=option]:not([hidden])')];
  const at = shown.findIndex(li => li.getAttribute('aria-selected') === 'true');
  const next = shown[Math.min(shown.length - 1, Math.max(0, at + by))];
  if (next) {
    choose(kit.patches[next.dataset.n]);
  }
}

document.addEventListener('keydown', e => {
  if (e.target.closest('input:not([type=range])') || e.ctrlKey || e.metaKey || e.altKey) {
    return;
  }
  if (e.code === 'Space' && !e.target.closest('button')) {
    e.preventDefault();
    togglePhrase();
  } else if (e.code === 'Escape') {
    id('off').click();
  } else if (e.code === 'KeyZ' || e.code === 'KeyX') {
    shift(e.code === 'KeyZ' ? -1 : 1);
  } else if ((e.code === 'ArrowDown' || e.code === 'ArrowUp') && !e.target.closest('input')) {
    e.preventDefault();
    step(e.code === 'ArrowDown' ? 1 : -1);
  } else if (e.code in ROW && !e.repeat && !down.has(e.code)) {
    down.set(e.code, octave + ROW[e.code]);
    midi([0x90, octave + ROW[e.code], e.shiftKey ? 120 : 96]);
  }
});
document.addEventListener('keyup', e => {
  if (down.has(e.code)) {
    midi([0x80, down.get(e.code), 64]);
    down.delete(e.code);
  }
});
window.addEventListener('blur', () => {
  down.forEach(key => midi([0x80, key, 64]));
  down.clear();
});

id('play').addEventListener('click', togglePhrase);
for (const name of ['loop', 'pedal']) {
  id(name).addEventListener('click', e => {
    const on = e.currentTarget.getAttribute('aria-pressed') !== 'true';
    e.currentTarget.setAttribute('aria-pressed', String(on));
    if (name === 'pedal') {
      midi([0xB0, 64, on ? 127 : 0]);
    }
  });
}
id('off').addEventListener('click', () => {
  send({do: 'off'});
  showPlaying(false);
  document.querySelectorAll('#keys .down').forEach(k => k.classList.remove('down'));
});
id('down').addEventListener('click', () => shift(-1));
id('up').addEventListener('click', () => shift(1));
id('wheel').addEventListener('input', e => midi([0xB0, 1, Math.round(127 * e.target.value)]));
id('pressure').addEventListener('input', e => midi([0xD0, Math.round(127 * e.target.value)]));
id('bend').addEventListener('input', e => {
  const value = Math.round(8192 + 8191 * e.target.value);
  midi([0xE0, value & 0x7F, value >> 7]);
});
id('bend').addEventListener('change', e => {
  e.target.value = 0;
  midi([0xE0, 0, 64]);
});
for (const name of ['msb', 'lsb', 'program']) {
  id(name).addEventListener('change', () => {
    midi([0xB0, 0, Number(id('msb').value)]);
    midi([0xB0, 32, Number(id('lsb').value)]);
    midi([0xC0, Number(id('program').value) - 1]);
  });
}
id('find').addEventListener('input', e => {
  const wanted = e.target.value.trim().toLowerCase();
  document.querySelectorAll('#patches [role=option]').forEach(li => {
    const p = kit.patches[li.dataset.n];
    li.hidden = !`${p.name} ${p.category} ${p.tags.join(' ')}`.toLowerCase().includes(wanted);
  });
});
id('file').addEventListener('change', async e => {
  const file = e.target.files[0];
  if (file) {
    try {
      const {messages, seconds} = midiFile(await file.arrayBuffer());
      id('said').textContent = `${file.name}: ${messages.length} messages, ${seconds.toFixed(0)} s`;
      play(messages, seconds);
    } catch (error) {
      id('said').textContent = `${file.name}: ${error.message}`;
    }
  }
});
id('midi').addEventListener('click', async () => {
  try {
    const access = await navigator.requestMIDIAccess();
    const listen = () => {
      const inputs = [...access.inputs.values()];
      inputs.forEach(input => { input.onmidimessage = m => midi([...m.data]); });
      id('said').textContent = inputs.length ? `Listening to ${inputs.map(i => i.name).join(', ')}.` : 'Allowed; no MIDI input is connected.';
    };
    access.onstatechange = listen;
    listen();
  } catch {
    id('said').textContent = 'This browser gives no access to MIDI here; the keys of the page and of the computer play.';
  }
});

let named = '';
kit.patches.forEach((patch, n) => {
  if (patch.bank !== named && kit.banks > 1) {
    id('patches').append(Object.assign(document.createElement('li'), {className: 'bank', textContent: patch.bank, role: 'presentation'}));
  }
  named = patch.bank;
  const line = Object.assign(document.createElement('li'), {id: `patch-${n}`, role: 'option'});
  line.dataset.n = n;
  line.append(Object.assign(document.createElement('span'), {className: 'n', textContent: String(patch.slot).padStart(3, '0')}), Object.assign(document.createElement('span'), {textContent: patch.name}));
  line.addEventListener('click', () => {
    choose(patch);
    wake();
  });
  id('patches').append(line);
});
drawKeys();
shift(0);
choose(kit.patches[0]);
for (const event of ['pointerdown', 'keydown']) {
  document.addEventListener(event, () => wake(), {once: true});
}
