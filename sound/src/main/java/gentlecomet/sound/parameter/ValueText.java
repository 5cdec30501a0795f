package gentlecomet.sound.parameter;

import gentlecomet.sound.maths.Polynomials;

/**
 * Values as people read and type them: "1.20 kHz", "12 ms", "-6.0 dB", "C#4", "off". Used by the server and, compiled, by
 * the page, so both say the same.
 */
public final class ValueText {

    private static final String DIGITS = "0123456789";
    /** Digits that a typed number needs; decimals beyond them are passed over. */
    private static final int MOST_DIGITS = 15;
    private static final double CYCLE = 2 * Math.PI;
    /** 20 log10(2). */
    private static final double DB_PER_DOUBLING = 6.020599913279624;
    /** ln(1000): a fall by 60 dB in time constants. */
    private static final double NEPERS_TO_60_DB = 6.907755278982137;
    /** Rate at which a time typed in samples is counted, in Hz. */
    private static final double SAMPLE_RATE = 48000;

    private static final String COMB_FEEDBACK = "combFeedback";

    private ValueText() {
    }

    /** A value of a parameter with its unit. */
    public static String format(Parameter parameter, double value) {
        if (parameter.taper() == Taper.CHOICE) {
            return spoken(parameter.choices().get((int) parameter.clamp(value)));
        }
        if (parameter.taper() == Taper.DECIBEL && value <= parameter.min()) {
            return "off";
        }
        if (parameter.unit() == Unit.KEY) {
            return KeyName.of((int) parameter.clamp(value));
        }
        if (parameter.unit() == Unit.BEATS_PER_MINUTE) {
            return format(value, parameter.unit());
        }
        return parameter.taper() == Taper.STEPPED ? withUnit(fixed(value, 0), parameter.unit()) : format(value, parameter.unit());
    }

    /** A number with a unit, at the precision that suits the unit. */
    public static String format(double value, Unit unit) {
        switch (unit) {
            case HERTZ:
                return Math.abs(value) >= 999.95 ? fixed(value / 1000, 2) + " kHz"
                        : fixed(value, Math.abs(value) < 9.995 ? 2 : 1) + " Hz";
            case SECONDS:
                return Math.abs(value) < 0.9995 ? fixed(value * 1000, Math.abs(value) < 0.009995 ? 2 : Math.abs(value) < 0.09995 ? 1 : 0) + " ms"
                        : fixed(value, 2) + " s";
            case DECIBELS:
            case PERCENT:
            case PERCENT_LEVEL:
            case CENTS:
            case BEATS_PER_MINUTE:
                return withUnit(fixed(value, 1), unit);
            default:
                return withUnit(fixed(value, 2), unit);
        }
    }

    /** A text id as words: "rampUp" becomes "ramp up"; divisions and short ids stay as they are. */
    public static String spoken(String id) {
        if (id.endsWith("dB")) {
            return id.substring(0, id.length() - 2) + " dB per octave";
        }
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < id.length(); i++) {
            char c = id.charAt(i);
            boolean digitStart = DIGITS.indexOf(c) >= 0 && i > 0 && Character.isLetter(id.charAt(i - 1));
            if (id.indexOf('/') < 0 && (c >= 'A' && c <= 'Z' || digitStart)) {
                out.append(' ').append(Character.toLowerCase(c));
            } else {
                out.append(c);
            }
        }
        return out.toString();
    }

    /**
     * The value that a typed text means for a parameter: a number with or without unit ("1.2k", "350 ms", "-6dB"), "off",
     * a note name, or the start of a choice. Not limited to the range.
     *
     * @return the value, or NaN when the text has no meaning here
     */
    public static double parse(Parameter parameter, String typed) {
        String text = typed.trim().toLowerCase();
        if (text.isEmpty()) {
            return Double.NaN;
        }
        if (parameter.taper() == Taper.CHOICE) {
            return choice(parameter, text);
        }
        if (text.equals("off") && (parameter.taper() == Taper.DECIBEL || parameter.unit() == Unit.PERCENT_LEVEL)) {
            return parameter.min();
        }
        if (text.equals("default") || text.equals("neutral")) {
            return parameter.neutral();
        }
        if (parameter.id().endsWith(COMB_FEEDBACK) && text.endsWith("db")) {
            double db = quantity(text, Unit.DECIBELS);
            return 100 * (1 - Polynomials.exp2(-Math.max(0, db) / DB_PER_DOUBLING));
        }
        if (parameter.unit() == Unit.KEY) {
            int key = KeyName.parse(typed);
            return key < 0 ? Double.NaN : key;
        }
        return quantity(text, parameter.unit());
    }

    /** A typed number in a unit; NaN when it is none. A bare number is taken to be in the unit as it is shown small: ms for times. */
    public static double quantity(String typed, Unit unit) {
        String text = typed.trim().toLowerCase();
        int end = numberEnd(text);
        double number = number(text.substring(0, end));
        String suffix = text.substring(end).trim();
        switch (unit) {
            case SECONDS:
                return seconds(number, suffix);
            case HERTZ:
                return hertz(number, suffix);
            case CENTS:
                return suffix.equals("st") ? number * 100 : matches(suffix, "ct", "cent", "cents") ? number : Double.NaN;
            case SEMITONES:
                return suffix.equals("ct") ? number / 100 : matches(suffix, "st", "semi", "semitones") ? number : Double.NaN;
            case OCTAVES:
                return suffix.equals("st") ? number / 12 : matches(suffix, "oct", "octave", "octaves") ? number : Double.NaN;
            case RADIANS:
                return matches(suffix, "rad", "radians") ? number : suffix.equals("%") ? number / 100 * CYCLE
                        : !suffix.isEmpty() && matches(suffix, "cycle", "cycles", "cyc") ? number * CYCLE : Double.NaN;
            case RATIO:
                return suffix.equals("st") ? Polynomials.exp2(number / 12) : suffix.equals("ct") ? Polynomials.exp2(number / 1200)
                        : matches(suffix, "x") ? number : Double.NaN;
            case PERCENT_LEVEL:
                return suffix.equals("db") ? 100 * Polynomials.exp2(number / DB_PER_DOUBLING) : matches(suffix, "%", "percent", "pc") ? number : Double.NaN;
            case PERCENT:
                return matches(suffix, "%", "percent", "pc") ? number : Double.NaN;
            case DECIBELS:
                return matches(suffix, "db", "dbfs", "lu") ? number : Double.NaN;
            case BEATS_PER_MINUTE:
                return matches(suffix, "bpm", "b", "beats") ? number : Double.NaN;
            default:
                return suffix.isEmpty() ? number : Double.NaN;
        }
    }

    /**
     * A second reading of a value where two are usual: decibels of a sustain, the height of a comb's peaks, semitones and cents of a ratio, cycles of a phase, the period of a rate, the time
     * constant of a fall that is told to -60 dB. Empty for everything else.
     */
    public static String also(Parameter parameter, double value) {
        String id = parameter.id();
        switch (parameter.unit()) {
            case PERCENT:
                // The peaks of a comb stand 1 / (1 - |g|) above what comes in.
                return id.endsWith(COMB_FEEDBACK) ? "peaks of " + format(-DB_PER_DOUBLING * Polynomials.log2(1 - Math.abs(value) / 100), Unit.DECIBELS) : "";
            case PERCENT_LEVEL:
                return value <= 0 ? "" : format(DB_PER_DOUBLING * Polynomials.log2(value / 100), Unit.DECIBELS);
            case RATIO:
                double cents = Math.floor(1200 * Polynomials.log2(value) + 0.5);
                double semitones = Math.floor(cents / 100 + 0.5);
                return fixed(semitones, 0) + " st " + fixed(cents - 100 * semitones, 0) + " ct";
            case RADIANS:
                return fixed(value / CYCLE, 3) + " cycles";
            case HERTZ:
                return id.endsWith("ate") && value > 0 ? "every " + format(1 / value, Unit.SECONDS) : "";
            case SECONDS:
                return id.endsWith(".decay") || id.endsWith(".release") && (id.contains("envelope") || id.contains("amplitude"))
                        ? "to -60 dB; time constant " + format(value / NEPERS_TO_60_DB, Unit.SECONDS)
                        : id.contains("delay.time") && value > 0 ? "every " + format(value, Unit.SECONDS) + ", " + format(1 / value, Unit.HERTZ) : "";
            default:
                return "";
        }
    }

    private static double seconds(double number, String suffix) {
        switch (suffix) {
            case "s":
            case "sec":
                return number;
            case "":
            case "ms":
                return number / 1000;
            case "samples":
            case "sa":
                return number / SAMPLE_RATE;
            case "hz":
                return number > 0 ? 1 / number : Double.NaN;
            default:
                return Double.NaN;
        }
    }

    private static double hertz(double number, String suffix) {
        switch (suffix) {
            case "k":
            case "khz":
                return number * 1000;
            case "":
            case "hz":
                return number;
            case "ms":
                return number > 0 ? 1000 / number : Double.NaN;
            case "s":
            case "sec":
                return number > 0 ? 1 / number : Double.NaN;
            default:
                return Double.NaN;
        }
    }

    /** A number with a set count of decimals, rounded half up, with a true minus sign left as "-" and never "-0". */
    public static String fixed(double value, int decimals) {
        double scale = 1;
        for (int i = 0; i < decimals; i++) {
            scale *= 10;
        }
        double rounded = Math.floor(Math.abs(value) * scale + 0.5);
        double whole = Math.floor(rounded / scale);
        StringBuilder out = new StringBuilder();
        if (value < 0 && rounded > 0) {
            out.append('-');
        }
        appendWhole(out, whole);
        if (decimals > 0) {
            out.append('.');
            double rest = rounded - whole * scale;
            for (int i = 0; i < decimals; i++) {
                scale /= 10;
                int digit = (int) Math.floor(rest / scale);
                out.append(DIGITS.charAt(Math.max(0, Math.min(9, digit))));
                rest -= digit * scale;
            }
        }
        return out.toString();
    }

    private static void appendWhole(StringBuilder out, double whole) {
        if (whole >= 10) {
            appendWhole(out, Math.floor(whole / 10));
        }
        out.append(DIGITS.charAt((int) (whole - Math.floor(whole / 10) * 10)));
    }

    private static String withUnit(String number, Unit unit) {
        return unit.symbol().isEmpty() ? number : number + " " + unit.symbol();
    }

    private static boolean matches(String suffix, String... allowed) {
        if (suffix.isEmpty()) {
            return true;
        }
        for (String a : allowed) {
            if (suffix.equals(a)) {
                return true;
            }
        }
        return false;
    }

    private static double choice(Parameter parameter, String text) {
        String wanted = text.endsWith(".") ? text.substring(0, text.length() - 1) + "d" : text;
        for (int i = 0; i < parameter.choices().size(); i++) {
            String id = parameter.choices().get(i);
            if (id.toLowerCase().equals(wanted) || spoken(id).toLowerCase().equals(wanted)) {
                return i;
            }
        }
        for (int i = 0; i < parameter.choices().size(); i++) {
            if (spoken(parameter.choices().get(i)).toLowerCase().startsWith(wanted)) {
                return i;
            }
        }
        return Double.NaN;
    }

    private static int numberEnd(String text) {
        int end = 0;
        while (end < text.length() && (DIGITS.indexOf(text.charAt(end)) >= 0 || ".,+-".indexOf(text.charAt(end)) >= 0)) {
            end++;
        }
        return end;
    }

    private static double number(String digits) {
        double sign = 1;
        double value = 0;
        double place = 0;
        int count = 0;
        for (int i = 0; i < digits.length(); i++) {
            char c = digits.charAt(i);
            if ((c == '-' || c == '+') && i == 0) {
                sign = c == '-' ? -1 : 1;
            } else if ((c == '.' || c == ',') && place == 0) {
                place = 1;
            } else if (DIGITS.indexOf(c) >= 0 && count >= MOST_DIGITS && place > 0) {
                continue;
            } else if (DIGITS.indexOf(c) >= 0 && count < MOST_DIGITS) {
                value = value * 10 + DIGITS.indexOf(c);
                place *= 10;
                count++;
            } else {
                return Double.NaN;
            }
        }
        return count == 0 ? Double.NaN : sign * value / Math.max(1, place);
    }
}
