package gentlecomet.studio.bank.desk;

import gentlecomet.studio.page.RefusedException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;

/** How far a step of the desk is, in patches. It can be stopped until everything is worked out; what it has done until then is taken back with it. Safe for threads. */
public final class StepProgress {

    private final AtomicInteger done = new AtomicInteger();
    private final AtomicBoolean decided = new AtomicBoolean();
    private volatile boolean stopped;
    private volatile int total;

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
        decided.compareAndSet(false, true);
        passOn();
    }

    private void passOn() {
        if (stopped) {
            throw new RefusedException("Stopped. Nothing was changed.");
        }
    }

    /** Stops the step. @return whether that was in time */
    public boolean stop() {
        if (decided.compareAndSet(false, true)) {
            stopped = true;
        }
        return stopped;
    }

    public boolean stopped() {
        return stopped;
    }

    public int done() {
        return Math.min(done.get(), total);
    }

    public int total() {
        return total;
    }
}
