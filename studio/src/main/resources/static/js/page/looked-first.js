// Files that are looked at before they are taken, and lists that fill a field.
import {ask} from './requests.js';

/** Brings such forms of a fresh piece of page to life. @param {HTMLElement} root */
export function wireLooks(root) {
  root.querySelectorAll('form[data-look]').forEach(form => {
    const file = form.querySelector('[type=file]');
    file.addEventListener('change', () => look(form, file));
  });
  root.querySelectorAll('select[data-fills]').forEach(select => select.addEventListener('change', () => {
    if (select.value !== '') {
      select.form.elements[select.dataset.fills].value = select.value;
    }
  }));
}

async function look(form, file) {
  const box = form.querySelector('[data-looked]');
  const go = form.querySelector('[data-after-look]');
  go.disabled = true;
  box.replaceChildren();
  if (file.files.length === 0) {
    return;
  }
  box.textContent = 'Looking into it …';
  const data = new FormData();
  data.append('file', file.files[0]);
  try {
    box.innerHTML = await (await ask(form.dataset.look, {data})).text();
    go.disabled = false;
  } catch (refusal) {
    const line = document.createElement('p');
    line.className = 'refusal';
    line.textContent = refusal.message;
    box.replaceChildren(line);
  }
}
