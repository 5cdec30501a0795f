// MIDI input of the browser, and hands that the page can stand in for; with a monitor of what comes in.
import {buffer} from './output-buffer.js';
import * as player from './player.js';
import {movedBy} from './rides.js';
import {keyName} from '../lib/key-names.js';
import {say} from '../page/requests.js';

const SHOWN = 14;
const CONTROLLERS = {1: 'mod wheel', 2: 'breath', 6: 'data entry', 7: 'volume', 11: 'expression', 64: 'pedal', 74: 'slide', 100: 'RPN low', 101: 'RPN high',
  120: 'all sound off', 121: 'controllers to rest', 123: 'all notes off'};
const lines = [];
let access = null;

/** A message in words. @param {number[]|Uint8Array} bytes */
export function told([status, first = 0, second = 0]) {
  const channel = `channel ${(status & 15) + 1}`;
  const key = keyName(first);
  switch (status & 0xF0) {
    case 0x80: return `${channel}  note off ${key}, ${second}`;
    case 0x90: return second === 0 ? `${channel}  note off ${key}` : `${channel}  note on ${key}, ${second}`;
    case 0xA0: return `${channel}  key aftertouch ${key}, ${second}`;
    case 0xB0: return `${channel}  ${CONTROLLERS[first] ?? movedBy(0xB0, first, second)?.hand.replace('macro', 'macro ') ?? `controller ${first}`} ${second}`;
    case 0xC0: return `${channel}  program ${first + 1}`;
    case 0xD0: return `${channel}  aftertouch ${first}`;
    case 0xE0: return `${channel}  bend ${(first | second << 7) - 8192}`;
    default: return 'system message';
  }
}

/** Takes one message, wherever it comes from. @param {Uint8Array|number[]} bytes */
export function take(bytes) {
  if (bytes[0] >= 0xF0) {
    return;
  }
  // A page can take a message as a command of its own; then it plays nothing.
  if (document.dispatchEvent(new CustomEvent('comet:pad', {cancelable: true, detail: [...bytes]}))) {
    player.midi(bytes[0], bytes[1] ?? 0, bytes[2] ?? 0);
  }
  lines.unshift(told(bytes));
  lines.splice(SHOWN);
  document.getElementById('midi-monitor').textContent = lines.join('\n');
}

/** Sets the sheet of hands up. */
export function setUpMidi() {
  const sheet = document.getElementById('hands-sheet');
  const id = name => document.getElementById(name);
  id('player-hands').addEventListener('click', () => sheet.open ? sheet.close() : sheet.show());
  id('hands-close').addEventListener('click', () => sheet.close());
  for (const what of ['breath', 'expression', 'pedal']) {
    id(`hands-${what}`).addEventListener('input', e => player.move(what, Number(e.target.value)));
  }
  sheet.querySelectorAll('.hand input').forEach(hand => hand.addEventListener('input', () => {
    hand.nextElementSibling.textContent = hand.max === '1' ? Number(hand.value).toFixed(2) : hand.value;
  }));
  id('hands-release').addEventListener('input', e => player.setReleaseVelocity(Number(e.target.value)));
  player.on('started', () => { id('audio-buffer').value = buffer(); });
  id('audio-buffer').value = buffer();
  id('audio-buffer').addEventListener('change', e => player.setBuffer(e.target.value).catch(() => {}));
  id('midi-allow').addEventListener('click', allow);
  const channels = () => player.midiChannels(Number(id('midi-channel').value), Number(id('midi-zone').value));
  id('midi-channel').addEventListener('change', channels);
  id('midi-zone').addEventListener('change', channels);
  document.addEventListener('comet:midi', e => take(e.detail));
  if (!navigator.requestMIDIAccess) {
    id('midi-state').textContent = 'This browser gives no access to MIDI; the sliders and keys of the page stand in for it.';
    id('midi-allow').disabled = true;
  }
}

async function allow() {
  const state = document.getElementById('midi-state');
  try {
    access = await navigator.requestMIDIAccess();
  } catch {
    state.textContent = 'The browser did not allow MIDI. Allow it for this page in the browser\'s settings and try again.';
    return;
  }
  access.onstatechange = e => {
    if (e.port.type === 'input' && e.port.state === 'disconnected') {
      player.midiGone();
      say(`${e.port.name} is gone; its notes were let go.`, {calm: true, key: 'midi'});
    }
    listen();
  };
  listen();
}

function listen() {
  const inputs = [...access.inputs.values()].filter(i => i.state === 'connected');
  inputs.forEach(input => { input.onmidimessage = e => take(e.data); });
  document.getElementById('midi-state').textContent = inputs.length ? `Listening to ${inputs.map(i => i.name).join(', ')}.` : 'Allowed; no MIDI input is connected.';
}
