// From page to page without losing the sound.

/** Goes to another page of the application as a click on a link does. @param {string} url @returns {Promise<void>} kept when the page stands */
export function visit(url) {
  const there = new Promise(resolve => {
    const settled = e => {
      if (e.detail.elt.id === 'page') {
        document.body.removeEventListener('htmx:afterSettle', settled);
        resolve();
      }
    };
    document.body.addEventListener('htmx:afterSettle', settled);
  });
  const link = document.createElement('a');
  link.href = url;
  document.getElementById('page').append(link);
  window.htmx.process(link);
  link.click();
  link.remove();
  return there;
}
