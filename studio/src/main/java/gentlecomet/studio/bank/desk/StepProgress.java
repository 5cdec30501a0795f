package gentlecomet.studio.bank.desk;

import gentlecomet.studio.page.RefusedException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;

/** How far a step of the desk is, in patches. It can be stopped until everything is worked out; what it has done until then is taken back with it. Safe for threads. */
public final class StepProgress {

    private final AtomicInteger done = new AtomicInteger();
    private final AtomicReference<State> state = new AtomicReference<>(State.OPEN);
    private volatile int total;

    private enum State { OPEN, STOPPED, WORKED_OUT }

    public StepProgress(int total) {
        this.total = total;
    }

    /** Tells how many patches there are, once that is known. */
    public void begin(int patches) {
        total = patches;
    }

    /** Another patch is worked out. @throws RefusedException where somebody has stopped the step */
    public void passed() {
        done.incrementAndGet();
        passOn();
    }

    /** Everything is worked out: from here on the step is done. @throws RefusedException where somebody was faster */
    public void last() {
        state.compareAndSet(State.OPEN, State.WORKED_OUT);
        passOn();
    }

    private void passOn() {
        if (state.get() == State.STOPPED) {
            throw new RefusedException("Stopped. Nothing was changed.");
        }
    }

    /** Stops the step. @return whether that was in time */
    public boolean stop() {
        state.compareAndSet(State.OPEN, State.STOPPED);
        return state.get() == State.STOPPED;
    }

    public int done() {
        return Math.min(done.get(), total);
    }

    public int total() {
        return total;
    }
}
