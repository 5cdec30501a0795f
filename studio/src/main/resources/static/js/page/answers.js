// What htmx asks carries the token, and what it is refused is told at the field or as a message.
import {fieldOf, refuse} from './refused.js';
import {csrfToken, say} from './requests.js';

export function setUpAnswers() {
  document.body.addEventListener('htmx:configRequest', e => { e.detail.headers['X-XSRF-TOKEN'] = csrfToken(); });
  document.body.addEventListener('htmx:responseError', e => {
    const xhr = e.detail.xhr;
    const plain = (xhr.getResponseHeader('Content-Type') ?? '').startsWith('text/plain');
    const text = plain ? xhr.responseText
      : new DOMParser().parseFromString(xhr.responseText, 'text/html').querySelector('main p')?.textContent ?? 'That did not work.';
    const field = xhr.status === 422 ? fieldOf(e.detail.elt, xhr.getResponseHeader('X-Field')) : null;
    if (xhr.status === 409) {
      say(text, {key: 'conflict', buttons: [['Show what is there now', () => location.reload()]]});
    } else if (field) {
      refuse(field, text);
    } else {
      say(text);
    }
  });
  document.body.addEventListener('htmx:sendError', () => say('The server cannot be reached just now. Nothing was changed; try again in a moment.', {calm: true}));
}
