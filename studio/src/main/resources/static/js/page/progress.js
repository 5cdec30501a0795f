// Progress of background work: followed as the server tells it, and exchanged for what the work has made.
import {ask, say} from './requests.js';

const streams = new Map();

/** Follows the work that a fresh piece of page shows. Streams of pages that are gone are closed, so that a browser's few connections are there for the page that is shown. @param {HTMLElement} root */
export function followProgress(root) {
  for (const [url, {source, line}] of streams) {
    if (!line.isConnected) {
      source.close();
      streams.delete(url);
    }
  }
  root.querySelectorAll('[data-progress]').forEach(follow);
}

/** Follows server-sent progress and exchanges a part of the page when the work is done. */
function follow(line) {
  const url = line.dataset.progress;
  streams.get(url)?.source.close();
  if (line.dataset.ask) {
    ask(line.dataset.ask, {method: 'POST'}).catch(refusal => say(refusal.message, {key: 'measure', calm: refusal.passing}));
  }
  const source = new EventSource(url);
  streams.set(url, {source, line});
  const started = performance.now();
  let first = null;
  const finish = async () => {
    source.close();
    streams.delete(url);
    const target = document.querySelector(line.dataset.swap);
    if (!line.isConnected || !target) {
      return;
    }
    const box = document.createElement('template');
    box.innerHTML = await (await ask(line.dataset.then)).text();
    const fresh = box.content.querySelector(line.dataset.swap);
    target.replaceWith(fresh);
    line.remove();
    window.htmx.process(fresh);
    document.dispatchEvent(new CustomEvent('comet:fresh', {detail: fresh}));
  };
  source.addEventListener('progress', event => {
    const {done, total, failed} = JSON.parse(event.data);
    if (!line.isConnected) {
      source.close();
      return;
    }
    first ??= done;
    const seconds = (performance.now() - started) / 1000;
    const left = done > first ? Math.ceil(seconds / (done - first) * (total - done)) : null;
    line.querySelector('span:last-of-type').textContent = `${done} of ${total}${left === null ? '' : `, about ${left} s left`}`;
    if (done + failed >= total) {
      finish().catch(refusal => say(refusal.message));
    }
  });
}
