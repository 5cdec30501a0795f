package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Collections that are not what they should be: each is refused with the file, the place in it and what was expected, and never in Java's words. */
class HostileCollectionTest {

    private static Map<String, byte[]> good() {
        CollectionFile.Bank bank = new CollectionFile.Bank("A", List.of(new CollectionFile.Slot(1, Patch.neutral("Heron Glass"))));
        return new TreeMap<>(CollectionFormat.write(new CollectionFile("Kit", "", "", HouseRules.DEFAULT, List.of(bank), Map.of())));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "\"banks\": [...]          | \"banks\": \"x\"                          | banks",
        "\"banks\": [...]          | \"banks\": {}                             | banks",
        "\"banks\": [...]          | \"banks\": []                             | at least one bank",
        "\"banks\": [...]          | \"banks\": [3]                            | banks",
        "\"banks\": [...]          | \"banks\": [{\"name\":\"A\",\"slots\":{}}]     | banks[0].slots",
        "\"banks\": [...]          | \"banks\": [{\"name\":\"A\",\"slots\":[7]}]    | slot",
        "\"banks\": [...]          | \"banks\": [{\"name\":\"A\",\"slots\":[{\"slot\":1,\"file\":9}]}] | file",
        "\"slot\": 1               | \"slot\": 1, \"start\": \"yes\"             | expected true or false",
        "\"nameMaxLength\": 24     | \"nameMaxLength\": \"long\"               | houseRules.nameMaxLength: expected a number",
        "\"nameMaxLength\": 24     | \"nameMaxLength\": 24.5                   | a whole number",
        "\"nameMaxLength\": 24     | \"nameMaxLength\": 4000000000             | whole number",
        "\"fewestMacros\": 3       | \"fewestMacros\": -1                      | houseRules.fewestMacros",
        "\"targetLufs\": -18       | \"targetLufs\": 1e400                     | collection.json",
        "\"toleranceLu\": 0.5      | \"toleranceLu\": null                     | houseRules.toleranceLu",
        "\"toleranceLu\": 0.5      | \"tolerance\": 0.5                        | has no field",
        "\"measure\": \"INTEGRATED\" | \"measure\": \"LOUDEST\"                | expected INTEGRATED or MOMENTARY_MAX",
        "\"phrase\": \"low-steps\"  | \"phrase\": \"no-such\"                   | no phrase",
        "\"macroNames\": [...]     | \"macroNames\": [\"One\"]                   | eight macro names",
        "\"macroNames\": [...]     | \"macroNames\": {\"a\":1}                   | macroNames: expected a list",
        "\"name\": \"Kit\"          | \"name\": [\"Kit\"]                         | name: expected a text",
        "\"version\": 1            | \"version\": \"1\"                        | version: expected a number"})
    void isRefusedWithPlaceAndExpectation(String old, String bad, String words) {
        Map<String, byte[]> files = good();
        String index = new String(files.get(CollectionFormat.INDEX), StandardCharsets.UTF_8);
        String changed = replaced(index, old, bad);
        assertTrue(!changed.equals(index), "the test has to change something: " + old);
        files.put(CollectionFormat.INDEX, changed.getBytes(StandardCharsets.UTF_8));
        refusedInWords(files, words);
    }

    /** "[...]" stands for the list that is there. */
    private static String replaced(String text, String old, String bad) {
        if (!old.endsWith("[...]")) {
            return text.replaceFirst(java.util.regex.Pattern.quote(old), java.util.regex.Matcher.quoteReplacement(bad));
        }
        int start = text.indexOf(old.replace("[...]", "["));
        int depth = 0;
        int end = text.indexOf('[', start);
        do {
            depth += text.charAt(end) == '[' ? 1 : text.charAt(end) == ']' ? -1 : 0;
            end++;
        } while (depth > 0);
        return text.substring(0, start) + bad + text.substring(end);
    }

    @ParameterizedTest
    @CsvSource({"(([a-z]+)+)+(, not a regular expression", "(((x{100}){100}){100}), repeats more than"})
    void aPatternThatCannotBeTakenIsRefused(String pattern, String words) {
        Map<String, byte[]> files = good();
        String index = new String(files.get(CollectionFormat.INDEX), StandardCharsets.UTF_8);
        files.put(CollectionFormat.INDEX, index.replace(HouseRules.DEFAULT.namePattern().replace("\\", "\\\\"), pattern).getBytes(StandardCharsets.UTF_8));
        refusedInWords(files, words);
    }

    /** Three thousand collections with bytes changed, taken out and doubled: each is read or refused in words. */
    @Test
    void damagedFilesAreReadOrRefusedInWords() {
        Random random = new Random(11);
        List<String> others = new ArrayList<>();
        for (int i = 0; i < 3000; i++) {
            Map<String, byte[]> files = good();
            String path = files.keySet().stream().toList().get(random.nextInt(files.size()));
            String text = new String(files.get(path), StandardCharsets.UTF_8);
            int at = random.nextInt(text.length() - 8);
            String damaged = switch (i % 4) {
                case 0 -> text.substring(0, at) + text.substring(at + 1 + random.nextInt(6));
                case 1 -> text.substring(0, at) + (char) random.nextInt(128) + text.substring(at + 1);
                case 2 -> text.replaceFirst("\\d+", List.of("1e999", "-0", "\"\"", "null", "[]", "{}", "true", "99999999999").get(random.nextInt(8)));
                default -> text.substring(0, at);
            };
            files.put(path, damaged.getBytes(StandardCharsets.UTF_8));
            try {
                CollectionFormat.read(files);
            } catch (FormatException e) {
                inWords(e);
            } catch (RuntimeException e) {
                others.add(e + " at " + path + ": " + damaged);
            }
        }
        assertEquals(List.of(), others);
    }

    private static void refusedInWords(Map<String, byte[]> files, String words) {
        FormatException refusal = assertThrows(FormatException.class, () -> CollectionFormat.read(files));
        assertTrue(refusal.getMessage().contains(words), refusal.getMessage());
        inWords(refusal);
    }

    private static void inWords(FormatException e) {
        assertTrue(!e.getMessage().matches("(?s).*(java\\.|com\\.fasterxml|Exception|deserialize|StreamReadFeature|START_OBJECT).*"), e.getMessage());
    }
}
