// The ladder of levels: which patches are chosen, one by one, by category, or all that are off.

/** Brings the ladder of a fresh piece of page to life. @param {HTMLElement} root */
export function wireLadder(root) {
  const ladder = root.matches?.('#ladder') ? root : root.querySelector('#ladder');
  if (!ladder) {
    return;
  }
  const boxes = within => [...within.querySelectorAll('[name=patch]')];
  const show = () => {
    const all = boxes(ladder);
    const chosen = all.filter(box => box.checked).length;
    ladder.querySelectorAll('[data-choose-group]').forEach(group => {
      const own = boxes(group.closest('tbody'));
      group.checked = own.every(box => box.checked);
      group.indeterminate = !group.checked && own.some(box => box.checked);
    });
    const count = ladder.querySelector('[data-chosen-count]');
    if (count) {
      count.textContent = `${chosen} of ${all.length} chosen`;
      ladder.querySelector('#level-chosen').disabled = chosen === 0;
    }
  };
  ladder.addEventListener('click', e => {
    const way = e.target.dataset.chooseRows;
    if (way) {
      boxes(ladder).forEach(box => { box.checked = way === 'all' || way === 'off' && box.dataset.off !== undefined; });
      show();
    }
  });
  ladder.addEventListener('change', e => {
    if (e.target.matches('[data-choose-group]')) {
      boxes(e.target.closest('tbody')).forEach(box => { box.checked = e.target.checked; });
    }
    show();
  });
  show();
}
