package gentlecomet.craft.quick;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuickLineTest {

    private static final Patch NEUTRAL = Patch.neutral("Quick");

    /** What a line leaves, as "parameter value", for a patch that begins neutral. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "source 2 saw 7 voices detune 18 ct width 80 level -9 | layer1.source2.wave saw; layer1.source2.unisonVoices 7; layer1.source2.detune 18.0 ct; layer1.source2.width 80.0 %; layer1.source2.level -9.0 dB",
        "source1 square pw 30 | layer1.source1.wave pulse; layer1.source1.pulseWidth 30.0 %",
        "source 1 7 voices 12 ct detune | layer1.source1.unisonVoices 7; layer1.source1.detune 12.0 ct",
        "src 3 round square octave -1 -12 dB | layer1.source3.wave round square; layer1.source3.octave -1 oct; layer1.source3.level -12.0 dB",
        "source 1 table position 40 | layer1.source1.wave table; layer1.source1.position 40.0 %",
        "filter 1 low pass 24 cutoff 800 resonance 6 drive 3 | layer1.filter1.type low pass 24; layer1.filter1.cutoff 800.0 Hz; layer1.filter1.resonance 6.0 dB; layer1.filter1.drive 3.0 dB",
        "f2 hp12 120 Hz | layer1.filter2.type high pass 12; layer1.filter2.cutoff 120.0 Hz",
        "filter 1 ladder 1.2k env +3 oct track 50 | layer1.filter1.type ladder 24; layer1.filter1.cutoff 1.20 kHz; layer1.filter1.envelopeAmount 3.00 oct; layer1.filter1.keyTracking 50.0 %",
        "amplitude 5 300 50 400 | layer1.amplitude.attack 5.00 ms; layer1.amplitude.decay 300 ms; layer1.amplitude.sustain 50.0 %; layer1.amplitude.release 400 ms",
        "amp a 5 s 80 r 1.5 s | layer1.amplitude.attack 5.00 ms; layer1.amplitude.sustain 80.0 %; layer1.amplitude.release 1.50 s",
        "env 3 decay 1/16 | layer1.envelope3.decayDivision 1/16",
        "lfo 2 ramp down 1/8 fade 200 | layer1.lfo2.wave ramp down; layer1.lfo2.division 1/8; layer1.lfo2.fade 200 ms",
        "lfo 3 Hz | layer1.lfo1.rate 3.00 Hz",
        "delay 1/8D feedback 40 mix 25 ping-pong on | effect1.delay.divisionLeft 1/8D; effect1.delay.divisionRight 1/8D; effect1.delay.feedback 40.0 %; effect1.mix 25.0 %; effect1.delay.pingPong on",
        "delay left 250 right 375 | effect1.delay.timeLeft 250 ms; effect1.delay.timeRight 375 ms",
        "reverb decay 3.5 s size 70 pre-delay 20 | effect1.reverb.decay 3.50 s; effect1.reverb.size 70.0 %; effect1.reverb.preDelay 20.0 ms",
        "layer 2 chorus rate 0.8 depth 4 | layer2.on on; layer2.effect1.type chorus; layer2.effect1.chorus.rate 0.80 Hz; layer2.effect1.chorus.depth 4.00 ms",
        "filter bank bands 12 shift 2 mix 70 | effect1.type filter bank; effect1.bank.bands 12; effect1.bank.shift 2.00; effect1.mix 70.0 %",
        "effect body drawn resonance 2 2.71 level 8 off | effect1.type body; effect1.body.kind drawn; effect1.body.ratio2 2.71; effect1.body.level8 off",
        "filter 1 vowel vowel 1 had vowel 2 hod | layer1.filter1.type vowel; layer1.filter1.vowel1 had; layer1.filter1.vowel2 hod",
        "filter 2 comb comb feedback 12 dB comb attack 200 | layer1.filter2.type comb; layer1.filter2.combFeedback 74.9 %; layer1.filter2.combAttack 200 ms",
        "fx drive tape 12 dB | effect1.type drive; effect1.drive.shape tape",
        "performance mono glide 80 ms bend up 12 | performance.mode mono; performance.glideTime 80.0 ms; performance.bendUp 12 st",
        "pattern up 1/8 octaves 2 gate 60 swing 66 | pattern.order up; pattern.step 1/8; pattern.octaves 2; pattern.gate 60.0 %; pattern.swing 66.0 %",
        "trim -3 | levelTrim -3.0 dB",
        "macro 3 40 | macro3 40.0 %",
    })
    void aLineSaysWhatItSets(String line, String expected) {
        Patch made = QuickLine.edit(NEUTRAL, 0, line).apply(NEUTRAL);
        for (String setting : expected.split(";")) {
            String[] halves = setting.strip().split(" ", 2);
            Parameter p = Parameters.find(halves[0]);
            assertEquals(halves[1].strip(), ValueText.format(p, made.value(p.index())), setting.strip() + " of " + QuickLine.read(NEUTRAL, 0, line).understood());
        }
    }

    /** The part is named first, so that "source 1 level" is not taken for the level of layer 1's source 2. */
    @Test
    void routesAndMacrosReachParametersByTheirPart() {
        Patch made = QuickLine.edit(NEUTRAL, 0, "source 2 saw; lfo 1 > source 1 level 6 dB one-sided; envelope 3 > source 1 phase modulation from 2 3; macro 2 holds amplitude release 30 ms 600 ms; "
                + "macro 2 named Tail, short to long").apply(NEUTRAL);
        assertEquals(List.of("layer1.source1.level 6.0 ONE", "layer1.source1.phaseModulation2 3.0 OWN"),
                made.routes().stream().map(r -> r.target().id() + " " + r.depth() + " " + r.side()).toList());
        var macro = made.macros().get(1);
        assertEquals(List.of("Tail", "short", "long"), List.of(macro.name(), macro.lowEnd(), macro.highEnd()));
        assertEquals("layer1.amplitude.release 0.03 0.6", macro.targets().get(0).target().id() + " " + macro.targets().get(0).low() + " " + macro.targets().get(0).high());
    }

    @Test
    void aMacroWithEndsNeedsBothOfThem() {
        assertTrue(QuickLine.read(NEUTRAL, 0, "macro 1 named Wind, calm").fault().contains("such as: macro 1 named Wind, calm to wild"));
    }

    @Test
    void aSourceThatWasOffBeginsToSoundAndItsLayerToo() {
        Patch made = QuickLine.edit(NEUTRAL, 2, "source 1 saw").apply(NEUTRAL);
        assertTrue(made.layerOn(2));
        assertEquals(-6, made.value(Parameters.find("layer3.source1.level").index()));
        Patch off = QuickLine.edit(made, 2, "source 1 off").apply(made);
        assertEquals(-72, off.value(Parameters.find("layer3.source1.level").index()));
    }

    @Test
    void routesAndMacrosAreTyped() {
        Patch filtered = QuickLine.edit(NEUTRAL, 0, "source 1 saw; filter 1 lp24 cutoff 800; macro 1 named Rising tide").apply(NEUTRAL);
        Patch routed = QuickLine.edit(filtered, 0, "lfo 1 > cutoff 1 oct; velocity > filter 1 cutoff 3.2 kHz; macro 1 holds resonance 0 to 12 dB").apply(filtered);
        assertEquals(List.of(Modulator.LFO_1, Modulator.VELOCITY), routed.routes().stream().map(r -> r.source()).toList());
        assertEquals(1, routed.routes().get(0).depth());
        assertEquals(2, routed.routes().get(1).depth(), 1e-9, "as far as there: 800 Hz to 3.2 kHz are two octaves");
        assertEquals("Rising tide", routed.macros().get(0).name());
        assertEquals(12, routed.macros().get(0).targets().get(0).high());
        Patch deeper = QuickLine.edit(routed, 0, "lfo1 > cutoff 2 oct").apply(routed);
        assertEquals(2, deeper.routes().size(), "the route that is there gets the depth");
        assertEquals(2, deeper.routes().get(0).depth());
    }

    @Test
    void theSecondEffectOfATypeIsAddedWhenItIsCalledSo() {
        Patch made = QuickLine.edit(NEUTRAL, 0, "delay 2 1/4; delay 1/8; delay mix 20").apply(NEUTRAL);
        List<String> types = List.of("effect1.type", "effect2.type", "effect3.type").stream().map(Parameters::find)
                .map(p -> ValueText.format(p, made.value(p.index()))).collect(Collectors.toList());
        assertEquals(List.of("delay", "none", "none"), types, "\"delay 2\" with no other delay is the first");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "blorb 3 | \"blorb\" is no part of a patch.",
        "filter 1 cutoff plenty | \"plenty\" is not a value of Layer 1 filter 1: Cutoff: 20.0 Hz to 20.00 kHz.",
        "filter 1 cutoff | Layer 1 filter 1: Cutoff needs a value: 20.0 Hz to 20.00 kHz.",
        "filter 1 cutoff 90 kHz | Layer 1 filter 1: Cutoff goes from 20.0 Hz to 20.00 kHz.",
        "source 1 saw pulse width 30 | Layer 1 source 1: Pulse width means nothing while Wave is saw.",
        "source 1 saw wobbly | \"wobbly\" is not understood here.",
        "amplitude 40 | \"40\" is not understood here; a number by itself needs a unit or a name",
        "lfo 1 > nowhere 1 oct | There is no parameter \"nowhere\" that can be moved.",
        "macro 1 holds cutoff 300 | A macro holds a parameter between two values",
        "'' | The line is empty.",
    })
    void whatIsNotUnderstoodIsSaidAndNothingChanges(String line, String message) {
        EditException refused = assertThrows(EditException.class, () -> QuickLine.edit(QuickLine.edit(NEUTRAL, 0, "filter 1 lp24").apply(NEUTRAL), 0, line));
        assertTrue(refused.getMessage().startsWith(message), refused.getMessage());
    }

    @Test
    void aLineThatBreaksOffSaysWhatWasUnderstood() {
        QuickLine.Reading reading = QuickLine.read(NEUTRAL, 0, "source 1 saw level -9; filter 1 lp24 cutof");
        assertNull(reading.edit());
        assertTrue(reading.understood().contains("Layer 1 source 1: Wave sine to saw"), reading.understood().toString());
        assertTrue(reading.fault().contains("Cutoff needs a value"), reading.fault());
        assertEquals("cutoff", reading.suggestions().get(0).text());
    }

    @Test
    void partsAndSettingsAreSuggested() {
        assertEquals(List.of("filter 1", "filter 2", "filters", "filter bank"), QuickLine.read(NEUTRAL, 0, "fil").suggestions().stream().map(QuickLine.Suggestion::text).toList());
        assertEquals("Effect 1: Effect none to filter", QuickLine.read(NEUTRAL, 0, "effect filter cutoff 800").understood().get(0));
        assertTrue(QuickLine.read(NEUTRAL, 0, "source 1 sa").suggestions().stream().anyMatch(s -> s.text().equals("saw")));
        assertTrue(QuickLine.read(NEUTRAL, 0, "reverb dec").suggestions().stream().anyMatch(s -> s.text().equals("decay") && s.note().equals("now 2.00 s; 100 ms to 30.00 s")));
    }

    /** Every number of the registry can be typed by the label that the page shows. */
    @Test
    void everyLabelOfASourceAFilterAndAnEnvelopeIsUnderstood() {
        Patch patch = QuickLine.edit(NEUTRAL, 0, "source 1 saw; filter 1 lp24").apply(NEUTRAL);
        for (String part : List.of("source 1", "filter 1", "amplitude", "lfo 1", "performance")) {
            String prefix = part.equals("performance") ? "performance." : "layer1." + part.replace(" ", "") + ".";
            for (Parameter p : Parameters.startingWith(prefix)) {
                if (patch.relevant(p) && p.taper().continuous()) {
                    String text = ValueText.format(p, p.value(0.4));
                    Patch made = QuickLine.edit(patch, 0, part + " " + p.label().toLowerCase() + " " + text).apply(patch);
                    assertEquals(text, ValueText.format(p, made.value(p.index())), part + ": " + p.label());
                }
            }
        }
    }
}
