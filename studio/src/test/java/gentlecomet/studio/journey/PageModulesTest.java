package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.studio.patch.PatchSummary;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The logic of page modules, module by module: each is imported in one browser that all cases share, on a page without a bench. */
class PageModulesTest extends InModules {

    @ParameterizedTest
    @CsvSource({"cut, Layer 1 filter 1: Cutoff", "brightness, Layer 1 filter 1: Cutoff", "2 lev, Layer 1 source 2: Level", "fm, Layer 1 source 1: Phase modulation from 2",
        "portamento, Performance: Glide", "verb mix, Effect 2: Mix"})
    void theFinderKnowsBeginningsAndOtherWords(String typed, String found) {
        List<Map<String, String>> entries = List.of("Layer 1 filter 1: Cutoff", "Layer 1 source 1: Level", "Layer 1 source 2: Level", "Layer 1 source 1: Phase modulation from 2",
                "Performance: Glide", "Layer 1 filter 1: Resonance").stream().map(text -> Map.of("text", text)).toList();
        List<Map<String, String>> all = new ArrayList<>(entries);
        all.add(Map.of("text", "Effect 2: Mix", "also", "Reverb"));
        assertEquals(found, in("page/finder.js", "m", "localStorage.removeItem('comet-found'); return m.best(given[0], given[1])[0]?.text", all, typed));
    }

    @Test
    void theFinderFindsNothingForWordsThatNothingHas() {
        assertEquals(0L, in("page/finder.js", "m", "return m.best(given[0], 'xylophone').length", List.of(Map.of("text", "Layer 1 filter 1: Cutoff"))));
    }

    /** Key 60 is C4 in what is kept; somebody who calls it C3 reads and types an octave less. */
    @Test
    void keysAreToldAndTypedInTheOctavesOfThePerson() {
        assertEquals("C3|Hole: B2 to D3, \"C4 Bell\"|C4|C#5|440 Hz", in("lib/key-names.js", "m", """
                m.setMiddleOctave(3);
                const told = [m.keyName(60), m.toldKeys('Hole: B3 to D4, "C4 Bell"'), m.standardKey('C3'), m.standardKey('c#4'), m.standardKey('440 Hz')].join('|');
                m.setMiddleOctave(4);
                return told"""));
    }

    /** Lengths by definition: a quarter at 120 is half a second, dotted half as long again, a triplet two thirds. */
    @ParameterizedTest
    @CsvSource({"0.5, 1/4", "0.75, 1/4D", "0.3333, 1/4T", "0.24, 1/8", "1.9, 1/1"})
    void theNearestDivisionIsChosen(double seconds, String text) {
        assertEquals(text, in("lib/divisions.js", "m", """
                const {choicesOf} = await import('@js/lib/parameters.js');
                const {LivePatch} = await import('@js/../engine/engine.js');
                return choicesOf(LivePatch.indexOf('layer1.lfo1.division'))[m.nearestDivision(given[0], 120)]""", seconds));
    }

    /** What a page is sent of a patch becomes the very numbers that the engine has on the server. */
    @Test
    void aPatchArrivesAsItsImage() {
        for (PatchSummary summary : patches.inBank(demoBank()).subList(0, 12)) {
            Patch patch = patches.get(summary.id()).patch();
            Object image = in("lib/parameters.js", "m", "return [...m.imageOf(await (await fetch(`/patches/${given[0]}/playable`)).json())]", summary.id());
            List<Double> expected = new ArrayList<>();
            for (double v : PatchImage.of(patch)) {
                expected.add(v);
            }
            assertEquals(expected, ((List<?>) image).stream().map(v -> ((Number) v).doubleValue()).toList(), patch.name());
        }
    }

    @Test
    void choicesAndRangesComeFromTheRegistry() {
        var wave = Parameters.find("layer1.source1.wave");
        assertEquals((long) wave.choices().size(), in("lib/parameters.js", "m", "const {LivePatch} = await import('@js/../engine/engine.js'); return m.choicesOf(LivePatch.indexOf('layer1.source1.wave')).length"));
        assertEquals("layer1.filter1.cutoff 20 20000", in("lib/parameters.js", "m", """
                const {LivePatch} = await import('@js/../engine/engine.js');
                const i = LivePatch.indexOf('layer1.filter1.cutoff');
                return [m.idOf(i), LivePatch.least(i), LivePatch.most(i)].join(' ')"""));
    }

    /** Held C E G: up, down, and both ways without the ends twice; the last note ends when the last key is let go. */
    @ParameterizedTest
    @CsvSource({"up, 60 64 67 60 64 67", "down, 67 64 60 67 64 60", "both, 60 64 67 64 60 64"})
    void theArpeggioGoesThroughTheHeldKeys(String pattern, String expected) {
        assertEquals(expected + " end 1", in("player/sequences.js", "m", """
                const played = [];
                let ended = 0;
                const arpeggio = new m.Arpeggio(given[0], 100, (key, velocity) => velocity > 0 ? played.push(key) : ended++);
                [64, 60, 67].forEach(key => arpeggio.down(key, 90));
                for (let frames = 0; frames < 600;) { frames += arpeggio.advance(64); }
                const before = ended;
                [64, 60, 67].forEach(key => arpeggio.up(key));
                return played.slice(0, 6).join(' ') + ' end ' + (ended - before)""", pattern));
    }

    @Test
    void aLoopGoesRoundOnTime() {
        // Two beats at 120 are a second: 48000 frames; a note on the second beat begins at 24000 in each round.
        assertEquals("24000 72000", in("player/sequences.js", "m", """
                globalThis.sampleRate = 48000;
                const loop = new m.Loop([[40, 100, 1, 0.5]], 2, 120);
                const at = [];
                for (let frame = 0; frame < 96000; frame += 100) { loop.advance(100, (key, velocity) => velocity > 0 && at.push(frame)); }
                return at.join(' ')"""));
    }

    /** A square's inside, the widest ring in the middle of points at its corners, and cells that hold three points and more. */
    @Test
    void theSkyKnowsWhatALassoHoldsWhereThereIsRoomAndWhereACrowd() {
        assertEquals("true false false", in("bank/sky-shapes.js", "m", """
                const square = [{x: 0, y: 0}, {x: 10, y: 0}, {x: 10, y: 10}, {x: 0, y: 10}];
                return [m.inside({x: 5, y: 5}, square), m.inside({x: 15, y: 5}, square), m.inside({x: 5, y: -1}, square)].join(' ')"""));
        assertEquals("1 true", in("bank/sky-shapes.js", "m", """
                const box = {x: 0, y: 0, w: 400, h: 400};
                const points = [[60, 60], [340, 60], [60, 340], [340, 340]].map(([x, y]) => ({x, y}));
                const found = m.holes(points, box);
                return found.length + ' ' + (Math.hypot(found[0].x - 200, found[0].y - 200) < 20 && found[0].r > 150)"""));
        assertEquals("0", in("bank/sky-shapes.js", "m", "return String(m.holes([{x: 1, y: 1}], {x: 0, y: 0, w: 9, h: 9}).length)"));
        assertEquals("1 4", in("bank/sky-shapes.js", "m", """
                const cells = m.crowds([[5, 5], [6, 5], [7, 6], [8, 4], [300, 300], [301, 301]].map(([x, y]) => ({x, y})), {x: 0, y: 0, w: 440, h: 260});
                return cells.length + ' ' + cells[0].count"""));
    }

    /** Twice the frequency and twice the time are an octave; ten times the energy at the sides are 10 dB. */
    @Test
    void stepsOfTheSkyAreOctavesAndDecibels() {
        assertEquals("1 -2 10", in("bank/sky-axes.js", "m", "return [m.stepTo('brightness', 500, 1000), m.stepTo('tail', 4, 1), m.stepTo('width', 1, 10)].map(v => Math.round(v * 1e6) / 1e6).join(' ')"));
        assertEquals("1.36 kHz, 575 ms, 2.5 s", in("bank/sky-axes.js", "m",
                "return [m.shownValue({brightness: 1362}, 'brightness'), m.shownValue({tail: 0.575}, 'tail'), m.shownValue({tail: 2.52}, 'tail')].join(', ')"));
    }

    @Test
    void metersTellLevelsAndGainReduction() {
        assertEquals("−6 → −12 dB, GR 6.2|−∞", in("bench/slot-meters.js", "m", """
                const bench = document.createElement('div');
                bench.innerHTML = '<span data-meter="-1:0" data-holds="true"></span><span data-meter="-1:1"></span><span data-stage-meter="level"></span>';
                m.slotsOf(bench);
                m.showSlots(bench, {slots: [[0.501, 0.1, 6.2], [0, 0, 0]], figures: false});
                m.showSlots(bench, {slots: [[0.1, 0.251, 0], [0.000001, 0.001, 0]], figures: true});
                m.showStages(bench, {stages: [0, 0, 0, 0, 0, 1.2], figures: true});
                const [first, second] = bench.querySelectorAll('[data-meter]');
                return first.textContent + '|' + second.textContent.split(' ')[0] + (bench.querySelector('.fault') ? '' : ' no fault')"""));
    }

    /** Typed, nudged and reset: a bar of its own, with a state that only notes what it is told. */
    @ParameterizedTest
    @CsvSource({"1.2k, 1200", "440 Hz, 440", "99999, refused", "loud, refused"})
    void aValueIsTypedIntoABar(String typed, String expected) {
        String heard = String.valueOf(in("bench/value-bar.js", "m", BAR + """
                bar.dispatchEvent(new KeyboardEvent('keydown', {key: 'Enter', bubbles: true}));
                const input = bar.querySelector('input');
                input.value = given[0];
                input.dispatchEvent(new KeyboardEvent('keydown', {key: 'Enter', bubbles: true}));
                const answer = told.length ? String(Math.round(told[0] * 100) / 100) : 'refused';
                bar.remove();
                document.querySelectorAll('.refused-text, .refusal').forEach(e => e.remove());
                return answer""", typed));
        assertEquals(expected, heard);
    }

    @Test
    void keysMoveABarAndDeleteBringsItsDefault() {
        assertEquals("up 20000", in("bench/value-bar.js", "m", BAR + """
                bar.dispatchEvent(new KeyboardEvent('keydown', {key: 'ArrowUp', bubbles: true}));
                bar.dispatchEvent(new KeyboardEvent('keydown', {key: 'Delete', bubbles: true}));
                bar.remove();
                return (told[0] > 1000 && told[0] < 1100 ? 'up ' : told[0] + ' ') + told[1]"""));
    }

    private static final String BAR = """
            const bar = document.createElement('div');
            bar.className = 'bar';
            bar.id = 'layer1.filter1.cutoff';
            bar.tabIndex = 0;
            bar.setAttribute('role', 'slider');
            bar.ariaLabel = 'Layer 1 filter 1: Cutoff';
            bar.innerHTML = '<span class="bar-label"><span>Cutoff</span></span><span class="bar-value num"></span>';
            document.getElementById('content').append(bar);
            const told = [];
            let value = 1000;
            m.wireBar(bar, {sounding: () => value, set: (index, v) => { value = v; told.push(v); }, beginGesture: () => {}, endGesture: () => {}, toggleLock: () => {}}, () => {});
            """;

    /** A moved value is named by its id; what the network loses is kept and sent again. */
    @Test
    void valuesAreSentByIdAndKeptWhileTheServerIsAway() {
        assertEquals("layer1.filter1.cutoff 900 version 7, tried 2, then version 8", in("bench/patch-state.js", "m", """
                const {LivePatch} = await import('@js/../engine/engine.js');
                const player = await import('@js/player/player.js');
                player.load({id: 1, name: 'A', values: {}, tail: [0, 0, 0, 0], phrase: {notes: [], tempo: 100, beats: 1}, macros: [], zones: [], recordings: []}, false);
                const bench = document.createElement('div');
                Object.assign(bench.dataset, {patch: '1', version: '7', locked: ''});
                const real = window.fetch;
                const sent = [];
                window.fetch = async (url, options) => {
                  sent.push(JSON.parse(options.body));
                  return sent.length === 1 ? new Response('away', {status: 503, headers: {'Content-Type': 'text/plain'}})
                    : new Response(JSON.stringify({version: 8, undo: 'x', redo: '', saved: false}), {headers: {'Content-Type': 'application/json'}});
                };
                const state = new m.PatchState(bench, () => {}, () => {});
                state.set(LivePatch.indexOf('layer1.filter1.cutoff'), 900);
                await state.flush();
                window.fetch = real;
                return `${sent[0].parameter} ${sent[0].value} version ${sent[0].version}, tried ${sent.length}, then version ${state.version}`"""));
    }

    /** Pieces that an answer does not bring stay as they are, also within one that is new; where another one stands, nothing is touched and the whole bench is needed. */
    @Test
    void piecesThatAreTheSameStay() {
        assertEquals("one,two: wired new; filter wired, then two new, end; fresh: two,sources; nothing touched", in("bench/pieces.js", "m", """
                const piece = (name, hash, html, kept = '') => `<div data-piece="${name}" data-hash="${hash}" ${kept}>${html}</div>`;
                const made = html => { const box = document.createElement('div'); box.innerHTML = html; return box.firstElementChild; };
                const page = document.createElement('div');
                page.append(made(piece('bench', 'b', piece('sources', 's', piece('one', '1', 'wired') + piece('two', '2', 'old')) + piece('filter', 'f', 'wired'))));
                const bench = page.firstChild;
                const at = name => bench.querySelector(`[data-piece="${name}"]`);
                const [one, filter] = [at('one'), at('filter')];
                const first = m.exchange(bench, made(piece('bench', 'b', piece('sources', 's', piece('two', '3', 'new'), 'data-kept'), 'data-kept')));
                first.settle();
                const told = [`one,two: ${at('one') === one ? one.textContent : 'lost'} ${at('two').textContent}`];
                const second = m.exchange(bench, made(piece('bench', 'b', piece('sources', 't', piece('one', '1', '', 'data-kept') + piece('two', '3', '', 'data-kept') + 'end'), 'data-kept')));
                const wiredMeanwhile = second.fresh.querySelectorAll('[data-piece]').length;
                second.settle();
                told.push(`filter ${at('filter') === filter ? 'wired' : 'lost'}, then ${at('one') === one && wiredMeanwhile === 1 ? 'two' : 'lost'} ${at('two').textContent}, ${at('sources').lastChild.textContent}`);
                told.push(`fresh: ${[first, second].map(e => e.fresh.roots.map(r => r.dataset.piece)).join()}`);
                const before = page.innerHTML;
                const third = m.exchange(bench, made(piece('bench', 'b', piece('filter', 'g', '', 'data-kept') + piece('one', '9', 'x'), 'data-kept')));
                told.push(third === null && page.innerHTML === before ? 'nothing touched' : 'touched');
                return told.join('; ')"""));
    }

    /** Looks each tenth of a second for 20 s: what is counted by the browser, or how far the output's clock is behind. */
    @ParameterizedTest
    @CsvSource({"1, 0, 0", "1, 2, 0", "1, 3, 1", "1, 7, 2", "20, 7, 0", "0, 0, 0", "0, 2, 0", "0, 3, 1"})
    void gapsCloseTogetherAskForALongerBuffer(double apartSeconds, int gaps, long asked) {
        boolean counted = apartSeconds > 0;
        assertEquals(asked, in("player/output-buffer.js", "m", """
                const watch = new m.GapWatch();
                let asked = 0, underruns = 5, lag = 0.02;
                for (let i = 0; i < 600; i++) {
                  const now = 100 + i / 10;
                  const gap = given[0] ? i % (10 * given[0]) === 0 : i % 20 === 0;
                  if (gap && i > 25 && underruns - 5 < given[1]) { underruns++; lag += 0.01; }
                  const played = now - lag - 0.01 * (i % 3) / 3;
                  asked += watch.look(now, played, given[2] ? underruns : undefined) ? 1 : 0;
                }
                return asked""", apartSeconds, gaps, counted));
    }

    @Test
    void anOutputWithGapsIsExchangedForALongerOneAndThePhraseGoesOn() {
        // Browsers let sound begin with a click.
        shared.find("h1").click();
        Object found = in("player/player.js", "m", """
                let underruns = 0;
                const own = Object.getOwnPropertyDescriptor(AudioContext.prototype, 'playbackStats');
                Object.defineProperty(AudioContext.prototype, 'playbackStats', {configurable: true, get: () => ({underrunEvents: underruns})});
                try {
                  localStorage.removeItem('comet-buffer');
                  m.load({id: -1, name: 'Gaps', values: {'layer1.on': 1, 'layer1.source1.level': -6}, tail: given[0], phrase: {tempo: 120, beats: 64, notes: [[60, 100, 0, 64]]}, macros: [], zones: [], matchedDb: 0, recordings: []}, false);
                  await m.startPhrase(120);
                  const short = m.latency();
                  const next = () => new Promise(resolve => { let once = true; m.on('meters', data => { if (once) { once = false; resolve(data); } }); });
                  for (let first = await next(); !(first.voices > 0);) { first = await next(); }
                  while (localStorage.getItem('comet-buffer') !== 'safe') { underruns += 3; await next(); }
                  let meters = await next();
                  while (!(meters.voices > 0) || !document.querySelector("#messages [data-key='buffer']")) { meters = await next(); }
                  return [m.latency() > short, meters.voices, document.querySelectorAll("#messages [data-key='buffer']").length, document.getElementById('audio-buffer').value];
                } finally {
                  own ? Object.defineProperty(AudioContext.prototype, 'playbackStats', own) : delete AudioContext.prototype.playbackStats;
                  m.unload();
                  localStorage.removeItem('comet-buffer');
                }""", java.util.Arrays.stream(PatchImage.of(Patch.neutral("Gaps"))).skip(Parameters.COUNT).boxed().toList());
        assertEquals(List.of(true, 1L, 1L, "safe"), found);
    }

    /**
     * A switch takes 10 ms. Equal sounds pass it unchanged (answers the largest difference); sounds that have nothing in common keep their power (answers the
     * largest deviation of 5 ms windows in dB, averaged over many switches); nothing jumps by more than the sounds do by themselves.
     */
    @Test
    void aSwitchHasNoGapAndNoClick() {
        Object told = in("player/crossfade.js", "m", """
                const rate = 48000, frames = 9600;
                const sine = hz => Float32Array.from({length: frames}, (x, i) => 0.5 * Math.sin(2 * Math.PI * hz * i / rate));
                const run = (a, b) => {
                  const fade = new m.Crossfade(rate), left = a.slice(), right = a.slice();
                  let arrived = -1;
                  for (let from = 0; from < frames; from += 128) {
                    const cut = x => x.subarray(from, from + 128);
                    if (from === 4864) { fade.to(true); }
                    const at = fade.mix(cut(left), cut(right), cut(b), cut(b));
                    if (at >= 0) { arrived = from + at; }
                  }
                  return [left, (arrived - 4864 + 1) / rate];
                };
                const [same] = run(sine(440), sine(440));
                const difference = Math.max(...same.map((x, i) => Math.abs(x - sine(440)[i])));
                const windows = new Float64Array(8);
                let seed = 1;
                const noise = () => Float32Array.from({length: frames}, () => { seed = seed * 1103515245 + 12345 & 0x7fffffff; return seed / 0x40000000 - 1; });
                let took = 0;
                for (let n = 0; n < 60; n++) {
                  const [out, seconds] = run(noise(), noise());
                  took = seconds;
                  for (let w = 0; w < 8; w++) {
                    for (let i = 0; i < 240; i++) { windows[w] += out[4384 + 240 * w + i] ** 2 / 240 / 60; }
                  }
                }
                const deviation = Math.max(...[...windows].map(p => Math.abs(10 * Math.log10(p / (1 / 3)))));
                const [two] = run(sine(440), sine(660));
                let step = 0;
                for (let i = 1; i < frames; i++) { step = Math.max(step, Math.abs(two[i] - two[i - 1])); }
                return [1000 * took, difference, deviation, step / (0.5 * 2 * Math.PI * 660 / rate)]""");
        List<?> figures = (List<?>) told;
        assertEquals(10, ((Number) figures.get(0)).doubleValue(), 0.1, "milliseconds");
        assertEquals(0, ((Number) figures.get(1)).doubleValue(), 1e-6, "equal sounds");
        assertEquals(0, ((Number) figures.get(2)).doubleValue(), 0.5, "dB of power");
        assertEquals(1, ((Number) figures.get(3)).doubleValue(), 0.25, "no jump beyond the steepest slope of the sounds");
    }
}
