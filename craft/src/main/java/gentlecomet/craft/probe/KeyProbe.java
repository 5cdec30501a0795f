package gentlecomet.craft.probe;

import gentlecomet.craft.response.NoteFigures;

/**
 * What one note measures.
 *
 * @param key      MIDI key
 * @param velocity 1 to 127
 * @param figures  with the pitch an octave off as 1200 cents, without a pitch where none was looked for, and with the greatest sample in place of the true peak
 * @param shriek   part of its power above 1.5 kHz and above its third partial that lies in one third of an octave, 0 to 1
 * @param odd      part of the power at multiples of its pitch that lies at odd ones, 0 to 1; 0 without a pitch
 * @param half     part of the power at multiples of half its pitch that lies at odd ones: 0 where it cannot be an octave lower, and without a pitch
 * @param layers   bit n for layer n + 1: those whose zones it is in
 */
public record KeyProbe(int key, int velocity, NoteFigures figures, double shriek, double odd, double half, int layers) {

    public double loudness() {
        return figures.loudness();
    }
}
