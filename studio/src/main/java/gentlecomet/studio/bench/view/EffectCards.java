package gentlecomet.studio.bench.view;

import gentlecomet.sound.effect.EffectType;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A chain of effects: a card for each slot that is in use.
 *
 * @param layer from 0, or -1 for the chain that all layers share
 * @param full  whether no slot is free
 */
public record EffectCards(int layer, List<Card> cards, boolean full, List<Choice> types) {

    /** Values of its own that an effect's tile shows. */
    private static final int TILE_VALUES = 2;

    /**
     * An effect in use.
     *
     * @param slot    from 0
     * @param first   registry index of the slot's first parameter
     * @param earlier slot to which it moves when it goes one place towards the start, -1 for the first
     * @param later   the same towards the end
     * @param picture what is drawn beside the bars
     * @param words   how it is set, for its tile: its first two values
     */
    public record Card(int slot, int first, String type, String name, BarGroup group, int earlier, int later, EffectType.Picture picture, boolean reducesGain,
            String words) {
    }

    static EffectCards of(Patch patch, int layer) {
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        List<Integer> used = new ArrayList<>();
        for (int slot = 0; slot < slots; slot++) {
            if (patch.value(Parameters.ofEffect(layer, slot)) != EffectParameters.NONE) {
                used.add(slot);
            }
        }
        List<Card> cards = new ArrayList<>();
        for (int i = 0; i < used.size(); i++) {
            int slot = used.get(i);
            int first = Parameters.ofEffect(layer, slot);
            Parameter type = Parameters.at(first + EffectParameters.TYPE);
            EffectType kind = EffectType.of(patch.value(first));
            String id = kind.id();
            String prefix = type.id().substring(0, type.id().length() - "type".length());
            cards.add(new Card(slot, first, id, name(id), BarGroup.of(patch, name(id), slot, prefix), i == 0 ? -1 : used.get(i - 1),
                    i == used.size() - 1 ? -1 : used.get(i + 1), kind.picture(), kind.reducesGain(), words(patch, first, prefix)));
        }
        List<Choice> types = new ArrayList<>();
        List<String> ids = Parameters.at(Parameters.ofEffect(layer, 0)).choices();
        for (int t = 1; t < ids.size(); t++) {
            types.add(new Choice(t, ValueText.spoken(ids.get(t)), false));
        }
        return new EffectCards(layer, cards, used.size() == slots, types);
    }

    private static String words(Patch patch, int first, String prefix) {
        if (patch.value(first + EffectParameters.ON) != 0) {
            return "bypassed";
        }
        List<String> own = new ArrayList<>();
        for (Parameter p : Parameters.startingWith(prefix)) {
            if (own.size() < TILE_VALUES && p.index() > first + EffectParameters.OUTPUT && patch.relevant(p) && !(p.division() && patch.value(p.index()) == 0)) {
                String text = ValueText.format(p, patch.soundingValue(p));
                own.add(text.matches("-?[0-9.]+") ? text + " " + p.label().toLowerCase(Locale.ROOT) : text);
            }
        }
        return String.join(", ", own);
    }

    private static String name(String id) {
        String spoken = ValueText.spoken(id);
        return spoken.substring(0, 1).toUpperCase(Locale.ROOT) + spoken.substring(1);
    }
}
