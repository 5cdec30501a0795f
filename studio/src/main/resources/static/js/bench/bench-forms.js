// The forms and parts of a bench: what is chosen, typed or pressed on it becomes an edit of the patch.
import {ask, say} from '../page/requests.js';
import {typeToFind} from '../page/finder.js';
import {wireDrawn} from './pictures/drawn.js';
import {wireChord} from './pictures/pattern-steps.js';
import {wireRoutePlots} from './pictures/route-plot.js';
import {wireFiles} from './sound-files.js';
import {wireEars} from '../player/mute-solo.js';
import {wireClipboard} from './clipboard.js';
import {wireVersions} from './versions/versions.js';
import {wireKeyMap} from './pictures/key-map.js';
import {wirePulls, wirePullTargets} from './quick/assign.js';
import {wireLanes} from './effects-lane.js';
import {wireReadyParts} from './quick/ready-parts.js';
import {modulators} from './repeated.js';
import {wireQuickLine} from './quick/quick-line.js';
import {wireTouch} from './performance.js';
import {wireRides} from './rides/rides.js';
import {wireTabPanels} from '../lib/tab-panels.js';
import {wireMatch} from './gain-match.js';
import {wireLoudnessAlong} from './chain-loudness.js';
import {standardFields} from '../lib/key-names.js';
import {indexOf} from '../lib/parameters.js';

/** Folds that were opened stay open when the bench is exchanged. */
const unfolded = new Set();

/**
 * Wires every form and part of fresh pieces of a bench.
 *
 * @param {import('./pieces.js').Fresh} element the pieces
 * @param hands   what they call: id() and image() of the patch, edit(fields), post(path, fields), save(), flush(), openPlace(id)
 */
export function wireBench(element, hands) {
  wireForms(element, hands);
  wireParts(element, hands);
  wireKeyMap(element, hands);
  wireTouch(element, hands);
  wireRides(element, hands);
  wireTabPanels(element, 'performance');
  wireLanes(element, hands);
  wirePulls(element, hands);
  wireReadyParts(element, hands);
  wireRoutePlots(element);
}

/** Wires what stands around the pieces. @param {HTMLElement} bench @param hands as above */
export function wireFrameOf(bench, hands) {
  wireQuickLine(bench, hands);
  wirePullTargets(bench, hands);
}

/** Where a route starts and goes, and what a macro holds, is found by the beginnings of words, or by another word for it. */
function wireFinding(element, id) {
  let targets = [];
  const learn = async () => {
    if (targets.length === 0) {
      targets = (await (await ask(`/patches/${id()}/targets`)).json()).map(target => ({text: target.text, also: target.kind, kind: target.kind}));
    }
  };
  const nothing = async () => {};
  element.querySelectorAll('[data-find-target]').forEach(input => wireFinder(input, () => targets, learn, 'depth'));
  element.querySelectorAll('[data-find-source]').forEach(input => {
    const sources = modulators(input).map(([, name, called]) => ({text: name, kind: called}));
    wireFinder(input, () => sources, nothing, 'target');
  });
}

/** @param next the field of the form that comes after a choice */
function wireFinder(input, entries, learn, next) {
  const list = document.createElement('ul');
  list.className = 'found floating';
  input.after(list);
  const {open, close} = typeToFind(input, list, entries, entry => {
    input.value = entry.text;
    close();
    input.form.elements[next]?.focus();
  });
  const show = () => {
    const page = document.getElementById('page').getBoundingClientRect();
    const field = input.getBoundingClientRect();
    list.classList.toggle('up', page.bottom - field.bottom < 320 && field.top - page.top > page.bottom - field.bottom);
    open();
    learn().then(() => list.hidden || open(), refusal => say(refusal.message));
  };
  input.addEventListener('focus', show);
  input.addEventListener('click', show);
  input.addEventListener('blur', close);
}

/** The field of a form that a refusal is most likely about: the one in hand, or the one filled in last. */
const inHand = form => {
  const fields = [...form.querySelectorAll('input:not([type=hidden])')];
  return fields.find(f => f === document.activeElement) ?? fields.filter(f => f.value).at(-1) ?? fields[0];
};

function wireForms(element, {id, edit, post, save}) {
  wireFinding(element, id);
  const held = field => {
    const {macro, target} = field.closest('tr').dataset;
    return {macro, target};
  };
  const setEnd = (field, value) => edit({kind: 'setEnd', ...held(field), end: field.dataset.end, value}, field);
  element.querySelectorAll('[data-edit]').forEach(field => field.addEventListener('change', () => edit({kind: field.dataset.edit, [field.name]: field.value}, field)));
  element.querySelectorAll('[data-edit-form]').forEach(form => {
    const send = e => edit({kind: form.dataset.editForm, ...standardFields(form)}, e.type === 'change' ? e.target : inHand(form));
    form.addEventListener('submit', e => {
      e.preventDefault();
      send(e);
    });
    if (form.dataset.onChange !== undefined) {
      form.addEventListener('change', send);
    }
  });
  element.querySelectorAll('.depth').forEach(field => field.addEventListener('change', () => edit({kind: 'setDepth', route: field.dataset.route, depth: field.value}, field)));
  element.querySelectorAll('[data-remove-route]').forEach(b => b.addEventListener('click', () => edit({kind: 'removeRoute', route: b.dataset.route})));
  element.querySelectorAll('.end').forEach(field => field.addEventListener('change', () => setEnd(field, field.value)));
  element.querySelectorAll('.targets .bend').forEach(field => field.addEventListener('change', () =>
    edit({kind: 'bendTarget', ...held(field), bend: field.value}, field)));
  element.querySelectorAll('[data-now]').forEach(b => b.addEventListener('click', () => setEnd(b, 'now')));
  element.querySelectorAll('[data-give-on]').forEach(field => field.addEventListener('change', () => {
    const [kind, to] = field.value.split(' ');
    edit({kind, ...held(field), to}, field);
  }));
  element.querySelectorAll('[data-let-go]').forEach(b => b.addEventListener('click', () => edit({kind: 'removeTarget', ...held(b)})));
  element.querySelectorAll('[data-post]').forEach(b => b.addEventListener('click', () => post(b.dataset.post, {})));
  element.querySelector('#save')?.addEventListener('click', save);
}

/** Each loose end leads to its place, and may have a mending. */
export function wireLooseEnds(element, {edit, openPlace}) {
  element.querySelectorAll('[data-open-place]').forEach(link => link.addEventListener('click', e => {
    e.preventDefault();
    openPlace(link.dataset.openPlace);
  }));
  element.querySelectorAll('[data-fix]').forEach(b => b.addEventListener('click', () => edit({kind: 'setValue', target: b.dataset.target, value: b.dataset.value})));
}

/** Whether a note division goes to another one, and not from or to none: the same bars stay. */
const fromTempoToTempo = (choice, image) =>
  choice.dataset.division !== undefined && choice.value !== '0' && image[indexOf(choice)] !== 0;

/** Choices that bring other bars with them, drawn lists, effects and recordings. */
function wireParts(element, {id, image, set, edit, post, flush, openPlace}) {
  element.querySelectorAll('[data-decides]').forEach(choice => choice.addEventListener('change', () => {
    if (fromTempoToTempo(choice, image())) {
      set(indexOf(choice), Number(choice.value));
    } else {
      edit({kind: 'choose', target: choice.id, value: choice.options[choice.selectedIndex].textContent});
    }
  }));
  element.querySelectorAll('.layer-switch').forEach(layer => layer.addEventListener('click', () =>
    edit({kind: 'choose', target: layer.id, value: layer.ariaChecked === 'true' ? 'off' : 'on'})));
  wireFiles(element, post, edit);
  wireMatch(element, post);
  wireLoudnessAlong(element, {id, flush});
  wireEars(element);
  wireClipboard(element, id, edit, flush);
  wireVersions(element, id, post, flush);
  wireLooseEnds(element, {edit, openPlace});
  element.querySelectorAll('[data-shape]').forEach(box => wireDrawn(box, image, edit));
  wireChord(element, edit);
  element.querySelectorAll('[data-move-effect]').forEach(b => b.addEventListener('click', () =>
    edit({kind: 'moveEffect', layer: b.dataset.layerNumber, slot: b.dataset.slot, to: b.dataset.to})));
  element.querySelectorAll('details[data-more]').forEach(fold => {
    const follow = () => {
      // What a part has more of stands beside it; told by a class, for a selector that looks inside costs at every change of the page.
      if (fold.dataset.more.endsWith('.')) {
        fold.closest('[data-piece]').classList.toggle('unfolded', fold.open);
      }
    };
    fold.open = unfolded.has(fold.dataset.more);
    follow();
    fold.addEventListener('toggle', () => {
      follow();
      if (fold.open) {
        unfolded.add(fold.dataset.more);
      } else {
        unfolded.delete(fold.dataset.more);
      }
    });
  });
}
