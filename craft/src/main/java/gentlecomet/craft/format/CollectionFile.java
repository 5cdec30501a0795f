package gentlecomet.craft.format;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.util.List;

/**
 * A whole collection as it is written to files.
 *
 * @param name    name of the product
 * @param author  who makes it
 * @param licence licence text that ships with it
 * @param rules   house rules
 * @param banks   banks in order
 */
public record CollectionFile(String name, String author, String licence, HouseRules rules, List<Bank> banks) {

    public CollectionFile {
        banks = List.copyOf(banks);
    }

    /** An ordered list of up to 128 patches. */
    public record Bank(String name, List<Slot> slots) {
        public Bank {
            slots = List.copyOf(slots);
        }
    }

    /** A patch at its place in the bank; {@code number} counts from 1 and is the MIDI program number plus one. */
    public record Slot(int number, Patch patch) {
    }
}
