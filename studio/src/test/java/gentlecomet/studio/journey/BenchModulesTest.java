package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Modules of the bench by themselves: rows that the page writes out, pictures with what moves on them, bars that are drawn when they must. */
class BenchModulesTest extends InModules {

    /** What a macro holds and where a route goes are sent as figures; the page writes the rows, with what cannot be chosen left out. */
    @Test
    void rowsAreWrittenOutByTheirTemplates() {
        assertEquals("Low end of Layer 2 filter 1: Cutoff=320 Hz; macro 1, layer 1, layer 3; no remark | Depth of LFO 1 to Cutoff=0.45 oct; -10 to 100 %: 12 and 1; oneSided; scaled by key",
                in("bench/repeated.js", "m", """
                const page = document.createElement('div');
                page.innerHTML = `<template id="target-row"><td><input data-value="low" aria-label="Low end of {name}"><span class="still">still</span><span data-now-of></span><select>
                    <option value="targetToMacro 1">macro 1</option><option value="targetToMacro 2">macro 2</option><option value="targetOnLayer 1">layer 1</option>
                    <option value="targetOnLayer 2">layer 2</option><option value="targetOnLayer 3">layer 3</option></select></td></template>
                  <template id="route-row"><td><input class="depth" data-value="depth" aria-label="Depth of {from} to {name}"><button data-ear-route></button><details data-more></details>
                    <svg class="plot large"><polyline/><line data-limit="high"/><line data-limit="low"/></svg><select name="side"><option value="own">own</option><option value="oneSided">one</option></select>
                    <select name="scaler"><option value="">nothing</option></select></td></template>
                  <input data-find-source data-entries="velocity=Velocity=|key=Key=|macro1=Macro 1=Brightness">
                  <table><tr data-macro="2" data-target="layer2.filter1.cutoff" data-name="Layer 2 filter 1: Cutoff" data-low="320 Hz"></tr>
                  <tr data-route="0" data-from="LFO 1" data-name="Cutoff" data-depth="0.45 oct" data-plot="0,1 44,21" data-upward="1" data-low="-10" data-high="100" data-side="oneSided" data-scaler="key"></tr></table>`;
                document.body.append(page);
                m.writeOut(page);
                const [target, route] = page.querySelectorAll('tr');
                const y = which => route.querySelector(`[data-limit=${which}]`).getAttribute('y1');
                const low = target.querySelector('input');
                const told = `${low.ariaLabel}=${low.value}; ${[...target.querySelectorAll('option')].map(o => o.text).join(', ')}; ${target.querySelector('.still') ? 'a' : 'no'} remark | `
                  + `${route.querySelector('input').ariaLabel}=${route.querySelector('input').value}; ${route.dataset.low} to ${route.dataset.high} %: ${y('low')} and ${y('high')}; ${route.querySelector('[name=side]').value}; `
                  + `scaled by ${route.querySelector('[name=scaler]').value}`;
                page.remove();
                return told"""));
    }

    /** The picture beneath a dot is drawn once: with the dot it is another one, and without it the same as before, point by point. */
    @Test
    void whatMovesIsDrawnOnAPictureThatStands() {
        List<Double> image = Arrays.stream(PatchImage.of(Patch.neutral("Dots"))).boxed().toList();
        assertEquals("dot drawn, dot moved, gone again; lfo dot drawn, dot moved, gone again; nothing moves on a filter", in("bench/pictures/pictures.js", "m", """
                const image = new Float64Array(given[0]);
                const canvas = (name, data) => {
                  const made = document.createElement('canvas');
                  made.className = 'picture';
                  made.style.cssText = 'width: 300px; height: 120px';
                  Object.assign(made.dataset, {picture: name, large: '', ...data});
                  document.body.append(made);
                  return made;
                };
                const pixels = c => c.toDataURL();
                const note = seconds => ({seconds, touch: 0, envelopes: [[5000 + seconds, 0.6], [0, 0], [0, 0], [0, 0]], lfos: [0.5, 0, 0, 0], curves: [0, 0]});
                const told = [];
                for (const [name, data] of [['envelope', {envelope: 0}], ['lfo', {lfo: 0}]]) {
                  const c = canvas(name, data);
                  m.draw(c, image, 0);
                  const plain = pixels(c);
                  m.drawMoving(c, image, 0, note(0.01));
                  const first = pixels(c);
                  m.drawMoving(c, image, 0, note(0.2));
                  const second = pixels(c);
                  m.drawMoving(c, image, 0, null);
                  told.push(`${name === 'lfo' ? 'lfo ' : ''}${first === plain ? 'nothing' : 'dot'} drawn, ${second === first ? 'nothing' : 'dot'} moved, ${pixels(c) === plain ? 'gone again' : 'left behind'}`);
                  c.remove();
                }
                const filter = canvas('filter', {filter: 0});
                m.draw(filter, image, 0);
                const still = pixels(filter);
                m.drawMoving(filter, image, 0, note(0.1));
                told.push(`${pixels(filter) === still ? 'nothing moves' : 'something moves'} on a filter`);
                filter.remove();
                return told.join('; ')""", image));
    }

    /** Selectors see fresh pieces themselves and what is in them, and nothing else of the page. */
    @Test
    void freshPiecesAreAskedAsOne() {
        assertEquals("a1 b1; a1; none", in("bench/pieces.js", "m", """
                const made = html => { const box = document.createElement('div'); box.innerHTML = html; return box.firstElementChild; };
                const page = made('<section><p class="x" id="a1">a<i></i></p><p id="b0"><b class="x" id="b1"></b></p><p class="x" id="c1"></p></section>');
                const fresh = new m.Fresh([page.children[0], page.children[1]]);
                return `${fresh.querySelectorAll('.x').map(e => e.id).join(' ')}; ${fresh.querySelector('.x').id}; ${fresh.querySelector('section') ? 'found' : 'none'}`"""));
    }

    /** Of all bars of a bench only those are drawn whose value is another than the one they show. */
    @Test
    void aBarIsDrawnAgainWhenItsValueIsAnother() {
        assertEquals("false true false true", in("bench/value-bar.js", "m", """
                const {writeOut} = await import('@js/bench/repeated.js');
                const box = document.createElement('div');
                box.innerHTML = `<div class="bar" id="${given[0]}"></div>`;
                writeOut(box);
                const bar = box.firstElementChild;
                m.wireBar(bar, {sounding: () => 700, set() {}, beginGesture() {}}, () => {});
                const before = m.isShown(bar, 700);
                m.showBar(bar, 700);
                return [before, m.isShown(bar, 700), m.isShown(bar, 701), bar.getAttribute('aria-valuetext').includes('700')].join(' ')""", Parameters.find("layer1.filter1.cutoff").id()));
    }
}
