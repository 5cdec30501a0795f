// Requests with the CSRF token, and messages to the person at the page.
import {toldKeys} from '../lib/key-names.js';

/** The token that the server put into a cookie. @returns {string} */
export function csrfToken() {
  const found = document.cookie.split('; ').find(c => c.startsWith('XSRF-TOKEN='));
  return found ? decodeURIComponent(found.slice(11)) : '';
}

/** An answer that was not what was asked for. */
class Refusal extends Error {
  /** @param {number} status 0 when the server could not be reached @param {string} message */
  constructor(status, message) {
    super(message);
    this.status = status;
  }

  /** Whether the same request may go through later. */
  get passing() {
    return this.status === 0 || this.status === 503;
  }
}

/**
 * Asks the server.
 * @param {string} url
 * @param {{method?: string, headers?: Record<string, string>, json?: object, form?: Record<string, string>|URLSearchParams, data?: FormData}} [options]
 * @returns {Promise<Response>}
 */
export async function ask(url, options = {}) {
  const headers = {'X-XSRF-TOKEN': csrfToken(), 'X-Requested-With': 'comet', ...options.headers};
  let body;
  if (options.json) {
    headers['Content-Type'] = 'application/json';
    body = JSON.stringify(options.json);
  } else if (options.form) {
    body = new URLSearchParams(options.form);
  } else if (options.data) {
    body = options.data;
  }
  let response;
  try {
    response = await fetch(url, {method: options.method ?? (body ? 'POST' : 'GET'), headers, body});
  } catch {
    throw new Refusal(0, 'The server cannot be reached just now.');
  }
  if (!response.ok) {
    const plain = (response.headers.get('Content-Type') ?? '').startsWith('text/plain');
    throw new Refusal(response.status, plain ? await response.text()
      : response.status === 403 ? 'This page was open for too long. Load it again and repeat the last step.' : 'That did not work.');
  }
  return response;
}

const CALM_MS = 7000;

/**
 * Shows a message between the page and the player. It stays until it is closed; a calm one goes by itself, unless somebody points at it or
 * it stays on purpose. One with a key takes the place of the last with that key.
 * @param {string} text
 * @param {{key?: string, calm?: boolean, stays?: boolean, buttons?: Array<[string, () => void]>}} [options]
 */
export function say(text, options = {}) {
  const box = document.createElement('div');
  box.className = 'message-box' + (options.calm ? ' calm' : '');
  box.dataset.key = options.key ?? text;
  const words = document.createElement('span');
  words.textContent = toldKeys(text);
  box.append(words);
  for (const [label, act] of [...(options.buttons ?? []), ['Close', () => {}]]) {
    const button = document.createElement('button');
    button.type = 'button';
    button.textContent = label;
    button.addEventListener('click', () => {
      box.remove();
      act();
      if (document.activeElement === document.body) {
        document.getElementById('content')?.focus({preventScroll: true});
      }
    });
    box.append(button);
  }
  hush(box.dataset.key);
  document.getElementById('messages').append(box);
  if (options.calm && !options.stays) {
    const leave = () => setTimeout(() => box.matches(':hover, :focus-within') ? leave() : box.remove(), CALM_MS);
    leave();
  }
}

/** Takes the message with a key away. @param {string} key */
export function hush(key) {
  document.querySelectorAll('#messages .message-box').forEach(box => {
    if (box.dataset.key === key) {
      box.remove();
    }
  });
}

/**
 * What is sent of a thing that somebody else may have changed: files travel as form data, everything else as plain fields.
 * @param {Record<string, string|File>|FormData} fields
 * @param {number} version the one that is shown
 */
export function withVersion(fields, version) {
  if (fields instanceof FormData) {
    const form = new URLSearchParams(fields);
    form.set('version', String(version));
    return {form};
  }
  if (!Object.values(fields).some(value => value instanceof File)) {
    return {form: {...fields, version: String(version)}};
  }
  const data = new FormData();
  Object.entries({...fields, version: String(version)}).forEach(([name, value]) => data.append(name, value));
  return {data};
}
