'use strict';
// Standard MIDI Files for the player.

/** Reads a Standard MIDI File of format 0 or 1. @param {ArrayBuffer} buffer @returns {{messages: number[][], seconds: number}} */
function midiFile(buffer) {
  const view = new DataView(buffer);
  const text = at => String.fromCharCode(view.getUint8(at), view.getUint8(at + 1), view.getUint8(at + 2), view.getUint8(at + 3));
  if (buffer.byteLength < 14 || text(0) !== 'MThd' || view.getUint16(12) & 0x8000) {
    throw new Error('This is no Standard MIDI File with beats.');
  }
  const perBeat = view.getUint16(12);
  const events = [];
  let at = 8 + view.getUint32(4);
  for (let track = 0; track < view.getUint16(10) && at + 8 <= buffer.byteLength; track++) {
    const end = at + 8 + view.getUint32(at + 4);
    if (text(at) === 'MTrk') {
      readTrack(view, at + 8, Math.min(end, buffer.byteLength), events);
    }
    at = end;
  }
  events.sort((a, b) => a.tick - b.tick);
  const messages = [];
  let seconds = 0;
  let tick = 0;
  let perTick = 0.5 / perBeat;
  for (const e of events) {
    seconds += (e.tick - tick) * perTick;
    tick = e.tick;
    if (e.tempo) {
      perTick = e.tempo / 1e6 / perBeat;
    } else {
      messages.push([seconds, ...e.bytes]);
    }
  }
  return {messages, seconds: seconds + 1};
}

function readTrack(view, from, end, events) {
  let at = from;
  let tick = 0;
  let status = 0;
  const length = () => {
    let value = 0;
    for (let byte = 0x80; byte & 0x80;) {
      byte = view.getUint8(at++);
      value = value << 7 | byte & 0x7F;
    }
    return value;
  };
  while (at < end) {
    tick += length();
    if (view.getUint8(at) & 0x80) {
      status = view.getUint8(at++);
    }
    if (status === 0xFF) {
      const kind = view.getUint8(at++);
      const size = length();
      if (kind === 0x51) {
        events.push({tick, tempo: view.getUint8(at) << 16 | view.getUint8(at + 1) << 8 | view.getUint8(at + 2)});
      }
      at += size;
    } else if (status >= 0xF0) {
      at += length();
    } else {
      const two = (status & 0xE0) !== 0xC0;
      events.push({tick, bytes: [status, view.getUint8(at), two ? view.getUint8(at + 1) : 0]});
      at += two ? 2 : 1;
    }
  }
}
