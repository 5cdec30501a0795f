package gentlecomet.studio.bank.many;

import gentlecomet.studio.patch.PatchVersions;
import java.util.List;
import java.util.Map;

/**
 * What a page asks the desk to do. Only {@code what} and the chosen patches are always there; what else is read depends on it.
 *
 * @param what        the kind of work, see {@link Plans}
 * @param patch       the chosen patches in their order, with the versions that the page shows, as "12.3"
 * @param arrangement of the bank as the page shows it, or 0
 * @param way         how it is done, where there are several ways
 * @param text        what is typed: a pattern, names, tags, an author, pasted cells
 * @param with        what is put in place of {@code text}
 * @param anyCase     whether capitals do not matter
 * @param number      first number of a row
 * @param category    id of a category
 * @param column      the column at which pasted cells begin
 * @param toBank      bank to move or copy to, or 0
 * @param toSlot      slot to move to, or 0
 * @param before      patch before which the chosen ones are to stand, or 0 for the end
 */
public record DeskForm(String what, List<String> patch, Long arrangement, String way, String text, String with, Boolean anyCase, Integer number, String category,
        String column, Long toBank, Integer toSlot, Long before) {

    public DeskForm {
        what = what == null ? "" : what;
        patch = patch == null ? List.of() : patch;
        way = way == null ? "" : way;
        text = text == null ? "" : text;
        with = with == null ? "" : with;
        category = category == null ? "" : category;
        column = column == null ? "" : column;
        arrangement = arrangement == null ? 0 : arrangement;
        anyCase = anyCase != null && anyCase;
        number = number == null ? 0 : number;
        toBank = toBank == null ? 0 : toBank;
        toSlot = toSlot == null ? 0 : toSlot;
        before = before == null ? 0 : before;
    }

    /** Versions of the chosen patches, in their order. */
    Map<Long, Long> versions() {
        return PatchVersions.of(patch);
    }
}
