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
                for (int k = i + 1; k < count; k++) {
                    keys[k - 1] = keys[k];
                    velocities[k - 1] = velocities[k];
                }
                count--;
                return true;
            }
        }
        return false;
    }

    boolean any() {
        return count > 0;
    }

    /** The key that sounds in mono playing: the last one, the lowest or the highest. */
    int chosen(boolean lowest, boolean highest) {
        int best = count - 1;
        for (int i = 0; i < count; i++) {
            if (lowest && keys[i] < keys[best] || highest && keys[i] > keys[best]) {
                best = i;
            }
        }
        return keys[best];
    }

    int velocityOf(int key) {
        for (int i = 0; i < count; i++) {
            if (keys[i] == key) {
                return velocities[i];
            }
        }
        return 0;
    }

    void clear() {
        count = 0;
    }
}
