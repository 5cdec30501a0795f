// Sound files and tunings on the bench: chosen, dropped, bounced, taken apart.
import {standardFields} from '../lib/key-names.js';
import {say} from '../page/requests.js';

const LARGEST = 64e6;

/**
 * @param {HTMLElement} element the bench
 * @param {(path: string, fields: object) => void} post sends to an address of the patch
 * @param {(fields: object) => void} edit sends an edit
 */
export function wireFiles(element, post, edit) {
  const place = box => ({layer: box.dataset.layerNumber, source: box.dataset.source});
  element.querySelectorAll('[data-drop]').forEach(box => {
    const take = file => {
      if (!file) {
        return;
      }
      if (file.size > LARGEST) {
        say(`${file.name} has ${Math.round(file.size / 1e6)} MB; a sound file has at most ${LARGEST / 1e6} MB. Nothing was changed.`);
        return;
      }
      post('files', {...place(box), file});
    };
    box.querySelector('[data-take-file]').addEventListener('change', e => take(e.target.files[0]));
    box.addEventListener('dragover', e => {
      e.preventDefault();
      box.classList.add('over');
    });
    box.addEventListener('dragleave', () => box.classList.remove('over'));
    box.addEventListener('drop', e => {
      e.preventDefault();
      box.classList.remove('over');
      take(e.dataTransfer.files[0]);
    });
    box.querySelector('[data-use-file]')?.addEventListener('change', e => e.target.value && post('recording', {...place(box), hash: e.target.value}));
    for (const [what, path] of [['hit', 'hit'], ['bounce', 'bounce']]) {
      const form = box.querySelector(`[data-${what}]`);
      form?.addEventListener('submit', e => {
        e.preventDefault();
        post(path, {...place(box), ...standardFields(form)});
      });
    }
  });
  element.querySelectorAll('[data-remove-recording]').forEach(b => b.addEventListener('click', () => edit({kind: 'removeRecording', ...place(b)})));
  element.querySelectorAll('[data-fewest]').forEach(b => b.addEventListener('click', async () => {
    const words = b.textContent;
    b.disabled = true;
    b.textContent = 'Rendering and comparing \u2026';
    await post('fewest', place(b));
    // Where nothing but values has changed, the button is still this one.
    b.disabled = false;
    b.textContent = words;
  }));
  element.querySelectorAll('[data-mirror-source]').forEach(b => b.addEventListener('click', () => edit({kind: 'mirrorSource', from: b.dataset.from, ...place(b)})));
  element.querySelectorAll('[data-alike]').forEach(b => b.addEventListener('click', () =>
    edit({kind: 'alikeBands', ...place(b), band: b.parentElement.querySelector('[data-band]').value})));
  const tuning = element.querySelector('[data-tuning]');
  tuning?.addEventListener('submit', e => {
    e.preventDefault();
    const data = new FormData(tuning);
    post('tuning', data.get('map').size > 0 ? {scale: data.get('scale'), map: data.get('map')} : {scale: data.get('scale')});
  });
  element.querySelector('[data-equal-temperament]')?.addEventListener('click', () => edit({kind: 'setShape', shape: 'performance.scale', rows: ''}));
}
