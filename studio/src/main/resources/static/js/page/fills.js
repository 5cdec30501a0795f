// Lists that fill a field.

/** Brings the lists of a fresh piece of page to life. @param {HTMLElement} root */
export function wireFills(root) {
  root.querySelectorAll('select[data-fills]').forEach(select => select.addEventListener('change', () => {
    if (select.value !== '') {
      select.form.elements[select.dataset.fills].value = select.value;
    }
  }));
}
