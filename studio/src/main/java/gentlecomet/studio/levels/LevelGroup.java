package gentlecomet.studio.levels;

import java.util.List;

/** The patches of a category on the ladder. @param targetLufs what they are brought to */
record LevelGroup(String name, double targetLufs, List<LevelRow> rows) {

    public long off() {
        return rows.stream().filter(LevelRow::toLevel).count();
    }
}
