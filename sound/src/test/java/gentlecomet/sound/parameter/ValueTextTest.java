package gentlecomet.sound.parameter;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ValueTextTest {

    @ParameterizedTest
    @CsvSource({
        "layer1.filter1.cutoff, 1.2k, 1200", "layer1.filter1.cutoff, 1.2 kHz, 1200", "layer1.filter1.cutoff, 440, 440",
        "layer1.amplitude.attack, 350 ms, 0.35", "layer1.amplitude.attack, 1.5s, 1.5", "layer1.amplitude.attack, 20, 0.02",
        "layer1.source1.level, -6 dB, -6", "layer1.source1.level, off, -72", "layer1.zone.lowKey, C#4, 61",
        "layer1.zone.lowKey, db4, 61", "layer1.zone.lowKey, 60, 60", "layer1.source1.wave, saw, 2", "layer1.source1.wave, pu, 3",
        "layer1.source1.cents, 1.5 st, 150", "layer1.filter1.envelopeAmount, 24 st, 2", "effect1.mix, '33,5 %', 33.5",
        "effect1.mix, 33.333333333333333333, 33.3333333333333"})
    void understandsWhatPeopleType(String id, String text, double expected) {
        assertEquals(expected, ValueText.parse(Parameters.find(id), text), 1e-12);
    }

    /** Conversions of the trade: -6.0206 dB is a half; twelve semitones an octave; a cycle is 2 pi; 1000 ms / rate in Hz; 48 samples a millisecond at 48 kHz. */
    @ParameterizedTest
    @CsvSource({
        "layer1.amplitude.sustain, -6.0206 dB, 50", "layer1.amplitude.sustain, off, 0", "layer1.amplitude.sustain, 40 %, 40", "layer1.amplitude.sustain, -20dB, 10",
        "layer1.source1.ratio, 12 st, 2", "layer1.source1.ratio, -1200 ct, 0.5", "layer1.source1.ratio, 3.5, 3.5",
        "layer1.source1.phaseModulation2, 1 cycle, 6.283185307", "layer1.source1.phaseModulation2, 50 %, 3.141592654", "layer1.source1.phaseModulation2, 2 rad, 2",
        "layer1.lfo1.rate, 200 ms, 5", "layer1.lfo1.rate, 4 s, 0.25", "effect1.delay.timeLeft, 4 Hz, 0.25", "effect1.delay.timeLeft, 4800 samples, 0.1",
        "layer1.filter1.combFeedback, 6.0206 dB, 50", "effect1.filter.combFeedback, 20 dB, 90"})
    void understandsTheOtherUnitsOfTradeSheets(String id, String text, double expected) {
        assertEquals(expected, ValueText.parse(Parameters.find(id), text), 1e-4 * Math.max(1, Math.abs(expected)));
    }

    @ParameterizedTest
    @CsvSource({
        "layer1.amplitude.sustain, 50, -6.0 dB", "layer1.source1.ratio, 1.5, 7 st 2 ct", "layer1.source1.phaseModulation1, 3.141592653589793, 0.500 cycles",
        "layer1.lfo1.rate, 4, every 250 ms", "layer1.amplitude.decay, 1, to -60 dB; time constant 145 ms", "effect1.mix, 20, ''",
        "layer1.filter1.combFeedback, -90, peaks of 20.0 dB"})
    void saysASecondReadingWhereTwoAreUsual(String id, double value, String expected) {
        assertEquals(expected, ValueText.also(Parameters.find(id), value));
    }

    @ParameterizedTest
    @CsvSource({"effect1.delay.divisionLeft, 1/8., 1/8D", "effect1.delay.divisionLeft, 1/4t, 1/4T", "effect1.delay.divisionLeft, 1/16, 1/16"})
    void understandsNoteDivisions(String id, String text, String expected) {
        Parameter p = Parameters.find(id);
        assertEquals(expected, p.choices().get((int) ValueText.parse(p, text)));
    }

    @ParameterizedTest
    @CsvSource({"layer1.filter1.cutoff, loud", "layer1.filter1.cutoff, 5 dB", "layer1.filter1.cutoff, ''", "layer1.source1.wave, organ",
        "layer1.zone.lowKey, H4", "layer1.zone.lowKey, C12", "effect1.mix, 1.2.3", "effect1.mix, --5"})
    void refusesWhatHasNoMeaning(String id, String text) {
        assertTrue(Double.isNaN(ValueText.parse(Parameters.find(id), text)));
    }

    @Test
    void writesUnitsAsPeopleReadThem() {
        assertEquals("1.20 kHz", ValueText.format(Parameters.find("layer1.filter1.cutoff"), 1200));
        assertEquals("440.0 Hz", ValueText.format(Parameters.find("layer1.filter1.cutoff"), 440));
        assertEquals("12.0 ms", ValueText.format(Parameters.find("layer1.amplitude.attack"), 0.012));
        assertEquals("1.00 s", ValueText.format(Parameters.find("layer1.amplitude.attack"), 0.9999));
        assertEquals("off", ValueText.format(Parameters.find("layer1.source1.level"), -72));
        assertEquals("-6.0 dB", ValueText.format(Parameters.find("layer1.source1.level"), -6));
        assertEquals("C4", ValueText.format(Parameters.find("layer1.zone.lowKey"), 60));
        assertEquals("ramp up", ValueText.spoken("rampUp"));
        assertEquals("low pass 24", ValueText.spoken("lowPass24"));
        assertEquals("0.0 dB", ValueText.format(-0.01, Unit.DECIBELS));
    }

    @Test
    void divisionsFollowSixtyThousandOverTempo() {
        // Table of common practice: at 120 BPM a quarter is 500 ms, a dotted eighth 375 ms, an eighth triplet 166.67 ms.
        Parameter p = Parameters.find("effect1.delay.divisionLeft");
        assertEquals(0.5, Division.seconds((int) ValueText.parse(p, "1/4"), 120), 1e-12);
        assertEquals(0.375, Division.seconds((int) ValueText.parse(p, "1/8D"), 120), 1e-12);
        assertEquals(1 / 6.0, Division.seconds((int) ValueText.parse(p, "1/8T"), 120), 1e-12);
        assertEquals(4, Division.beats((int) ValueText.parse(p, "1/1")), 1e-12);
    }
}
