package gentlecomet.craft.format;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import java.util.Map;

/**
 * A whole collection as it is written to files.
 *
 * @param name    name of the product
 * @param author  who makes it
 * @param licence licence text that ships with it
 * @param rules   house rules
 * @param banks   banks in order
 * @param assets  the sound files that its patches refer to, content by hash
 * @param about   for those who use it
 * @param contact where its people can be asked
 */
public record CollectionFile(String name, String author, String licence, HouseRules rules, List<Bank> banks, Map<String, byte[]> assets, String about, String contact) {

    public CollectionFile {
        banks = List.copyOf(banks);
        assets = Map.copyOf(assets);
    }

    /** A collection that says nothing more of itself. */
    public CollectionFile(String name, String author, String licence, HouseRules rules, List<Bank> banks, Map<String, byte[]> assets) {
        this(name, author, licence, rules, banks, assets, "", "");
    }

    /** A collection whose patches need no sound file. */
    public CollectionFile(String name, String author, String licence, HouseRules rules, List<Bank> banks) {
        this(name, author, licence, rules, banks, Map.of());
    }

    /**
     * An ordered list of up to 128 patches.
     *
     * @param msb bank select, controller 0
     * @param lsb bank select, controller 32
     */
    public record Bank(String name, int msb, int lsb, List<Slot> slots) {
        public Bank {
            slots = List.copyOf(slots);
        }

        /** The first of a device: bank 0/0. */
        public Bank(String name, List<Slot> slots) {
            this(name, 0, 0, slots);
        }
    }

    /**
     * A patch at its place in the bank.
     *
     * @param number counts from 1 and is the MIDI program number plus one
     * @param start  whether new patches of its category begin as it is
     */
    public record Slot(int number, Patch patch, boolean start) {
        public Slot(int number, Patch patch) {
            this(number, patch, false);
        }
    }
}
