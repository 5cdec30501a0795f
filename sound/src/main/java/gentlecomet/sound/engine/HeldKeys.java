package gentlecomet.sound.engine;

/** The keys that are down, in the order in which they were pressed. */
final class HeldKeys {

    private final int[] keys = new int[128];
    private final int[] velocities = new int[128];
    private int count;

    void press(int key, int velocity) {
        release(key);
        keys[count] = key;
        velocities[count] = velocity;
        count++;
    }

    /** @return whether the key was down */
    boolean release(int key) {
        for (int i = 0; i < count; i++) {
            if (keys[i] == key) {
                System.arraycopy(keys, i + 1, keys, i, count - i - 1);
                System.arraycopy(velocities, i + 1, velocities, i, count - i - 1);
                count--;
                return true;
            }
        }
        return false;
    }

    boolean any() {
        return count > 0;
    }

    int last() {
        return keys[count - 1];
    }

    int lastVelocity() {
        return velocities[count - 1];
    }

    void clear() {
        count = 0;
    }
}
