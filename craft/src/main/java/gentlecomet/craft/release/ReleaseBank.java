package gentlecomet.craft.release;

import gentlecomet.craft.format.CollectionFile;

/**
 * The bank in which a patch of a release stands.
 *
 * @param position from 0
 * @param msb      bank select, controller 0
 * @param lsb      bank select, controller 32
 */
public record ReleaseBank(int position, String name, int msb, int lsb) {

    /** A bank of a collection. @param position from 0 */
    public static ReleaseBank of(int position, CollectionFile.Bank bank) {
        return new ReleaseBank(position, bank.name(), bank.msb(), bank.lsb());
    }
}
