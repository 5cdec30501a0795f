package gentlecomet.studio.bench.view;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.LfoParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.TableName;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** One layer on the bench. A layer that is off shows its switch only. */
public record BenchLayer(int number, boolean on, Bar onBar, BarGroup zone, BarGroup pitch, List<Source> sources, BarGroup noise, BarGroup filters,
        List<BarGroup> filter, BarGroup drive, List<BarGroup> envelopes, List<Motion> curves, List<Motion> lfos, EffectCards effects, DrawnList keyLevels) {

    /**
     * A tone source.
     *
     * @param drawn     harmonics, copies or partials that can be drawn, as far as they mean something
     * @param recording its recording, or null
     * @param takesFile whether it can use a recording as it is set
     * @param takesHit  whether it can use a recorded hit as it is set
     * @param hasPartials whether it is made of partials that can be counted
     * @param plays     whether it plays its recording as it is
     * @param banded    whether its partials rise and fall in bands
     */
    public record Source(BarGroup group, List<DrawnList> drawn, SoundFile recording, boolean takesFile, boolean takesHit, boolean hasPartials, boolean plays,
            boolean banded) {
        /** The recording as the engine knows it. */
        public long recordingKey() {
            return (long) recording.key();
        }
    }

    /**
     * A drawn curve or an LFO with what is drawn for it.
     *
     * @param starts how an LFO starts and swings: bars that stand beside those of all LFOs of the layer, not under each
     */
    public record Motion(BarGroup group, DrawnList drawn, List<Bar> starts) {
        /** What of the starts is not as usual, such as "LFO 2 shared, once"; empty where all is. */
        String startWords() {
            String words = starts.stream().filter(b -> b.value() != b.parameter().neutral()).map(b -> ValueText.format(b.parameter(), b.value())).collect(Collectors.joining(", "));
            return words.isEmpty() ? "" : group.title() + " " + words;
        }
    }

    /** What of the starts of all LFOs is not as usual, in words. */
    public String startWords() {
        return lfos.stream().map(Motion::startWords).filter(w -> !w.isEmpty()).collect(Collectors.joining("; "));
    }

    static BenchLayer of(Patch patch, int l) {
        String layer = "layer" + (l + 1) + ".";
        boolean on = patch.layerOn(l);
        Bar onBar = Bar.of(patch, Parameters.at(Parameters.ofLayer(l, LayerParameters.ON)));
        if (!on) {
            return new BenchLayer(l + 1, false, onBar, null, null, List.of(), null, null, List.of(), null, List.of(), List.of(), List.of(), null, null);
        }
        List<Source> sources = new ArrayList<>();
        for (int s = 0; s < LayerParameters.SOURCES; s++) {
            sources.add(source(patch, l, s));
        }
        List<BarGroup> filter = new ArrayList<>();
        for (int f = 0; f < LayerParameters.FILTERS; f++) {
            filter.add(BarGroup.of(patch, "Filter " + (f + 1), f, layer + "filter" + (f + 1) + "."));
        }
        List<BarGroup> envelopes = new ArrayList<>();
        envelopes.add(BarGroup.of(patch, "Amplitude", 0, layer + "amplitude."));
        for (int e = 1; e < LayerParameters.ENVELOPES; e++) {
            envelopes.add(BarGroup.of(patch, "Envelope " + (e + 1), e, layer + "envelope" + (e + 1) + "."));
        }
        List<Motion> curves = new ArrayList<>();
        for (int c = 0; c < LayerParameters.CURVES; c++) {
            curves.add(new Motion(BarGroup.of(patch, "Curve " + (c + 1), c, layer + "curve" + (c + 1) + "."),
                    DrawnList.of(patch, Shapes.curve(l, c), "points"), List.of()));
        }
        List<Motion> lfos = new ArrayList<>();
        for (int o = 0; o < LayerParameters.LFOS; o++) {
            int at = Parameters.ofLayer(l, LayerParameters.lfo(o));
            int wave = (int) patch.value(at + LfoParameters.WAVE);
            DrawnList drawn = wave == LfoParameters.DRAWN ? DrawnList.of(patch, Shapes.lfoPoints(l, o), "points")
                    : wave == LfoParameters.STEPS ? DrawnList.of(patch, Shapes.lfoSteps(l, o), "bars") : null;
            BarGroup all = BarGroup.of(patch, "LFO " + (o + 1), o, layer + "lfo" + (o + 1) + ".");
            Map<Boolean, List<Bar>> starts = Stream.concat(all.bars().stream(), all.more().stream()).collect(Collectors.partitioningBy(b -> LfoParameters.STARTS.contains(b.parameter().index() - at)));
            lfos.add(new Motion(new BarGroup(all.title(), o, all.id(), starts.get(false), List.of()), drawn, starts.get(true)));
        }
        return new BenchLayer(l + 1, true, onBar, BarGroup.of(patch, "Zone", 0, layer + "zone."), BarGroup.of(patch, "Pitch", 0, layer + "pitch."),
                sources, BarGroup.of(patch, "Noise", 0, layer + "noise."), BarGroup.of(patch, "Filters", 0, layer + "filters."), filter,
                BarGroup.of(patch, "Drive", 0, layer + "drive."), envelopes, curves, lfos, EffectCards.of(patch, l),
                DrawnList.of(patch, Shapes.keyLevels(l), "rows"));
    }

    /** Whether a value of a parameter asks for a list of its own: that of unison voices. */
    public static boolean brings(Parameter parameter, double value) {
        return unisonCount(parameter) && value > 1;
    }

    private static boolean unisonCount(Parameter parameter) {
        int layer = Parameters.layerOf(parameter.index());
        for (int s = 0; layer >= 0 && s < LayerParameters.SOURCES; s++) {
            if (parameter.index() == Parameters.ofSource(layer, s, SourceParameters.UNISON_VOICES)) {
                return true;
            }
        }
        return false;
    }

    private static Source source(Patch patch, int l, int s) {
        int at = Parameters.ofSource(l, s, 0);
        int wave = (int) patch.value(at + SourceParameters.WAVE);
        boolean partials = wave == SourceParameters.WAVE_PARTIALS;
        List<DrawnList> drawn = new ArrayList<>();
        if (wave == SourceParameters.WAVE_HARMONICS || partials && patch.value(at + SourceParameters.PARTIALS_FROM) == SourceParameters.PARTIALS_FROM_HARMONICS) {
            drawn.add(DrawnList.of(patch, Shapes.harmonics(l, s), "bars"));
        }
        if (patch.value(at + SourceParameters.UNISON_VOICES) > 1 && wave != SourceParameters.WAVE_BODY && !partials) {
            drawn.add(DrawnList.of(patch, Shapes.copies(l, s), "map"));
        }
        boolean body = wave == SourceParameters.WAVE_BODY;
        if (body) {
            drawn.add(DrawnList.of(patch, Shapes.modes(l, s), "rows"));
        }
        boolean imported = patch.value(at + SourceParameters.TABLE) == TableName.IMPORTED.ordinal()
                && (wave == SourceParameters.WAVE_TABLE || partials && patch.value(at + SourceParameters.PARTIALS_FROM) == SourceParameters.PARTIALS_FROM_TABLE);
        boolean hit = body && patch.value(at + SourceParameters.BODY_SET) == SourceParameters.BODY_ANALYSED;
        return new Source(BarGroup.of(patch, "Source " + (s + 1), s, "layer" + (l + 1) + ".source" + (s + 1) + "."), drawn, patch.recording(l, s),
                wave == SourceParameters.WAVE_RECORDING || imported, hit, body || partials,
                wave == SourceParameters.WAVE_RECORDING && patch.recording(l, s) != null, partials);
    }
}
