package gentlecomet.craft.curate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.CheckSettings;
import gentlecomet.craft.rules.HouseRules;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A bank as a whole, of figures that nobody rendered. */
class BankCheckTest {

    private static final HouseRules HOUSE = HouseRules.DEFAULT.withCategories(HouseRules.DEFAULT.categories().stream().filter(c -> c.id().equals("bass")).toList());

    /** @param level of every number of the fingerprint: quarters of a dB */
    private static BankCheck.Member member(long id, int slot, double brightness, double cost, int level, String author) {
        byte[] levels = new byte[Fingerprint.SIZE];
        for (int i = 0; i < levels.length; i++) {
            levels[i] = (byte) (level + (i % 7 == 0 ? 3 * id : 0));
        }
        Measurement sound = new Measurement(-18, -18, -18, 2, -6, 60, 0.0, 0.01, 0.5, false, 1.5, brightness, 0.01, 0.1);
        KnownSound known = new KnownSound(id, "Bass " + id, "bass", List.of("low"), author, "", "saved", "", List.of(), false, sound, -18, Fingerprint.read(levels));
        return new BankCheck.Member(known, slot, "Bass " + id, "bass", List.of("low"), author, "Low and dry", cost, false);
    }

    private static List<BankCheck.Member> bank() {
        List<BankCheck.Member> members = new ArrayList<>();
        for (int i = 1; i <= 6; i++) {
            members.add(member(i, i, 500 + 10 * i, 3, 20 * i, "Somebody"));
        }
        return members;
    }

    private static List<String> rules(List<BankCheck.Member> members, HouseRules house) {
        return BankCheck.of(members, house).stream().map(BankCheck.BankFinding::rule).toList();
    }

    @Test
    void aGoodBankHasNothingToSay() {
        assertEquals(List.of(), rules(bank(), HOUSE));
    }

    @Test
    void whatIsMissingIsTold() {
        List<BankCheck.Member> members = bank().subList(0, 2);
        assertEquals(List.of("bank.plan"), rules(members, HOUSE), "three basses are planned");
        List<BankCheck.Member> gap = new ArrayList<>(bank());
        gap.set(5, member(6, 9, 560, 3, 120, ""));
        assertEquals(List.of("bank.gap", "bank.author"), rules(gap, HOUSE));
    }

    @Test
    void anApprovedPatchThatSoundsOtherwiseIsTold() {
        List<BankCheck.Member> members = new ArrayList<>(bank());
        BankCheck.Member m = members.get(2);
        members.set(2, new BankCheck.Member(m.sound(), m.slot(), m.name(), m.category(), m.tags(), m.author(), m.notes(), m.cost(), true));
        List<BankCheck.BankFinding> found = BankCheck.of(members, HOUSE);
        assertEquals(List.of("bank.approved"), found.stream().map(BankCheck.BankFinding::rule).toList());
        assertEquals(List.of(3L), found.get(0).patches());
        assertEquals("1 patch does not sound as it was approved: Bass 3.", found.get(0).message());
    }

    /** Of two categories in turn each is found in as many stretches as it has patches; a house that allows three is told, one that allows ten is not. */
    @Test
    void aCategoryThatIsSpreadOverTheBankIsTold() {
        List<BankCheck.Member> turns = new ArrayList<>();
        for (BankCheck.Member m : bank()) {
            turns.add(new BankCheck.Member(m.sound(), m.slot(), m.name(), m.slot() % 2 == 0 ? "lead" : "bass", m.tags(), m.author(), m.slot() == 1 ? " " : "Short", m.cost(), false));
        }
        HouseRules three = HOUSE.withConventions(HOUSE.conventions().withChecks(new CheckSettings(Map.of("bank.order stretches", 2.0), Map.of())));
        List<BankCheck.BankFinding> found = BankCheck.of(turns, three);
        assertEquals(List.of("bank.notes", "bank.order", "bank.order"), found.stream().map(BankCheck.BankFinding::rule).toList());
        assertEquals(List.of(1L, 3L, 5L), found.get(1).patches());
        assertTrue(found.get(1).message().contains("3 stretches of the bank, from slots 1, 3, 5 on"), found.get(1).message());
        assertEquals(List.of("bank.notes"), rules(turns, HOUSE));
    }

    /** Two fingerprints of the same numbers are 0 dB apart; four quarters of a dB more in each number are 1 dB. */
    @Test
    void patchesThatSoundAlikeAreAPair() {
        List<BankCheck.Member> members = new ArrayList<>(bank());
        byte[] same = members.get(2).sound().fingerprint().levels();
        for (int i = 0; i < same.length; i++) {
            same[i] += 4;
        }
        KnownSound twin = new KnownSound(7, "Bass 7", "bass", List.of("low"), "Somebody", "", "saved", "", List.of(), false, members.get(2).sound().sound(), -18, Fingerprint.read(same));
        members.add(new BankCheck.Member(twin, 7, "Bass 7", "bass", List.of("low"), "Somebody", "Low and dry", 3, false));
        BankCheck.BankFinding pair = BankCheck.of(members, HOUSE).get(0);
        assertEquals("bank.alike", pair.rule());
        assertTrue(pair.patches().containsAll(List.of(3L, 7L)));
        assertEquals("1.0 dB", pair.numbers().get("distance"));
        HouseRules strict = HOUSE.withConventions(HOUSE.conventions().withChecks(new CheckSettings(Map.of("bank.alike distance", 0.9), Map.of())));
        assertEquals(List.of(), rules(members, strict));
    }

    /** Of the modified z-score (Iglewicz and Hoaglin, 1993): five that differ by tens of Hz, and one that is three octaves brighter. */
    @Test
    void whatStandsOutInItsCategoryIsTold() {
        List<BankCheck.Member> members = new ArrayList<>(bank());
        members.set(3, member(4, 4, 4300, 3, 80, "Somebody"));
        members.set(4, member(5, 5, 550, 40, 100, "Somebody"));
        List<BankCheck.BankFinding> found = BankCheck.of(members, HOUSE);
        assertEquals(List.of(List.of(4L), List.of(5L)), found.stream().map(BankCheck.BankFinding::patches).toList());
        assertTrue(found.get(0).message().contains("brightness") && found.get(1).message().contains("cost"), found.toString());
    }
}
