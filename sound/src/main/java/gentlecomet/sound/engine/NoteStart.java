package gentlecomet.sound.engine;

/** What a note begins with. All of one note's voices share it. */
final class NoteStart {

    int key;
    int order;
    double velocity;
    double gain;
    double seconds;
    double tempo;
    double pitch;
    double glideFrom;
    double glideTime;
    double rate;
    boolean alternate;
}
