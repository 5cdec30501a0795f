package gentlecomet.craft.release;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class ArrivalsTest {

    private static Patch patch(String name, double level) {
        return Patch.neutral(name).withValue(Parameters.find("layer1.source1.level"), level);
    }

    private static CollectionFile file(Patch... patches) {
        return new CollectionFile("Kit", "", "", HouseRules.DEFAULT, List.of(new CollectionFile.Bank("A",
                IntStream.range(0, patches.length).mapToObj(i -> new CollectionFile.Slot(i + 1, patches[i])).toList())));
    }

    private static Arrivals.Here here(long id, Patch patch) {
        return new Arrivals.Here(id, patch.name(), Hashes.content(patch));
    }

    private static List<Arrivals.Kind> kinds(Arrivals arrivals) {
        return arrivals.patches().stream().map(Arrivals.Arrival::kind).toList();
    }

    @Test
    void whatIsBroughtIsNewTheSameOrChanged() {
        Arrivals arrivals = Arrivals.of(file(patch("Reed Bed", -12), patch("Weir Hum", -20), patch("Salt Pan", -12)),
                List.of(here(7, patch("Weir Hum", -12)), here(8, patch("Reed Bed", -12))));
        assertEquals(List.of(Arrivals.Kind.SAME, Arrivals.Kind.CHANGED, Arrivals.Kind.NEW), kinds(arrivals));
        assertEquals(List.of(8L, 7L, 0L), arrivals.patches().stream().map(Arrivals.Arrival::here).toList());
        assertEquals("Salt Pan", arrivals.of(Arrivals.Kind.NEW).get(0).slot().patch().name());
    }

    /** Names are compared as the house compares them: capitals and marks make no other name. */
    @Test
    void aNameInOtherCapitalsIsTheSameName() {
        assertEquals(List.of(Arrivals.Kind.CHANGED), kinds(Arrivals.of(file(patch("weir hum", -20)), List.of(here(1, patch("Weir Hum", -12))))));
    }

    /** Two of one name cannot both become the one that is here: the second is new. */
    @Test
    void aPatchThatIsHereIsMetOnceByItsName() {
        assertEquals(List.of(Arrivals.Kind.CHANGED, Arrivals.Kind.NEW), kinds(Arrivals.of(file(patch("Weir Hum", -20), patch("Weir Hum", -30)), List.of(here(1, patch("Weir Hum", -12))))));
    }

    @Test
    void intoAnEmptyCollectionAllIsNew() {
        Patch[] many = IntStream.range(0, 5).mapToObj(n -> patch("Patch " + n, -12 - n)).toArray(Patch[]::new);
        assertEquals(5, Arrivals.of(file(many), List.of()).of(Arrivals.Kind.NEW).size());
        assertEquals(5, Arrivals.of(file(many), Arrays.stream(many).map(p -> here(p.hashCode(), p)).toList()).of(Arrivals.Kind.SAME).size());
    }
}
