// Copying a part of a patch and pasting it into another place of its kind, in this patch or another.
import {ask, say} from '../page/requests.js';

const STORE = 'comet-part';

/**
 * @param {HTMLElement} bench
 * @param {() => number} patch id of the patch on the bench
 * @param {(fields: object) => void} edit
 * @param {() => Promise<void>} flush waits until every edit has arrived
 */
export function wireClipboard(bench, patch, edit, flush) {
  bench.querySelectorAll('[data-part]').forEach(tools => {
    const part = tools.dataset.part;
    tools.querySelector('[data-copy-part]')?.addEventListener('click', async () => {
      try {
        await flush();
        const content = await (await ask(`/patches/${patch()}/content`)).text();
        localStorage.setItem(STORE, JSON.stringify({part, content, name: document.getElementById('patch-name').value}));
        say(`Copied ${words(part)}.`, {key: 'copied', calm: true});
      } catch (refusal) {
        say(refusal.message);
      }
    });
    tools.querySelector('[data-paste-part]')?.addEventListener('click', () => {
      const copied = JSON.parse(localStorage.getItem(STORE) ?? 'null');
      if (copied) {
        edit({kind: 'paste', content: copied.content, from: copied.part, to: part});
      } else {
        say('Nothing has been copied yet: copy a part first.', {key: 'copied', calm: true});
      }
    });
  });
}

function words(part) {
  return part.replace(/\.$/, '').replaceAll('.', ' ').replace(/([a-z])(\d)/g, '$1 $2').replace(/^effect$/, 'the chain of effects').replace(/^macro$/, 'the macros');
}
