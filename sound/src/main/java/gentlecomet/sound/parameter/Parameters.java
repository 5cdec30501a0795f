package gentlecomet.sound.parameter;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The parameter registry: every parameter of a patch, once. First those of the patch as a whole
 * ({@link PatchParameters}), then one block for each layer ({@link LayerParameters}).
 */
public final class Parameters {

    /** Layers of a patch. */
    public static final int LAYERS = 4;
    /** Every parameter in registry order. */
    public static final List<Parameter> ALL = declare();
    /** Number of parameters. */
    public static final int COUNT = ALL.size();
    private static final double[] NEUTRAL = neutral();

    private static final Map<String, Parameter> BY_ID = byId();
    private static final boolean[] DECIDERS = deciders();

    private Parameters() {
    }

    /** The parameter at a place of the registry. */
    public static Parameter at(int index) {
        return ALL.get(index);
    }

    /** The parameter of an id, or null where there is none. */
    public static Parameter find(String id) {
        return BY_ID.get(id);
    }

    /** The parameters whose ids begin with a prefix, in registry order; a stretch of the registry. */
    public static List<Parameter> startingWith(String prefix) {
        int start = 0;
        while (start < COUNT && !ALL.get(start).id().startsWith(prefix)) {
            start++;
        }
        int end = start;
        while (end < COUNT && ALL.get(end).id().startsWith(prefix)) {
            end++;
        }
        return ALL.subList(start, end);
    }

    /** Whether the meaning of other parameters depends on this one. */
    public static boolean decides(Parameter parameter) {
        return DECIDERS[parameter.index()];
    }

    /** Registry index of a layer's parameter; {@code layer} counts from 0. */
    public static int ofLayer(int layer, int place) {
        return PatchParameters.SIZE + layer * LayerParameters.SIZE + place;
    }

    /** Index of the first parameter of an effect slot: its type. @param layer from 0, or -1 for the chain that all layers share @param slot from 0 */
    public static int ofEffect(int layer, int slot) {
        return layer < 0 ? PatchParameters.effect(slot) : ofLayer(layer, LayerParameters.effect(slot));
    }

    /** Registry index of a source's parameter; layer and source count from 0. */
    public static int ofSource(int layer, int source, int place) {
        return ofLayer(layer, LayerParameters.source(source) + place);
    }

    /** Layer of a registry index, counting from 0, or -1 for a parameter of the patch as a whole. */
    public static int layerOf(int index) {
        return index < PatchParameters.SIZE ? -1 : (index - PatchParameters.SIZE) / LayerParameters.SIZE;
    }

    /** Whether a route or a macro may move this parameter: anything continuous but the macros, the tuning, the tempo and the trim. */
    public static boolean movable(Parameter parameter) {
        int index = parameter.index();
        boolean macro = index >= PatchParameters.MACRO && index < PatchParameters.MACRO + PatchParameters.MACROS;
        return parameter.taper().continuous() && !macro && index != PatchParameters.TEMPO && index != PatchParameters.TUNING
                && index != PatchParameters.LEVEL_TRIM;
    }

    /** The neutral value of every parameter, in registry order; all layers and sources are off. */
    public static double[] neutralValues() {
        return NEUTRAL.clone();
    }

    private static double[] neutral() {
        double[] values = new double[COUNT];
        for (int i = 0; i < COUNT; i++) {
            values[i] = ALL.get(i).neutral();
        }
        return values;
    }

    private static List<Parameter> declare() {
        ParameterTemplate registry = new ParameterTemplate();
        registry.group(PatchParameters.BLOCK, "", "");
        for (int layer = 1; layer <= LAYERS; layer++) {
            registry.group(LayerParameters.BLOCK, "layer" + layer, "Layer " + layer);
        }
        return registry.parameters();
    }

    private static boolean[] deciders() {
        boolean[] deciders = new boolean[COUNT];
        for (Parameter p : ALL) {
            if (p.decider() >= 0) {
                deciders[p.decider()] = true;
            }
        }
        return deciders;
    }

    private static Map<String, Parameter> byId() {
        Map<String, Parameter> map = new HashMap<>();
        for (Parameter p : ALL) {
            map.put(p.id(), p);
        }
        return map;
    }
}
