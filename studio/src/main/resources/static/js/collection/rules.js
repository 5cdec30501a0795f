// The rules page: rows are added, ordered and removed; what the form would break is shown while it is changed.
import {ask} from '../page/requests.js';
import {wireOwnPhrases} from './own-phrases.js';

const PAUSE_MS = 300;

let timer = 0;
let asked = 0;

/** Brings the rules of a fresh piece of page to life. @param {HTMLElement} root */
export function wireRules(root) {
  const form = root.matches?.('[data-rules]') ? root : root.querySelector('[data-rules]');
  if (!form) {
    return;
  }
  showNames(form);
  form.addEventListener('input', () => { showNames(form); look(form); });
  form.addEventListener('click', e => clicked(e, form));
  wireOwnPhrases(form, () => look(form));
  form.addEventListener('change', e => {
    if (e.target.matches('[data-remove]')) {
      e.target.closest('tr').classList.toggle('going', e.target.value !== '-');
    }
  });
  form.addEventListener('htmx:configRequest', e => {
    if (e.detail.path.endsWith('/rules')) {
      e.detail.parameters = toFormData(sent(form));
    }
  });
}

const toFormData = params => {
  const data = new FormData();
  params.forEach((value, name) => data.append(name, value));
  return data;
};

/** Fields of the way in which names are described are shown; those of the other keep what they have. */
function showNames(form) {
  const way = form.querySelector('[name=namesBy]:checked').value;
  form.querySelectorAll('[data-names]').forEach(part => { part.hidden = part.dataset.names !== way; });
}

/** What the form sends: rows that go are left out, and said where their patches go. */
function sent(form) {
  const params = new URLSearchParams(new FormData(form));
  const going = [...form.querySelectorAll('tr.going')];
  if (going.length > 0) {
    const kept = [...form.querySelectorAll('[data-category-rows] tr:not(.going)')];
    for (const name of ['categoryId', 'categoryMark', 'categoryName', 'categoryPhrase', 'categoryMeasure', 'categoryOffset', 'categoryTail', 'categoryPlanned']) {
      params.delete(name);
      kept.forEach(row => params.append(name, row.querySelector(`[name=${name}]`).value));
    }
    going.forEach(row => {
      params.append('mergeFrom', row.querySelector('[name=categoryId]').value);
      params.append('mergeInto', row.querySelector('[data-remove]').value);
    });
  }
  return params;
}

function look(form) {
  clearTimeout(timer);
  timer = setTimeout(async () => {
    const own = ++asked;
    const apply = form.querySelector('#rules-apply');
    const refusal = form.querySelector('#rules-refusal');
    try {
      const html = await (await ask(`/collections/${form.dataset.collection}/rules/preview`, {form: sent(form)})).text();
      if (own === asked && form.isConnected) {
        form.querySelector('#rules-effect').innerHTML = html;
        refusal.hidden = true;
        apply.disabled = false;
      }
    } catch (e) {
      if (own === asked && form.isConnected) {
        refusal.textContent = e.message;
        refusal.hidden = false;
        apply.disabled = true;
      }
    }
  }, PAUSE_MS);
}

function clicked(e, form) {
  const row = e.target.closest('tr');
  if (e.target.matches('[data-row-up]') && row.previousElementSibling) {
    row.previousElementSibling.before(row);
  } else if (e.target.matches('[data-row-down]') && row.nextElementSibling) {
    row.nextElementSibling.after(row);
  } else if (e.target.matches('[data-add-category]')) {
    addCategory(form);
  } else if (e.target.matches('[data-add-group]')) {
    addGroup(form);
  } else if (e.target.matches('[data-remove-group]')) {
    e.target.closest('.tag-group').remove();
    form.querySelector('[data-add-group]').focus();
  } else {
    return;
  }
  if (e.target.isConnected) {
    e.target.focus();
  }
  look(form);
}

/** A new row like the last one, without its name. */
function addCategory(form) {
  const rows = form.querySelector('[data-category-rows]');
  const fresh = rows.lastElementChild.cloneNode(true);
  fresh.classList.remove('going');
  fresh.querySelectorAll('input').forEach(field => {
    if (['categoryId', 'categoryName', 'categoryMark'].includes(field.name)) {
      field.value = '';
    }
    field.setAttribute('aria-label', field.name === 'categoryName' ? 'Name of the new category' : `${field.getAttribute('aria-label') ?? ''} (new)`);
  });
  fresh.querySelector('td:nth-last-child(2)').textContent = '0';
  fresh.querySelector('[data-remove]').innerHTML = '<option value="-">keep</option><option value="">remove</option>';
  rows.append(fresh);
  requestAnimationFrame(() => fresh.querySelector('[name=categoryName]').focus());
}

function addGroup(form) {
  const box = document.createElement('div');
  box.className = 'line tag-group';
  box.innerHTML = '<label>Group <input name="groupName" maxlength="40"></label> <label class="grow">Tags <input name="groupTags"></label> <label>from <input class="num tiny" name="groupLeast" value="0"></label> <label>to <input class="num tiny" name="groupMost" value="3"></label> <button type="button" data-remove-group>Remove</button>';
  form.querySelector('[data-group-rows]').append(box);
  requestAnimationFrame(() => box.querySelector('input').focus());
}
