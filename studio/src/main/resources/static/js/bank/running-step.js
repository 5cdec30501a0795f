// A step of the desk that takes longer than a moment: how far it is, with a button that stops it.
import {ask} from '../page/requests.js';

/**
 * Follows a step until it is done. What it was refused for, or that it was stopped, is thrown.
 * @param {string} html what the server answered to the request for the step
 * @returns {Promise<string>} its answer when it is done
 */
export async function whenDone(html) {
  let running = read(html);
  if (!running) {
    return html;
  }
  const focused = document.activeElement;
  const line = show(running.dataset.at);
  try {
    let answer = html;
    while (running) {
      const done = Number(running.dataset.done);
      const total = Number(running.dataset.total);
      const bar = line.querySelector('progress');
      bar.max = Math.max(1, total);
      bar.value = done;
      line.querySelector('span').textContent = `${done} of ${total} patches`;
      // The server answers after a moment, or as soon as the step is done.
      answer = await (await ask(running.dataset.at)).text();
      running = read(answer);
    }
    return answer;
  } finally {
    const held = line.contains(document.activeElement) || document.activeElement === document.body;
    line.remove();
    if (held && focused?.isConnected) {
      focused.focus({preventScroll: true});
    }
  }
}

/** @returns {HTMLElement|null} */
function read(html) {
  const box = document.createElement('template');
  box.innerHTML = html;
  return box.content.getElementById('desk-running');
}

/** A line in the open sheet, where there is one, as everything outside it cannot be reached. */
function show(at) {
  const line = document.createElement('p');
  line.className = 'line running-step';
  line.setAttribute('role', 'status');
  const stop = document.createElement('button');
  stop.type = 'button';
  stop.textContent = 'Stop';
  stop.title = 'Stops this step; nothing of it is kept';
  stop.addEventListener('click', () => {
    stop.disabled = true;
    // What becomes of it is read by the one who follows the step.
    ask(`${at}/stop`, {method: 'POST'}).catch(() => {});
  });
  const bar = document.createElement('progress');
  bar.setAttribute('aria-label', 'Patches done');
  line.append(bar, document.createElement('span'), stop);
  const sheet = document.querySelector('dialog[open] .dialog-end');
  if (sheet) {
    sheet.before(line);
  } else {
    document.getElementById('messages').append(line);
  }
  return line;
}
