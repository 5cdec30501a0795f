package gentlecomet.sound.performance;

/**
 * What a phrase does with wheels, pedals and pressure: one MIDI 1.0 channel message that is no note.
 *
 * @param start  in beats
 * @param status with its channel: controllers, polyphonic and channel pressure, pitch bend
 * @param first  data byte, 0 to 127
 * @param second data byte, 0 to 127
 */
public record Move(double start, int status, int first, int second) {
}
