// Patch files onto a bank or the bench: dropped, chosen, or a folder of them.
import {ask, say} from '../page/requests.js';
import {visit} from '../page/visit.js';

const WANTED = /\.(json|zip|wav)$/i;

/** Takes files that are dropped anywhere on a page with a bank in hand; set up once. */
export function setUpPatchDrop() {
  const bank = () => document.querySelector('[data-takes-patches]');
  const holdsFiles = e => bank() && e.dataTransfer?.types.includes('Files') && !e.target.closest?.('[data-drop]');
  document.addEventListener('dragover', e => {
    if (holdsFiles(e)) {
      e.preventDefault();
      bank().classList.add('taking');
    }
  });
  for (const event of ['dragleave', 'drop']) {
    document.addEventListener(event, e => {
      if (event === 'drop' || e.relatedTarget === null) {
        bank()?.classList.remove('taking');
      }
    });
  }
  document.addEventListener('drop', async e => {
    if (holdsFiles(e)) {
      e.preventDefault();
      // Entries have to be asked for before the event is over.
      const entries = [...e.dataTransfer.items].map(item => item.webkitGetAsEntry?.());
      const files = entries.some(entry => entry?.isDirectory) ? (await Promise.all(entries.map(walk))).flat() : [...e.dataTransfer.files].map(file => [file, file.name]);
      take(files);
    }
  });
}

/** Brings the choosers of a fresh piece of page to life. @param {HTMLElement} root */
export function wirePatchFiles(root) {
  root.querySelectorAll('[data-choose-patches]').forEach(button => button.addEventListener('click', () => {
    const chooser = document.getElementById(button.dataset.choosePatches);
    chooser.click();
  }));
  root.querySelectorAll('input[data-patch-files]').forEach(chooser => chooser.addEventListener('change', () => {
    take([...chooser.files].map(file => [file, file.webkitRelativePath || file.name]));
    chooser.value = '';
  }));
}

/** All files below an entry, with their paths. @returns {Promise<Array<[File, string]>>} */
async function walk(entry) {
  if (!entry) {
    return [];
  }
  if (entry.isFile) {
    return [[await new Promise((resolve, reject) => entry.file(resolve, reject)), entry.fullPath.slice(1)]];
  }
  const reader = entry.createReader();
  const found = [];
  for (let some = ['']; some.length > 0;) {
    some = await new Promise((resolve, reject) => reader.readEntries(resolve, reject));
    found.push(...(await Promise.all(some.map(walk))).flat());
  }
  return found;
}

/** @param {Array<[File, string]>} files with their paths */
async function take(files) {
  const place = document.querySelector('[data-takes-patches]');
  const data = new FormData();
  files.filter(([, path]) => WANTED.test(path)).forEach(([file, path]) => data.append('file', file, path));
  if (!data.has('file')) {
    say('There is no patch among these files: a patch is a .json file, or a .zip or folder with some. Nothing was taken.', {key: 'patch-files'});
    return;
  }
  try {
    const taken = await (await ask(`/banks/${place.dataset.takesPatches}/files`, {data})).json();
    const renamed = taken.filter(t => t.name !== t.nameInFile);
    await visit(document.getElementById('bench') ? `/patches/${taken[0].id}` : `/banks/${place.dataset.takesPatches}`);
    say(`${taken.length === 1 ? `"${taken[0].name}" was` : `${taken.length} patches were`} taken into the bank`
      + (renamed.length === 0 ? '.' : `; ${renamed.slice(0, 3).map(t => `"${t.nameInFile}" is called "${t.name}"`).join(', ')}${renamed.length > 3 ? ' and others' : ''}, as their names were taken.`),
    {key: 'patch-files', calm: true});
  } catch (refusal) {
    say(refusal.message, {key: 'patch-files'});
  }
}
