package gentlecomet.live;

import gentlecomet.sound.engine.Cost;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.PatchImage;
import org.teavm.jso.JSExport;
import org.teavm.jso.typedarrays.Float64Array;

/** Parameters, their texts, and patches as numbers, for JavaScript: the same as on the server. */
public final class LivePatch {

    private LivePatch() {
    }

    /** What a held voice and the effects weigh against a plain sine, as a count. */
    @JSExport
    public static double cost(Float64Array image) {
        return Cost.ofVoice(copied(image));
    }

    @JSExport
    public static int parameterCount() {
        return Parameters.COUNT;
    }

    /** Id of the parameter at a place in the registry. */
    @JSExport
    public static String idOf(int index) {
        return Parameters.at(index).id();
    }

    /** Label of a parameter, for its bar. */
    @JSExport
    public static String labelOf(int index) {
        return Parameters.at(index).label();
    }

    /** A parameter with its place, for people. */
    @JSExport
    public static String nameOf(int index) {
        return Parameters.at(index).name();
    }

    @JSExport
    public static double least(int index) {
        return Parameters.at(index).min();
    }

    @JSExport
    public static double most(int index) {
        return Parameters.at(index).max();
    }

    @JSExport
    public static double defaultOf(int index) {
        return Parameters.at(index).neutral();
    }

    /** Whether a parameter takes whole numbers only. */
    @JSExport
    public static boolean stepped(int index) {
        return !Parameters.at(index).taper().continuous();
    }

    /** Texts of a choice's values as pages show them, between bars; empty for a number. */
    @JSExport
    public static String choices(int index) {
        StringBuilder texts = new StringBuilder();
        for (String choice : Parameters.at(index).choices()) {
            texts.append(texts.length() == 0 ? "" : "|").append(ValueText.spoken(choice));
        }
        return texts.toString();
    }

    /** The defaults of all parameters in registry order. */
    @JSExport
    public static Float64Array defaults() {
        return Float64Array.fromJavaArray(Parameters.neutralValues());
    }

    /** Registry index of an id, or -1. */
    @JSExport
    public static int indexOf(String id) {
        Parameter parameter = Parameters.find(id);
        return parameter == null ? -1 : parameter.index();
    }

    @JSExport
    public static String format(int index, double value) {
        return ValueText.format(Parameters.at(index), value);
    }

    /** A second reading of a value where two are usual, else empty. */
    @JSExport
    public static String also(int index, double value) {
        return ValueText.also(Parameters.at(index), value);
    }

    /** The name of a key as it is kept, C4 = 60. @param key 0 to 127 */
    @JSExport
    public static String keyName(int key) {
        return KeyName.of(key);
    }

    /** A sentence with its key names told in another count of octaves. */
    @JSExport
    public static String retoldKeys(String sentence, int middleOctave) {
        return KeyName.retold(sentence, middleOctave);
    }

    /** A key typed in another count of octaves, as it is kept. */
    @JSExport
    public static String standardKey(String typed, int middleOctave) {
        return KeyName.standard(typed, middleOctave);
    }

    /** The value of a typed text, whole where it has to be; it may lie outside the range. NaN when the text has no meaning here. */
    @JSExport
    public static double parse(int index, String text) {
        Parameter parameter = Parameters.at(index);
        double value = ValueText.parse(parameter, text);
        return value >= parameter.min() && value <= parameter.max() ? parameter.clamp(value) : value;
    }

    @JSExport
    public static double position(int index, double value) {
        return Parameters.at(index).position(value);
    }

    @JSExport
    public static double valueAt(int index, double position) {
        return Parameters.at(index).value(position);
    }

    @JSExport
    public static double moved(int index, double base, double depth) {
        return Parameters.at(index).moved(base, depth);
    }

    /** The value at which a parameter of an image sounds before routes. */
    @JSExport
    public static double sounding(Float64Array image, int index) {
        return PatchImage.sounding(image.toJavaArray(), index);
    }

    /** Length in seconds of a note division; choice 0 is free and has none. */
    @JSExport
    public static double divisionSeconds(int choice, double tempo) {
        return Division.seconds(choice, tempo);
    }

    /** How many choices a note division has, the free one included. */
    @JSExport
    public static int divisionCount() {
        return Division.COUNT;
    }

    /** The values at which all parameters of an image sound before routes, in registry order. */
    @JSExport
    public static Float64Array soundings(Float64Array image) {
        return Float64Array.fromJavaArray(PatchImage.soundings(image.toJavaArray()));
    }

    /** The image with a parameter put to a value by hand. */
    @JSExport
    public static Float64Array edited(Float64Array image, int index, double value) {
        double[] changed = copied(image);
        PatchImage.put(changed, index, value);
        return Float64Array.fromJavaArray(changed);
    }

    /** The image with parameters held at values, wherever macros stand; for listening, never for keeping. */
    @JSExport
    public static Float64Array pinned(Float64Array image, Float64Array indexes, Float64Array values) {
        double[] changed = copied(image);
        for (int i = 0; i < indexes.getLength(); i++) {
            PatchImage.pin(changed, (int) indexes.get(i), values.get(i));
        }
        return Float64Array.fromJavaArray(changed);
    }

    /** The numbers of a drawn list of an image, empty for its usual form; {@code kind} is its place in the registry of lists. */
    @JSExport
    public static Float64Array shape(Float64Array image, int kind) {
        return Float64Array.fromJavaArray(PatchImage.shape(copied(image), kind));
    }

    /** Whether a parameter means anything as the values of an image stand. */
    @JSExport
    public static boolean relevant(Float64Array image, int index) {
        return Parameters.at(index).silencedBy(i -> image.get(i)) == null;
    }

    /** The page's own array stays untouched: toJavaArray only shows its memory, and so, in TeaVM 0.15, does copyToJavaArray. */
    static double[] copied(Float64Array from) {
        return from.toJavaArray().clone();
    }
}
