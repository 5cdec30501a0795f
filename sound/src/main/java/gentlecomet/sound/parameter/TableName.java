package gentlecomet.sound.parameter;

/** The wave tables that come with the program, named by what they sound like; "imported" stands for one of the user's own. */
public enum TableName {
    PLAIN("plain"), REED("reed"), HOLLOW("hollow"), BRASS("brass"), STRING("string"), ORGAN("organ"), VOWEL("vowel"), CHOIR("choir"),
    NASAL("nasal"), GLASS("glass"), CHIME("chime"), METAL("metal"), WHISTLE("whistle"), FIFTHS("fifths"), TIDE("tide"), MIST("mist"),
    GROWL("growl"), BUZZ("buzz"), NARROWING("narrowing"), TEARING("tearing"), FOLDED("folded"), STAIRS("stairs"), COMBED("combed"),
    DUST("dust"), IMPORTED("imported"), LEANING("leaning"), OPENING("opening"), BLADE("blade"), CANYON("canyon"), PEARLS("pearls"),
    PRIMES("primes"), WIRE("wire"), VEIL("veil"), OCTAVES("octaves"), GLIMMER("glimmer"), COPPER("copper"), RESIN("resin"), SLATE("slate"),
    EMBER("ember"), SWARM("swarm"), PIPE("pipe");

    private final String id;

    TableName(String id) {
        this.id = id;
    }

    /** Stable text id, used in files. */
    public String id() {
        return id;
    }

    static String[] ids() {
        String[] ids = new String[values().length];
        for (TableName name : values()) {
            ids[name.ordinal()] = name.id;
        }
        return ids;
    }
}
